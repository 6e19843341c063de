import { formatCoefficient, formatP } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../api/queries';
import { percent } from '../coefficients/cell-data';
import { FailureNotice } from '../controls/failure-notice';
import { asMeasured, significant } from '../figures/as-measured';
import { displayName } from '../study/variable-name';
import { type PairContext, pairOf } from './pair-request';

/** The simple regression of the pair: y on x, whole. */
export function LineSection(context: PairContext) {
  const { study, pair, settings } = context;
  const { data, error } = useQuery(analysisQuery(study.id, study.head, { kind: 'line', ...pairOf(context), level: settings.level }));
  if (error) return <FailureNotice error={error} />;
  if (!data) return <div role="status" aria-label="Computing the line" className="h-32 rounded bg-rule/50" />;
  const [x, y] = [displayName(pair.x), displayName(pair.y)];
  const { intercept, slope } = data;
  if (slope.value === null || intercept.value === null) return <p>No line: too few rows, or {x} does not vary.</p>;
  const outside = data.xMin !== null && data.xMax !== null && (data.xMin > 0 || data.xMax < 0);
  const sign = slope.value < 0 ? '−' : '+';
  return (
    <div data-testid="line-figures">
      <p className="font-serif text-[16px]">
        {y} = {significant(intercept.value)} {sign} {significant(Math.abs(slope.value))} · {x}
      </p>
      <table className="figures mt-2 w-full text-[13px]">
        <thead>
          <tr className="border-b border-rule text-muted">
            <th scope="col" className="py-1 text-left font-normal" aria-label="Term" />
            <th scope="col" className="text-right font-normal">
              estimate
            </th>
            <th scope="col" className="text-right font-normal">
              SE
            </th>
            <th scope="col" className="text-right font-normal">
              {percent(settings.level)} interval
            </th>
          </tr>
        </thead>
        <tbody>
          {(
            [
              ['intercept', intercept],
              ['slope', slope],
            ] as const
          ).map(([name, term]) => (
            <tr key={name} className="border-b border-rule">
              <th scope="row" className="py-1 text-left font-normal">
                {name}
              </th>
              <td className="text-right">{significant(term.value)}</td>
              <td className="text-right">{significant(term.se)}</td>
              <td className="text-right whitespace-nowrap">
                {term.low === null || term.high === null ? '–' : `[${significant(term.low)}, ${significant(term.high)}]`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="figures mt-2 text-[13px]">
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
