import type { ByGroupResult, Variable } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../api/queries';
import { sidedness } from '../coefficients/sentence-parts';
import { FailureNotice } from '../controls/failure-notice';
import { Skeleton } from '../controls/skeleton';
import { coefficientText, intervalText, pRelationText, pText } from '../numbers/number-text';
import { type Grouping, useGrouping, useGroups } from '../settings/use-grouping';
import { displayName } from '../study/variable-name';
import type { TableColumn, ValueTable } from '../tables/columns';
import { intervalColumns } from '../tables/interval-columns';
import { ValueTableView } from '../tables/value-table-view';
import { type PairContext, pairOf } from './pair-request';

const MOST_GROUPS = 40;

interface GroupLine {
  readonly label: string;
  readonly test: ByGroupResult['whole'];
  readonly isWhole: boolean;
}

function groupColumns(symbol: string, settings: PairContext['settings']): TableColumn<GroupLine>[] {
  return [
    { name: 'group', shown: ({ label }) => label },
    { name: 'n', shown: ({ test }) => String(test.n), exact: ({ test }) => test.n },
    { name: symbol, shown: ({ test }) => coefficientText(test.coefficient ?? Number.NaN), exact: ({ test }) => test.coefficient },
    ...intervalColumns<GroupLine>(`interval${sidedness(settings)}`, ({ test }) => test.interval),
    {
      name: 'p',
      shown: ({ test }) => (test.pValue === null ? '–' : pText(test.pValue, settings.levels)),
      exact: ({ test }) => test.pValue,
    },
  ];
}

function withInterval({ coefficient, low, high }: ByGroupResult['within'] | NonNullable<ByGroupResult['within']['meanOfZ']>): string {
  const limits = low !== null && high !== null ? ` ${intervalText(low, high)}` : '';
  return `${coefficientText(coefficient ?? Number.NaN)}${limits}`;
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
  if (grouping && !usable) {
    return (
      <>
        <p>{whyNoGroups(by, grouping)}</p>
        {grouping.candidates.length > 0 && <GroupChoice grouping={grouping} />}
      </>
    );
  }
  if (groups === null) return <p>{by && displayName(by)} has too many groups.</p>;
  if (error) return <FailureNotice error={error} />;
  if (!data || !groups || !grouping || !by) return <Skeleton label="Computing the groups" className="h-32" />;
  const labels = new Map(groups.map(({ value, label }) => [value, label]));
  const symbol = COEFFICIENTS[method].symbol;
  const { homogeneity, within } = data;
  const table: ValueTable<GroupLine> = {
    caption: `${displayName(pair.x)} × ${displayName(pair.y)} by ${displayName(by)}`,
    columns: groupColumns(symbol, settings),
    rows: [
      ...data.groups.slice(0, MOST_GROUPS).map(({ value, test }) => ({ label: labels.get(value) ?? String(value), test, isWhole: false })),
      { label: 'all rows', test: data.whole, isWhole: true },
    ],
    isStrong: ({ isWhole }) => isWhole,
  };
  return (
    <div data-testid="by-group">
      <GroupChoice grouping={grouping} />
      <ValueTableView table={table} className="w-full text-[13px]" />
      <p className="mt-2 text-[13px]">
        {data.reversed && <strong>The sign reverses inside the groups. </strong>}
        {data.hidden && <strong>The groups hide an association. </strong>}
        {homogeneity.pValue === null
          ? 'Fewer than two groups are large enough to be compared.'
          : `${homogeneity.pValue <= (settings.levels[0] ?? 0.05) ? 'The groups’ coefficients differ' : 'No difference between the groups’ coefficients was detected'}: Q(${homogeneity.df}) = ${formatFixed(homogeneity.q ?? Number.NaN, 2)}, ${pRelationText(homogeneity.pValue, settings.levels)}.`}{' '}
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

function whyNoGroups(by: Variable | null, { candidates }: Grouping): string {
  if (by) return `${displayName(by)} is of the pair itself. Choose another variable.`;
  if (candidates.length === 0) return 'No variable makes groups: none is nominal, ordinal or two-valued.';
  return 'No grouping variable is chosen.';
}

function GroupChoice({ grouping: { by, candidates, choose } }: { grouping: Grouping }) {
  return (
    <label className="mb-1 inline-flex items-center gap-1 text-[13px] text-muted">
      Groups of
      <select
        className="rounded border border-transparent bg-transparent py-0.5 text-accent hover:border-edge"
        value={by?.id ?? ''}
        onChange={(event) => choose(event.target.value)}
      >
        {!by && <option value="">choose a variable</option>}
        {candidates.map((variable) => (
          <option key={variable.id} value={variable.id} className="bg-surface text-ink">
            {displayName(variable)}
          </option>
        ))}
      </select>
    </label>
  );
}
