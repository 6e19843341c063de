import {
  ALL_ROWS,
  type CorrelationSettings,
  ownMethods,
  type RequestOf,
  type ShapeSettings,
  type Study,
  shapeSettingsSchema,
  type Variable,
} from '@ivlen/contract';
import type { TakingPart } from '../settings/use-grouping';
import { commonMethod, rowsOf } from './requests';

export type CautionsRequest = RequestOf<'cautions'>;

/** Stands where the settings of other stages have not come yet. */
export const NO_CAUTIONS_REQUEST: CautionsRequest = {
  kind: 'cautions',
  variables: [],
  method: 'pearson',
  byVariable: {},
  alternative: 'two-sided',
  rows: ALL_ROWS,
  shapeRule: shapeSettingsSchema.parse({}).rule,
  groupBy: null,
  groupsOnly: null,
  alpha: 0.05,
  withChecks: false,
};

/** What a reader should know about the coefficients among some variables, by the rules of all stages. */
export function cautionsRequest(
  study: Study,
  variables: readonly Variable[],
  settings: CorrelationSettings,
  shapeRule: ShapeSettings['rule'],
  taking: TakingPart | null,
): CautionsRequest {
  const wanted = new Set(variables.map(({ id }) => id));
  return {
    ...NO_CAUTIONS_REQUEST,
    variables: study.state.variables.flatMap(({ id }) => (wanted.has(id) ? [id] : [])),
    method: commonMethod(settings),
    byVariable: ownMethods(study.state),
    alternative: settings.alternative,
    rows: rowsOf(settings, variables),
    shapeRule,
    groupBy: taking?.by.id ?? null,
    groupsOnly: taking?.request.only ?? null,
    alpha: settings.levels[0] ?? 0.05,
  };
}
