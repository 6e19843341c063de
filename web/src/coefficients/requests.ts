import { type AnalysisInput, type AnalysisRows, type CorrelationSettings, ownMethods, type Study, type Variable } from '@ivlen/contract';
import type { Method } from '@ivlen/core';
import { askedRemedies } from '../remedies/remedy-words';

/** How each coefficient is computed under the settings; without the variables held constant that are in the pair itself. */
export function howOf({ alternative, level, interval, control }: CorrelationSettings) {
  return { alternative, level, interval, control };
}

/** The method of all pairs whose variables have none of their own. */
export function commonMethod({ methods }: CorrelationSettings): Method {
  return methods[0] ?? 'pearson';
}

/** Variables that are correlated: those held constant are not among them. */
export function correlatedVariables(variables: readonly Variable[], { control }: CorrelationSettings): Variable[] {
  return variables.filter(({ id }) => !control.includes(id));
}

/**
 * The request for the matrix by one method. Its variables are in the order of the codebook whatever the order on screen,
 * so that another order computes nothing.
 */
export function matrixRequest(study: Study, variables: readonly Variable[], settings: CorrelationSettings, method: Method) {
  const wanted = new Set(variables.map(({ id }) => id));
  return {
    kind: 'correlation',
    variables: study.state.variables.flatMap(({ id }) => (wanted.has(id) ? [id] : [])),
    method,
    byVariable: method === commonMethod(settings) ? ownMethods(study.state) : {},
    remedies: askedRemedies(study.state.remedies, variables),
    rows: rowsOf(settings, variables),
    ...howOf(settings),
  } as const satisfies AnalysisInput;
}

/** The rows that every coefficient of a set rests on: whatever each has of its own, or those complete for the whole set. */
export function rowsOf(settings: CorrelationSettings, variables: readonly Variable[]): AnalysisRows {
  return { completeFor: completeForOf(settings, variables).sort(), group: null };
}

/** Listwise deletion rests on the whole working set. */
export function completeForOf(settings: CorrelationSettings, variables: readonly Variable[]): string[] {
  return settings.missing === 'listwise' ? [...new Set([...variables.map(({ id }) => id), ...settings.control])] : [];
}
