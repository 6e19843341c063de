import type { PairCaution, Study, Variable } from '@ivlen/contract';
import { type AdvisedVariable, adviseMethod, type MethodAdvice } from '@ivlen/core';
import { useQueries, useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../api/queries';
import { usePairCautions } from '../coefficients/use-pair-cautions';
import { displayName } from '../study/variable-name';
import { cautionedPair, type PairContext } from './pair-request';

/** From so many rows on the advice does not ask the Shapiro–Wilk test. */
const SMALL = 50;

/**
 * What the advice rests on of each variable: kind, shape, how many different values, and in small samples the Shapiro–Wilk test.
 * @param n rows complete for both, as far as it is known
 */
export function useAdvisedVariables(
  study: Study,
  variables: readonly Variable[],
  n: number,
  marked: ReadonlyMap<string, string>,
): readonly AdvisedVariable[] {
  const { data: summary } = useQuery(analysisQuery(study.id, study.head, { kind: 'summary' }));
  const shapes = useQueries({
    queries: variables.map(({ id }) => ({ ...analysisQuery(study.id, study.head, { kind: 'shape', variable: id }), enabled: n < SMALL })),
  });
  return variables.map((variable, i) => ({
    name: displayName(variable),
    shape: marked.get(variable.id) ?? null,
    ordinal: variable.kind === 'ordinal',
    // Two values are no scale with few steps: r is then a difference of two means.
    distinct: variable.kind === 'two-valued' ? null : (summary?.variables.find(({ id }) => id === variable.id)?.distinct ?? null),
    shapiroWilkP: variable.kind === 'two-valued' ? null : (shapes[i]?.data?.tests['shapiro-wilk'].pValue ?? null),
  }));
}

/** Which coefficient suits a pair: from the kinds, shapes and values of its variables and the cautions of the pair, never from p. */
export function usePairAdvice(context: PairContext, n: number, marked: ReadonlyMap<string, string>): MethodAdvice {
  const { study, pair } = context;
  const found = usePairCautions(cautionedPair(context)).found?.pairs[0]?.cautions ?? [];
  const [x, y] = useAdvisedVariables(study, [pair.x, pair.y], n, marked);
  if (!x || !y) throw new Error('a pair has two variables');
  return adviseMethod(x, y, { n, disagree: has(found, DISAGREE), oneRow: has(found, ['one-point']) });
}

const DISAGREE: readonly PairCaution['code'][] = ['method-disagreement', 'curved'];

function has(cautions: readonly PairCaution[], codes: readonly PairCaution['code'][]): boolean {
  return cautions.some(({ code, level }) => level === 'could-change' && codes.includes(code));
}
