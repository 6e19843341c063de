import { type AnalysisInput, type CorrelationSettings, ownMethods, type Study, type Variable } from '@ivlen/contract';
import { commonMethod, howOf, rowsOf } from '../coefficients/requests';
import type { TakingPart } from '../settings/use-grouping';

/** What of the settings says how groups are compared. */
export type GroupSettings = CorrelationSettings;

/**
 * All pairs among some variables in each group. Variables are in the order of the codebook, so that another order on screen
 * computes nothing.
 * @param options.against the stored value of one group, to be compared with all others as one
 * @param options.completeFor variables that rows have to be complete for; under listwise deletion these variables
 */
export function subgroupsRequest(
  study: Study,
  variables: readonly Variable[],
  settings: GroupSettings,
  { request }: Pick<TakingPart, 'request'>,
  { against = null, completeFor = rowsOf(settings, variables).completeFor }: { against?: number | null; completeFor?: string[] } = {},
) {
  const wanted = new Set(variables.map(({ id }) => id));
  return {
    kind: 'subgroups',
    variables: study.state.variables.flatMap(({ id }) => (wanted.has(id) ? [id] : [])),
    method: commonMethod(settings),
    byVariable: ownMethods(study.state),
    groups: { ...request, against },
    rows: { completeFor, group: null },
    ...howOf(settings),
  } as const satisfies AnalysisInput;
}
