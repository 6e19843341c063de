import type { LineResult } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../api/queries';
import { percent } from '../coefficients/cell-data';
import { FailureNotice } from '../controls/failure-notice';
import { Skeleton } from '../controls/skeleton';
import { asMeasured, significant } from '../figures/as-measured';
import { fineCoefficientText, pText } from '../numbers/number-text';
import { displayName } from '../study/variable-name';
import type { ValueTable } from '../tables/columns';
import { ValueTableView } from '../tables/value-table-view';
import { LinePrediction } from './line-prediction';
import { type PairContext, pairOf } from './pair-request';

type Term = LineResult['slope'];

/** One value of both terms of the line. */
interface LineValue {
  readonly name: string;
  readonly shown: (term: Term) => string;
  readonly exact: (term: Term) => number | null;
}

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
  const number = (name: string, read: (term: Term) => number | null): LineValue => ({
    name,
    shown: (term) => (name === 'p' ? pText(term.pValue ?? Number.NaN, settings.levels) : significant(read(term))),
    exact: read,
  });
  const table: ValueTable<LineValue> = {
    caption: `Line of ${y} on ${x}`,
    columns: [
      { name: '', nameInFile: 'value', shown: ({ name }) => name },
      { name: 'intercept', shown: ({ shown }) => shown(intercept), exact: ({ exact }) => exact(intercept) },
      { name: 'slope', shown: ({ shown }) => shown(slope), exact: ({ exact }) => exact(slope) },
    ],
    rows: [
      number('estimate', ({ value }) => value),
      number('SE', ({ se }) => se),
      number(`t, ${data.dfResidual} df`, ({ t }) => t),
      number('p', ({ pValue }) => pValue),
      number(`${percent(settings.level)}, from`, ({ low }) => low),
      number(`${percent(settings.level)}, to`, ({ high }) => high),
    ],
  };
  return (
    <div data-testid="line-values">
      <p className="font-serif text-[16px]">
        {y} = {significant(intercept.value)} {sign} {significant(Math.abs(slope.value))} · {x}
      </p>
      <ValueTableView table={table} className="mt-2 w-full text-[13px]" />
      <p className="numerals mt-2 text-[13px]">
        r² = {fineCoefficientText(data.r2 ?? Number.NaN)}, adjusted R² = {fineCoefficientText(data.adjustedR2 ?? Number.NaN)}, residual SD ={' '}
        {significant(data.residualSd)}, F(1, {data.dfResidual}) = {significant(data.f)}, p{' '}
        {pText(data.pValue ?? Number.NaN, settings.levels)}.
      </p>
      <p className="mt-1 text-[13px] text-muted">This p is the same as that of r, two-sided: both ask whether the slope is zero.</p>
      {outside && (
        <p className="mt-1 text-[13px] text-caution">
          {x} runs from {asMeasured(data.xMin)} to {asMeasured(data.xMax)}, so that the intercept, the value at {x} = 0, lies outside the
          data and says nothing about them.
        </p>
      )}
      <LinePrediction context={context} />
    </div>
  );
}
