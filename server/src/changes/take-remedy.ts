import { type ChangeOf, pairKey, remedyOfPair, type StudyState, type TakenRemedy, variablesOfRemedy } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { variableOf } from '../columns/columns';
import { DomainError } from '../errors/domain-error';
import { countOf } from '../phrases/phrases';
import { type AppliedChange, nothingChanges } from './applied-change';

/** Has a caution’s advice done for some pairs, or for all, from now on; or no longer. */
export function takeRemedy(state: StudyState, { remedy, pairs }: ChangeOf<'take-remedy'>): AppliedChange {
  for (const id of variablesOfRemedy(remedy)) variableOf({ state }, id);
  const { remedies } = state;
  if (pairs === 'every') {
    if (remedy?.kind === 'method') {
      throw new DomainError('invalid-request', 'The coefficient of all pairs is chosen in the methods line.', { where: 'remedy' });
    }
    if (same(remedies.every, remedy)) throw nothingChanges();
    return {
      kind: 'remedy',
      summary: `All pairs ${remedyInWords(remedy, state)}`,
      state: { ...state, remedies: { ...remedies, every: remedy } },
    };
  }
  const keys = pairs.map(([a, b]) => pairKey(variableOf({ state }, a).id, variableOf({ state }, b).id));
  if (pairs.every(([a, b]) => same(remedyOfPair({ every: null, pairs: remedies.pairs }, a, b), remedy))) throw nothingChanges();
  const others = Object.fromEntries(Object.entries(remedies.pairs).filter(([key]) => !keys.includes(key)));
  const taken = remedy ? Object.fromEntries(keys.map((key) => [key, remedy])) : {};
  return {
    kind: 'remedy',
    summary: `${pairsInWords(pairs, state)} ${remedyInWords(remedy, state)}`,
    state: { ...state, remedies: { ...remedies, pairs: { ...others, ...taken } } },
  };
}

/** What a state keeps of its remedies when a variable goes. */
export function remediesWithout({ every, pairs }: StudyState['remedies'], id: string): StudyState['remedies'] {
  const needs = (remedy: TakenRemedy) => variablesOfRemedy(remedy).includes(id);
  return {
    every: every && needs(every) ? null : every,
    pairs: Object.fromEntries(Object.entries(pairs).filter(([key, remedy]) => !key.split('~').includes(id) && !needs(remedy))),
  };
}

function same(a: TakenRemedy | null, b: TakenRemedy | null): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

function pairsInWords(pairs: readonly (readonly [string, string])[], state: StudyState): string {
  const [first] = pairs;
  if (!first || pairs.length > 1) return countOf(pairs.length, 'pair');
  return first.map((id) => variableOf({ state }, id).name).join(' × ');
}

function remedyInWords(remedy: TakenRemedy | null, state: StudyState): string {
  const nameOf = (id: string) => variableOf({ state }, id).name;
  switch (remedy?.kind) {
    case undefined:
      return 'as without a remedy';
    case 'method':
      return `by ${COEFFICIENTS[remedy.method].name}`;
    case 'distribution-free':
      return 'with the distribution-free interval of r';
    case 'permutation':
      return 'with p by permutation';
    case 'within':
      return `within each ${nameOf(remedy.by)}`;
    case 'between':
      return `by the means of each ${nameOf(remedy.by)}`;
    case 'cases-drawn':
      return `with intervals from whole cases of ${nameOf(remedy.by)}`;
    case 'maximum-likelihood':
      return 'by maximum likelihood, with gaps';
    case 'behind-steps':
      return 'of the normal variables behind the steps';
    case 'below-limit':
      return `knowing the detection limits${remedy.logs ? ', on logarithms' : ''}`;
    case 'constant':
      return `holding ${remedy.held.map(nameOf).join(' and ')} constant`;
  }
}
