import type { ChangeOf, StudyState } from '@ivlen/contract';
import { variableOf } from '../columns/columns';
import { type AppliedChange, nothingChanges } from './applied-change';

/** Coefficients as sentences call them. */
export const METHOD_NAMES = { pearson: 'Pearson’s r', spearman: 'Spearman’s ρ', kendall: 'Kendall’s τ' } as const;

/** Has the pairs of one variable correlated by a method of their own, or as all others are. */
export function setPairMethod(state: StudyState, { variable: id, method }: ChangeOf<'set-pair-method'>): AppliedChange {
  const variable = variableOf({ state }, id);
  if ((state.pairMethods[id] ?? null) === method) throw nothingChanges();
  const { [id]: _, ...others } = state.pairMethods;
  return {
    kind: 'pair-method',
    summary: method
      ? `Pairs with ${variable.name} by ${METHOD_NAMES[method]}`
      : `Pairs with ${variable.name} by the same method as the others`,
    state: { ...state, pairMethods: method ? { ...others, [id]: method } : others },
  };
}
