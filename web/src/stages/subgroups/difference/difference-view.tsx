import type { CorrelationSettings, SubgroupSettings } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { useMemo, useState } from 'react';
import { percent } from '../../../coefficients/cell-data';
import { levelInWords } from '../../../coefficients/levels';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { type ComparedPair, decidingP, pairId, pairName, type ShownGroup } from '../../../groups/compared-pairs';
import { useComparedPairs } from '../../../groups/use-compared-pairs';
import { coefficientText, intervalText, pRelationText, pText } from '../../../numbers/number-text';
import { PinButton } from '../../../pins/pin-button';
import { TableTools } from '../../../tables/table-tools';
import type { SubgroupProps } from '../stage-props';
import { largeTileSize, TileGrid } from '../tile-grid';
import { chosenTwo, REST, takingTwo } from './chosen-two';
import { differenceTable } from './difference-table';

interface DifferenceViewProps extends Omit<SubgroupProps, 'compared'> {
  readonly onOpen: (pair: ComparedPair) => void;
}

const HALVES: Readonly<Record<SubgroupSettings['half'], string>> = {
  p: 'p',
  interval: 'interval of the difference',
  q: 'Cohen’s q',
  nothing: 'nothing',
};

/** The differences between two groups, or between one and all others, pair by pair. */
export function DifferenceView({ study, variables, settings, layout, patch, taking, onOpen }: DifferenceViewProps) {
  const { first, second } = chosenTwo(taking, layout);
  const two = useMemo(() => takingTwo(taking, first, second), [taking, first, second]);
  const { compared, error, stale, request } = useComparedPairs(study, variables, settings, two, {
    against: second === REST ? first.value : null,
  });
  const [hovered, setHovered] = useState<ComparedPair | null>(null);
  const select = 'rounded border border-edge bg-surface px-1.5 py-1';
  const size = useMemo(() => largeTileSize(variables.length), [variables.length]);
  const [a, b] = compared?.groups ?? [];
  const table = useMemo(
    () => (compared && a && b ? differenceTable(compared.pairs, a, b, taking, settings) : null),
    [compared, a, b, taking, settings],
  );
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-2 gap-y-2">
        <select
          aria-label="First group"
          className={select}
          value={String(first.value)}
          onChange={(event) => patch({ first: Number(event.target.value) })}
        >
          {taking.groups.map(({ value, label }) => (
            <option key={value} value={String(value)} disabled={second !== REST && second.value === value}>
              {label}
            </option>
          ))}
        </select>
        <span>less</span>
        <select
          aria-label="Second group"
          className={select}
          value={second === REST ? REST : String(second.value)}
          onChange={({ target: { value } }) => patch({ second: value === REST ? REST : Number(value) })}
        >
          {taking.groups.map(({ value, label }) => (
            <option key={value} value={String(value)} disabled={first.value === value}>
              {label}
            </option>
          ))}
          {taking.groups.length > 2 && <option value={REST}>all others together</option>}
        </select>
        <label className="ml-4 text-muted">
          other half{' '}
          <select className={select} value={layout.half} onChange={(event) => patch({ half: halfOf(event.target.value) })}>
            {Object.entries(HALVES).map(([half, name]) => (
              <option key={half} value={half}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <span className="ml-auto flex items-center gap-4 text-[13px]">
          {table && <TableTools table={table} fileName={`${study.name} difference`} />}
          {a && b && (
            <PinButton
              study={study}
              pinned={{
                stage: 'subgroups',
                thing: 'table',
                title: `Differences of correlations: ${a.label} less ${b.label}`,
                request,
                settings: { ...settings, ...layout, groups: request.groups, view: 'difference' },
              }}
            />
          )}
        </span>
      </div>
      {error && !compared && <FailureNotice error={error} />}
      {!compared && !error && <Skeleton label="Comparing the two" className="mt-3 h-72" />}
      {compared && (!a || !b) && (
        <p className="mt-6">
          {compared.groups.length === 0 ? 'Neither group has' : `Only ${a?.label ?? 'one group'} has`} rows in use; choose others.
        </p>
      )}
      {compared && a && b && (
        <div className={stale ? 'opacity-50 transition-opacity delay-150 duration-0' : ''}>
          <p className="mt-3 font-serif text-[16px]" data-testid="difference-tally">
            {tallyInWords(compared.pairs, a, b, settings)}
          </p>
          <p className="numerals mt-1 min-h-6 text-[13px]" data-testid="difference-readout">
            {hovered ? twoInWords(hovered, a, b, settings) : <span className="text-muted">Point at a pair for its numbers.</span>}
          </p>
          <div className="mt-1 overflow-x-auto pb-2">
            <TileGrid
              size={size}
              label={`Differences of correlations, ${a.label} less ${b.label}`}
              variables={variables}
              pairs={compared.pairs}
              tileOf={(pair) => tileOf(pair, settings.levels)}
              {...(layout.half === 'nothing' ? {} : { above: (pair: ComparedPair) => halfText(pair, layout.half, settings.levels) })}
              lit={hovered && pairId(hovered)}
              onHover={setHovered}
              onOpen={onOpen}
            />
          </div>
          <p className="mt-1 text-[13px] text-muted">
            Below: the coefficient in {a.label} (n {a.rows}) less that in {b.label} (n {b.rows}); a dark outline: the two have opposite
            signs. {settings.levels.map((level, i) => `${'*'.repeat(i + 1)} p ≤ ${levelInWords(level)}`).join(', ')}, of the difference.
          </p>
        </div>
      )}
    </>
  );
}

function halfOf(value: string): SubgroupSettings['half'] {
  return value in HALVES ? (value as SubgroupSettings['half']) : 'p';
}

function tileOf(pair: ComparedPair, levels: readonly number[]) {
  if (!pair.two) return null;
  const value = Math.max(-1, Math.min(1, pair.two.difference));
  return {
    value,
    text: coefficientText(pair.two.difference),
    p: decidingP(pair),
    levels,
    ...(changesSign(pair) ? { outline: 'opposite signs' } : {}),
  };
}

/** Whether the two groups’ coefficients have opposite signs. */
export function changesSign({ cells }: Pick<ComparedPair, 'cells'>): boolean {
  return (cells[0]?.coefficient ?? 0) * (cells[1]?.coefficient ?? 0) < 0;
}

function halfText(pair: ComparedPair, half: SubgroupSettings['half'], levels: readonly number[]): string {
  const { two } = pair;
  if (!two) return '–';
  if (half === 'q') return formatFixed(two.cohensQ, 2);
  if (half === 'interval') return two.low === null || two.high === null ? '–' : intervalText(two.low, two.high);
  return Number.isNaN(decidingP(pair)) ? '–' : pText(decidingP(pair), levels);
}

/** Everything about one difference. */
export function twoInWords(
  pair: ComparedPair,
  a: ShownGroup,
  b: ShownGroup,
  { levels, level }: Pick<CorrelationSettings, 'levels' | 'level'>,
): string {
  const [first, second] = pair.cells;
  const { two } = pair;
  const each = `${a.label} ${coefficientText(first?.coefficient ?? Number.NaN)} (n ${first?.n ?? 0}), ${b.label} ${coefficientText(second?.coefficient ?? Number.NaN)} (n ${second?.n ?? 0})`;
  if (!two || pair.homogeneity.pValue === null) return `${pairName(pair)}: ${each}; not tested.`;
  const interval = two.low === null || two.high === null ? '' : ` ${percent(level)} interval ${intervalText(two.low, two.high)},`;
  const adjusted = pair.adjustedP === null ? '' : `, adjusted ${pText(pair.adjustedP, levels)}`;
  return `${pairName(pair)}: ${each}; difference ${coefficientText(two.difference)},${interval} q ${formatFixed(two.cohensQ, 2)}, z = ${formatFixed(two.z, 2)}, ${pRelationText(pair.homogeneity.pValue, levels)}${adjusted}.`;
}

function tallyInWords(pairs: readonly ComparedPair[], a: ShownGroup, b: ShownGroup, { levels, adjust }: CorrelationSettings): string {
  const [alpha = 0.05] = levels;
  const tested = pairs.filter((pair) => !Number.isNaN(decidingP(pair)));
  const differing = tested.filter((pair) => decidingP(pair) <= alpha).length;
  const signs = pairs.filter(changesSign).length;
  const chance = adjust === 'none' ? `; ${formatFixed(tested.length * alpha, 1)} expected if none did` : '';
  return `${differing} of ${tested.length} pairs differ between ${a.label} and ${b.label} at ${coefficientText(alpha)}${chance}; ${signs} ${signs === 1 ? 'has' : 'have'} opposite signs.`;
}
