import { formatCoefficient, formatP } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../api/queries';
import { percent } from '../coefficients/cell-data';
import { FailureNotice } from '../controls/failure-notice';
import { Skeleton } from '../controls/skeleton';
import { asMeasured, significant } from '../figures/as-measured';
import { displayName } from '../study/variable-name';
import type { ValueTable } from '../tables/columns';
import { ValueTableView } from '../tables/value-table-view';
import { type PairContext, pairOf } from './pair-request';

/** The simple regression of the pair: y on x, whole. */
export function LineSection(context: PairContext) {
  const { study, pair, settings } = context;
  const { data, error } = useQuery(analysisQuery(study.id, study.head, { kind: 'line', ...pairOf(context), level: settings.level }));
  if (error) return <FailureNotice error={error} />;
  if (!data) return <Skeleton label="Computing the line" className="h-32" />;
  const [x, y] = [displayName(pair.x), displayName(pair.y)];
  const { intercept, slope } = data;
  if (slope.value === null || intercept.value === null) return <p>No line: too few rows, or {x} does not vary.</p>;
  const outside = data.xMin !== null && data.xMax !== null && (data.xMin > 0 || data.xMax < 0);
  const sign = slope.value < 0 ? '−' : '+';
  const table: ValueTable<readonly [name: string, term: typeof slope]> = {
    caption: `Line of ${y} on ${x}`,
    columns: [
      { name: '', nameInFile: 'term', shown: ([name]) => name },
      { name: 'estimate', shown: ([, term]) => significant(term.value), exact: ([, term]) => term.value },
      { name: 'SE', shown: ([, term]) => significant(term.se), exact: ([, term]) => term.se },
      {
        name: `${percent(settings.level)} interval`,
        shown: ([, { low, high }]) => (low === null || high === null ? '–' : `[${significant(low)}, ${significant(high)}]`),
        only: 'screen',
        // Both limits have four digits and more: the card is too narrow for them side by side.
        onScreen: ([, { low, high }]) =>
          low !== null &&
          high !== null && (
            <>
              [{significant(low)},<br />
              {significant(high)}]
            </>
          ),
      },
      { name: 'low', shown: () => '', exact: ([, { low }]) => low, only: 'file' },
      { name: 'high', shown: () => '', exact: ([, { high }]) => high, only: 'file' },
    ],
    rows: [
      ['intercept', intercept],
      ['slope', slope],
    ],
  };
  return (
    <div data-testid="line-values">
      <p className="font-serif text-[16px]">
        {y} = {significant(intercept.value)} {sign} {significant(Math.abs(slope.value))} · {x}
      </p>
      <ValueTableView table={table} className="mt-2 w-full text-[13px]" />
      <p className="numerals mt-2 text-[13px]">
        r² = {formatCoefficient(data.r2 ?? Number.NaN, 3)}, adjusted R² = {formatCoefficient(data.adjustedR2 ?? Number.NaN, 3)}, residual SD
        = {significant(data.residualSd)}, F(1, {data.dfResidual}) = {significant(data.f)}, p{' '}
        {formatP(data.pValue ?? Number.NaN, settings.levels)}.
      </p>
      <p className="mt-1 text-[13px] text-muted">This p is the same as that of r, two-sided: both ask whether the slope is zero.</p>
      {outside && (
        <p className="mt-1 text-[13px] text-caution">
          {x} runs from {asMeasured(data.xMin)} to {asMeasured(data.xMax)}, so that the intercept, the value at {x} = 0, lies outside the
          data and says nothing about them.
        </p>
      )}
    </div>
  );
}
