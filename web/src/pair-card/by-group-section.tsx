import type { ByGroupResult } from '@ivlen/contract';
import { COEFFICIENTS, formatCoefficient, formatFixed, formatInterval, formatP, formatPRelation } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../api/queries';
import { FailureNotice } from '../controls/failure-notice';
import { useGrouping, useGroups } from '../settings/use-grouping';
import { displayName } from '../study/variable-name';
import { type PairContext, pairOf } from './pair-request';

const MOST_GROUPS = 40;
const ALL_ROWS = 'all rows';

function withInterval({ coefficient, low, high }: ByGroupResult['within'] | NonNullable<ByGroupResult['within']['meanOfZ']>): string {
  const limits = low !== null && high !== null ? ` ${formatInterval(low, high)}` : '';
  return `${formatCoefficient(coefficient ?? Number.NaN)}${limits}`;
}

/** The pair inside each group of the grouping variable. */
export function ByGroupSection(context: PairContext) {
  const { study, method, settings, pair } = context;
  const grouping = useGrouping(study);
  const by = grouping?.by ?? null;
  const usable = by !== null && by.id !== pair.x.id && by.id !== pair.y.id;
  const groups = useGroups(study, by);
  const { alternative, level } = settings;
  const { data, error } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'by-group', ...pairOf(context), by: by?.id ?? '', method, alternative, level }),
    enabled: usable && groups !== null,
  });
  if (grouping && !usable)
    return <p>{by ? `${displayName(by)} is of the pair itself.` : 'No variable makes groups.'} Choose a nominal or ordinal one.</p>;
  if (groups === null) return <p>{by && displayName(by)} has too many groups.</p>;
  if (error) return <FailureNotice error={error} />;
  if (!data || !groups || !grouping || !by)
    return <div role="status" aria-label="Computing the groups" className="h-32 rounded bg-rule/50" />;
  const labels = new Map(groups.map(({ value, label }) => [value, label]));
  const symbol = COEFFICIENTS[method].symbol;
  const { homogeneity, within } = data;
  return (
    <div data-testid="by-group">
      <label className="mb-1 inline-flex items-center gap-1 text-[13px] text-muted">
        Groups of
        <select
          className="rounded border border-transparent bg-transparent py-0.5 text-accent hover:border-edge"
          value={by.id}
          onChange={(event) => grouping.choose(event.target.value)}
        >
          {grouping.candidates.map((variable) => (
            <option key={variable.id} value={variable.id} className="bg-surface text-ink">
              {displayName(variable)}
            </option>
          ))}
        </select>
      </label>
      <table className="figures w-full text-[13px]">
        <thead>
          <tr className="border-b border-rule text-muted">
            <th scope="col" className="py-1 text-left font-normal">
              group
            </th>
            <th scope="col" className="text-right font-normal">
              n
            </th>
            <th scope="col" className="text-right font-normal">
              {symbol}
            </th>
            <th scope="col" className="text-right font-normal">
              interval
            </th>
            <th scope="col" className="text-right font-normal">
              p
            </th>
          </tr>
        </thead>
        <tbody>
          {[
            ...data.groups.slice(0, MOST_GROUPS).map(({ value, test }) => [labels.get(value) ?? String(value), test] as const),
            [ALL_ROWS, data.whole] as const,
          ].map(([label, test]) => (
            <tr key={label} className={`border-b border-rule ${label === ALL_ROWS ? 'font-semibold' : ''}`}>
              <th scope="row" className={`py-1 text-left ${label === ALL_ROWS ? 'font-semibold' : 'font-normal'}`}>
                {label}
              </th>
              <td className="text-right">{test.n}</td>
              <td className="text-right">{formatCoefficient(test.coefficient ?? Number.NaN)}</td>
              <td className="text-right whitespace-nowrap">
                {test.interval ? formatInterval(test.interval.low, test.interval.high) : '–'}
              </td>
              <td className="text-right">{test.pValue === null ? '–' : formatP(test.pValue, settings.levels)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-[13px]">
        {data.reversed && <strong>The sign reverses inside the groups. </strong>}
        {data.hidden && <strong>The groups hide an association. </strong>}
        {homogeneity.pValue === null
          ? 'Fewer than two groups are large enough to be compared.'
          : `${homogeneity.pValue <= (settings.levels[0] ?? 0.05) ? 'The groups’ coefficients differ' : 'No difference between the groups’ coefficients was detected'}: Q(${homogeneity.df}) = ${formatFixed(homogeneity.q ?? Number.NaN, 2)}, ${formatPRelation(homogeneity.pValue, settings.levels)}.`}{' '}
        {within.coefficient !== null && `Within groups, their means taken out: ${symbol} = ${withInterval(within)}.`}{' '}
        {within.meanOfZ &&
          `The groups’ spreads differ (up to ${formatFixed(within.spreadRatio ?? Number.NaN, 1)} : 1), which upsets the test of that one: the weighted mean of the groups’ z, ${symbol} = ${withInterval(within.meanOfZ)}, decides.`}{' '}
        {COEFFICIENTS[method].squareIsShared &&
          homogeneity.pValue !== null &&
          'Skewed variables make equal groups seem to differ: where the shape is marked, compare ρ.'}
      </p>
    </div>
  );
}
