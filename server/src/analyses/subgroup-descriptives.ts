import type { GroupDescription, RequestOf, SubgroupDescriptivesResult } from '@ivlen/contract';
import { describe, isRangeRestricted } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { groupingOf, groupLabels } from './group-labels';
import { allCorrelatable } from './needed-variables';

/** What each variable is like in each group, and where its spread is so small that it lowers r. */
export const subgroupDescriptives: AnalysisModule<'subgroup-descriptives'> = {
  needs: ({ variables, groups }, all) => [...allCorrelatable(all, variables), groupingOf(groups, all)],
  run: describeGroups,
};

function describeGroups(
  { variables, groups: of }: RequestOf<'subgroup-descriptives'>,
  columns: AnalysisColumns,
): SubgroupDescriptivesResult {
  const { labels, groups } = groupLabels(of, columns);
  const present = [...new Set(labels)].filter((label) => label === label).sort((a, b) => a - b);
  return {
    kind: 'subgroup-descriptives',
    groups: [...groups],
    variables: variables.map((id) => {
      const values = columnOf(columns, id);
      const whole = descriptionOf(values.filter((_, row) => labels[row] === labels[row]));
      const each = present.map((label) => descriptionOf(values.filter((_, row) => labels[row] === label)));
      const restricted = [...each.keys()].filter((k) => isRangeRestricted(each[k]?.sd ?? Number.NaN, whole.sd ?? Number.NaN));
      return { id, whole, groups: each, restricted };
    }),
  };
}

function descriptionOf(values: Float64Array): GroupDescription {
  const { n, missing, mean, sd, skewness, skewnessSe, excessKurtosis, excessKurtosisSe } = describe(values);
  return {
    n,
    missing,
    mean: finiteOrNull(mean),
    sd: finiteOrNull(sd),
    skewness: finiteOrNull(skewness),
    skewnessSe: finiteOrNull(skewnessSe),
    excessKurtosis: finiteOrNull(excessKurtosis),
    excessKurtosisSe: finiteOrNull(excessKurtosisSe),
  };
}
