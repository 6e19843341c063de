import type { CorrelationResult, CorrelationSettings, Variable } from '@ivlen/contract';
import { displayName } from '../../variable-name';
import { levelInWords } from './levels';
import { tally } from './tally';

const SIDED: Readonly<Record<CorrelationSettings['alternative'], string>> = {
  'two-sided': 'two-sided',
  greater: 'one-sided for a positive correlation',
  less: 'one-sided for a negative correlation',
};

interface GridLegendProps {
  readonly variables: readonly Variable[];
  readonly result: CorrelationResult;
  readonly settings: CorrelationSettings;
}

/** What the grid's colours and marks mean, and what it says as a whole. */
export function GridLegend({ variables, result, settings: { levels, alternative } }: GridLegendProps) {
  const { pairs, marked, expected, fewest, most, without } = tally(result, levels[0] ?? 0.05);
  const ordinal = variables.filter(({ kind }) => kind === 'ordinal').map(displayName);
  return (
    <div className="figures mt-3 max-w-3xl space-y-1.5 text-[13px] text-muted" data-testid="legend">
      <p className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <span className="flex items-center gap-1.5">
          −1
          <span
            aria-hidden="true"
            className="h-2.5 w-24 rounded-sm"
            style={{ background: 'linear-gradient(in lab to right, var(--negative), var(--tile-middle), var(--positive))' }}
          />
          1
        </span>
        {levels.map((level, i) => (
          <span key={level}>
            <span aria-hidden="true">{'*'.repeat(i + 1)} </span>
            <span className="sr-only">{i + 1} asterisks: </span>p ≤ {levelInWords(level)}
          </span>
        ))}
        <span>{SIDED[alternative]}</span>
      </p>
      <p>
        {fewest === most
          ? `n = ${most} in every pair.`
          : `n = ${fewest} to ${most}; tiles with a dotted edge rest on fewer rows than ${most}.`}{' '}
        {marked} of {pairs} {pairs === 1 ? 'pair' : 'pairs'} marked at {levelInWords(levels[0] ?? 0.05)}; {expected} expected if nothing
        were associated.
        {without > 0 && ` ${without} ${without === 1 ? 'pair has' : 'pairs have'} no coefficient (–).`}
      </p>
      {ordinal.length > 0 && (
        <p className="text-caution">
          {ordinal.join(', ')} {ordinal.length === 1 ? 'is' : 'are'} ordinal: Pearson’s r takes the steps between the values as equal.
        </p>
      )}
    </div>
  );
}
