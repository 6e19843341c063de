import type { ChangeOf, StudyState } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { variableOf } from '../columns/columns';
import { type AppliedChange, nothingChanges } from './applied-change';

/** Has the pairs of one variable correlated by a method of their own, or as all others are. */
export function setPairMethod(state: StudyState, { variable: id, method }: ChangeOf<'set-pair-method'>): AppliedChange {
  const variable = variableOf({ state }, id);
  if ((state.pairMethods[id] ?? null) === method) throw nothingChanges();
  const { [id]: _, ...others } = state.pairMethods;
  return {
    kind: 'pair-method',
    summary: method
      ? `Pairs with ${variable.name} by ${COEFFICIENTS[method].name}`
      : `Pairs with ${variable.name} by the same method as the others`,
    state: { ...state, pairMethods: method ? { ...others, [id]: method } : others },
  };
}
