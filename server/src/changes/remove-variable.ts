import { type StudyState, sourcesOf, subsetVariables, type Variable } from '@ivlen/contract';
import { variableOf } from '../columns/columns';
import { DomainError } from '../errors/domain-error';
import type { AppliedChange } from './applied-change';
import { remediesWithout } from './take-remedy';

/** Whether the reliability of a variable is estimated from another. */
function restsOn({ reliability }: Variable, id: string): boolean {
  return reliability?.kind === 'repeated' && reliability.columns.includes(id);
}

/** Takes a variable out of the study; its values stay with the earlier revisions. @throws {DomainError} 'depended-on' */
export function removeVariable(state: StudyState, id: string): AppliedChange {
  const variable = variableOf({ state }, id);
  const derived = state.variables.filter(({ derivation }) => derivation && sourcesOf(derivation).includes(id)).map(({ name }) => name);
  const subsets = state.namedSubsets.filter(({ subset }) => subsetVariables(subset).includes(id)).map(({ name }) => `the subset “${name}”`);
  const inSubset = state.subset && subsetVariables(state.subset).includes(id) ? ['the subset in use'] : [];
  const hypotheses = state.questions
    .filter((question) => question.hypotheses.some(({ x, y }) => x === id || y === id))
    .map(({ text }) => `a hypothesis of “${text}”`);
  const depending = [...derived, ...inSubset, ...subsets, ...hypotheses];
  if (depending.length > 0) {
    throw new DomainError('depended-on', `${variable.name} is needed by ${depending.join(', ')}.`, {
      where: variable.name,
      hint: 'Remove what depends on it first, or define it otherwise.',
    });
  }
  if (state.variables.length === 1) {
    throw new DomainError('last-variable', 'The last variable of a study cannot be removed.', { hint: 'Delete the study instead.' });
  }
  return {
    kind: 'removed',
    summary: `${variable.name} removed from the study`,
    state: {
      ...state,
      variables: state.variables
        .filter((item) => item !== variable)
        .map((item) => (restsOn(item, id) ? { ...item, reliability: null } : item)),
      accepted: state.accepted.filter((item) => item.variable !== id),
      remedies: remediesWithout(state.remedies, id),
      pairMethods: Object.fromEntries(Object.entries(state.pairMethods).filter(([key]) => key !== id)),
      leftOut: state.leftOut.filter((item) => item !== id),
      pairNotes: Object.fromEntries(Object.entries(state.pairNotes).filter(([key]) => !key.split('~').includes(id))),
    },
  };
}
