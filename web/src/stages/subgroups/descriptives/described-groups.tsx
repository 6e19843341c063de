import type { CorrelationSettings, GroupDescription, ShapeSettings, SubgroupDescriptivesResult, Variable } from '@ivlen/contract';
import { formatFixed, isShapeMarked } from '@ivlen/core';
import { rowsOf } from '../../../coefficients/requests';
import { formatMeasured } from '../../../figures/format-measured';
import { type ShownGroup, shownGroups } from '../../../groups/compared-pairs';
import type { TakingPart } from '../../../settings/use-grouping';
import { axisLabel, displayName } from '../../../study/variable-name';
import type { ValueTable } from '../../../tables/columns';

export interface DescribedGroup {
  readonly variable: Variable;
  /** null: over all of them. */
  readonly group: ShownGroup | null;
  readonly d: GroupDescription;
  readonly restricted: boolean;
}

export function groupDescriptivesRequest(
  variables: readonly Variable[],
  settings: CorrelationSettings,
  { request }: Pick<TakingPart, 'request'>,
) {
  return {
    kind: 'subgroup-descriptives',
    variables: variables.map(({ id }) => id).toSorted(),
    groups: request,
    rows: rowsOf(settings, variables),
  } as const;
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

/** A line for each variable in each group, and over all of them. */
export function describedGroups(data: SubgroupDescriptivesResult, variables: readonly Variable[], taking: TakingPart): DescribedGroup[] {
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
export function groupDescriptivesTable(
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
