import type { Variable } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { analysisQuery } from '../api/queries';
import { percent } from '../coefficients/cell-data';
import { FailureNotice } from '../controls/failure-notice';
import { Skeleton } from '../controls/skeleton';
import { coefficientText, intervalText, pRelationText } from '../numbers/number-text';
import { displayName } from '../study/variable-name';
import type { PairContext } from './pair-request';
import type { Pair } from './use-pair-selection';

interface CompareSectionProps {
  readonly context: PairContext;
  readonly variables: readonly Variable[];
  /** A second pair that was chosen in the matrix. */
  readonly second: Pair | null;
}

/** Is one variable tied more closely to this than to that? Two coefficients that share a variable. */
export function CompareSection({ context, variables, second }: CompareSectionProps) {
  const { pair } = context;
  const shared = second && [pair.x, pair.y].find(({ id }) => id === second.x.id || id === second.y.id);
  const fromMatrix = second && shared ? { a: shared.id, c: (second.x.id === shared.id ? second.y : second.x).id } : null;
  const others = variables.filter(({ id }) => id !== pair.x.id && id !== pair.y.id);
  const [chosen, setChosen] = useState<{ a: string; c: string } | null>(null);
  const { a: aId, c: cId } = chosen ?? fromMatrix ?? { a: pair.x.id, c: others[0]?.id ?? '' };
  const a = aId === pair.y.id ? pair.y : pair.x;
  const b = a === pair.x ? pair.y : pair.x;
  const c = others.find(({ id }) => id === cId);
  if (others.length === 0) return <p>Tick a third variable to compare with.</p>;
  const select = 'rounded border border-transparent bg-transparent py-0.5 text-accent hover:border-edge';
  return (
    <div data-testid="dependent-comparison">
      <p>
        Is{' '}
        <select
          aria-label="Shared variable"
          className={select}
          value={a.id}
          onChange={(event) => setChosen({ a: event.target.value, c: cId })}
        >
          {[pair.x, pair.y].map((variable) => (
            <option key={variable.id} value={variable.id} className="bg-surface text-ink">
              {displayName(variable)}
            </option>
          ))}
        </select>{' '}
        tied more closely to {displayName(b)} than to{' '}
        <select
          aria-label="Other variable"
          className={select}
          value={c?.id ?? ''}
          onChange={(event) => setChosen({ a: a.id, c: event.target.value })}
        >
          {others.map((variable) => (
            <option key={variable.id} value={variable.id} className="bg-surface text-ink">
              {displayName(variable)}
            </option>
          ))}
        </select>
        ?
      </p>
      {c && <Answer context={context} a={a} b={b} c={c} />}
    </div>
  );
}

function Answer({ context: { study, settings, method }, a, b, c }: { context: PairContext; a: Variable; b: Variable; c: Variable }) {
  const { level, levels } = settings;
  const { data, error } = useQuery(analysisQuery(study.id, study.head, { kind: 'dependent', a: a.id, b: b.id, c: c.id, method, level }));
  if (error) return <FailureNotice error={error} />;
  if (!data) return <Skeleton label="Comparing" className="mt-2 h-16" />;
  const { ab, ac, bc, n, williams, meng, interval } = data;
  const symbol = COEFFICIENTS[method].symbol;
  if (ab === null || ac === null)
    return <p className="mt-2">One of the coefficients is not defined over the rows complete for all three.</p>;
  const opposite = ab * ac < 0;
  const excludesZero = interval !== null && (interval.low > 0 || interval.high < 0);
  const decided = williams?.pValue != null ? williams.pValue <= (levels[0] ?? 0.05) : excludesZero;
  const closer = Math.abs(ab) >= Math.abs(ac) ? b : c;
  return (
    <div className="mt-2 text-[13px]">
      <p className="text-[14px]">
        {opposite
          ? 'The two coefficients have opposite signs: this tests whether they differ, not which is stronger. Reverse one variable (a derived variable, such as −x) to compare strengths.'
          : decided
            ? `Yes, they differ: ${displayName(a)} is tied more closely to ${displayName(closer)}.`
            : 'No difference was detected.'}
      </p>
      <p className="numerals mt-1">
        {symbol} with {displayName(b)} {coefficientText(ab)}, with {displayName(c)} {coefficientText(ac)}, between those two{' '}
        {coefficientText(bc ?? Number.NaN)}; n = {n}, rows complete for all three.
      </p>
      {interval && (
        <p className="numerals mt-1">
          Difference {formatFixed(ab - ac, 2)}, {percent(level)} interval {intervalText(interval.low, interval.high)}
          {williams ? ' (Zou)' : ' (bootstrap, percentile, 2,000 samples, seed 1)'}.
        </p>
      )}
      {williams?.t != null && (
        <p className="numerals mt-1">
          Williams: t({williams.df}) = {formatFixed(williams.t, 3)}, {pRelationText(williams.pValue ?? Number.NaN, levels)}
          {meng?.z != null &&
            `; Meng, Rosenthal and Rubin: z = ${formatFixed(meng.z, 3)}, ${pRelationText(meng.pValue ?? Number.NaN, levels)}`}
          .
        </p>
      )}
    </div>
  );
}
