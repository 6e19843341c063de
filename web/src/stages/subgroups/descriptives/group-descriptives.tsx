import { type GroupDescription, type ShapeSettings, type SubgroupDescriptivesResult, shapeSettingsSchema } from '@ivlen/contract';
import { formatFixed, isShapeMarked } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../../../api/queries';
import { rowsOf } from '../../../coefficients/requests';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { formatMeasured } from '../../../figures/format-measured';
import { type ShownGroup, shownGroups } from '../../../groups/compared-pairs';
import { groupsInWords } from '../../../groups/words';
import { PinButton } from '../../../pins/pin-button';
import { ruleInWords } from '../../../settings/shape-rule-in-words';
import { useSettings } from '../../../settings/use-settings';
import { axisLabel, displayName } from '../../../study/variable-name';
import type { ValueTable } from '../../../tables/columns';
import { ValueTableView } from '../../../tables/value-table-view';
import type { SubgroupProps } from '../stage-props';

const SHAPE_DEFAULTS = shapeSettingsSchema.parse({});

interface DescribedGroup {
  readonly variable: SubgroupProps['variables'][number];
  /** null: over all of them. */
  readonly group: ShownGroup | null;
  readonly d: GroupDescription;
  readonly restricted: boolean;
}

/** What each variable is like in each group: a group’s smaller spread alone can lower its coefficients. */
export function GroupDescriptives({ study, variables, settings, taking }: Omit<SubgroupProps, 'compared' | 'layout' | 'patch'>) {
  const { settings: shape } = useSettings(study.id, 'shape', SHAPE_DEFAULTS);
  const request = {
    kind: 'subgroup-descriptives',
    variables: variables.map(({ id }) => id).toSorted(),
    groups: taking.request,
    rows: rowsOf(settings, variables),
  } as const;
  const { data, error } = useQuery(analysisQuery(study.id, study.head, request));
  if (error) return <FailureNotice error={error} />;
  if (!data || !shape) return <Skeleton label="Describing the groups" className="h-72" />;
  const lines = linesOf(data, variables, taking);
  const narrow = lines.filter(({ restricted }) => restricted);
  const table = descriptivesTable(lines, groupsInWords(taking), shape.rule);
  return (
    <>
      {narrow.length > 0 && (
        <div className="mb-3 border-l-4 border-caution bg-caution-soft px-3 py-2 text-[13px]" data-testid="narrow-groups">
          <p>
            <strong>Narrow range.</strong> Below two thirds of the SD over all of them: {narrowInWords(lines)}. Coefficients with these can
            be lower there for that alone; an opened pair says by how much, and what r would be over the whole range.
          </p>
        </div>
      )}
      <ValueTableView
        table={table}
        fileName={`${study.name} by group`}
        captionShown
        stickyHead
        className="w-full text-[13px]"
        testId="group-descriptives"
      />
      <p className="mt-2 flex items-center gap-4 text-[13px] text-muted">
        ° marked by its shape: {ruleInWords(shape.rule)}. ‹ a narrow range.
        <PinButton
          study={study}
          pinned={{
            stage: 'subgroups',
            thing: 'table',
            title: table.caption,
            request,
            settings: { ...settings, groups: taking.request, view: 'descriptives' },
          }}
        />
      </p>
    </>
  );
}

/** "elevation (every group), canopy cover (Birk, Dray)". */
export function narrowInWords(lines: readonly DescribedGroup[]): string {
  const variables = [...new Set(lines.filter(({ restricted }) => restricted).map(({ variable }) => variable))];
  return variables
    .map((variable) => {
      const own = lines.filter((line) => line.variable === variable && line.group !== null);
      const narrow = own.filter(({ restricted }) => restricted);
      const which = narrow.length === own.length ? 'every group' : narrow.map(({ group }) => group?.label).join(', ');
      return `${displayName(variable)} (${which})`;
    })
    .join(', ');
}

function linesOf(
  data: SubgroupDescriptivesResult,
  variables: SubgroupProps['variables'],
  taking: SubgroupProps['taking'],
): DescribedGroup[] {
  const groups = shownGroups(data, taking);
  const byId = new Map(data.variables.map((item) => [item.id, item]));
  return variables.flatMap((variable) => {
    const found = byId.get(variable.id);
    if (!found) return [];
    return [
      ...groups.flatMap((group): DescribedGroup[] => {
        const d = found.groups[group.place];
        return d ? [{ variable, group, d, restricted: found.restricted.includes(group.place) }] : [];
      }),
      { variable, group: null, d: found.whole, restricted: false },
    ];
  });
}

/** Means and SDs of each variable in each group. */
export function descriptivesTable(
  lines: readonly DescribedGroup[],
  groups: string,
  rule: ShapeSettings['rule'],
): ValueTable<DescribedGroup> {
  const number = (name: string, of: (d: GroupDescription) => number | null) => ({
    name,
    shown: ({ d, variable }: DescribedGroup) => formatMeasured(of(d), d.sd, variable.decimals),
    exact: ({ d }: DescribedGroup) => of(d),
  });
  const shape = (name: string, of: (d: GroupDescription) => number | null) => ({
    name,
    shown: ({ d }: DescribedGroup) => (of(d) === null ? '–' : formatFixed(of(d) ?? Number.NaN, 2)),
    exact: ({ d }: DescribedGroup) => of(d),
  });
  return {
    caption: `Means and standard deviations in ${groups}`,
    columns: [
      {
        name: 'variable',
        shown: ({ variable }) => axisLabel(variable),
        onScreen: ({ variable, group }) =>
          group === lines[0]?.group || lines[0]?.group === null ? (
            axisLabel(variable)
          ) : (
            <span className="sr-only">{axisLabel(variable)}</span>
          ),
      },
      { name: 'group', align: 'left', shown: ({ group }) => group?.label ?? 'all of them' },
      { name: 'n', shown: ({ d }) => String(d.n), exact: ({ d }) => d.n },
      { name: 'missing', shown: ({ d }) => String(d.missing), exact: ({ d }) => d.missing },
      number('mean', ({ mean }) => mean),
      {
        ...number('SD', ({ sd }) => sd),
        shown: ({ d, variable, restricted }) => `${formatMeasured(d.sd, d.sd, variable.decimals)}${restricted ? ' ‹' : ''}`,
      },
      shape('skewness', ({ skewness }) => skewness),
      {
        ...shape('excess kurtosis', ({ excessKurtosis }) => excessKurtosis),
        shown: ({ d }) => `${d.excessKurtosis === null ? '–' : formatFixed(d.excessKurtosis, 2)}${isMarked(d, rule) ? ' °' : ''}`,
      },
    ],
    rows: lines,
    isStrong: ({ group }) => group === null,
  };
}

function isMarked({ skewness, skewnessSe, excessKurtosis, excessKurtosisSe }: GroupDescription, rule: ShapeSettings['rule']): boolean {
  if (skewness === null || excessKurtosis === null) return false;
  return isShapeMarked(
    { skewness, skewnessSe: skewnessSe ?? Number.NaN, excessKurtosis, excessKurtosisSe: excessKurtosisSe ?? Number.NaN },
    rule,
  );
}
