import type { AnalysisInput, CorrelationSettings, PairResult, Question, StatedHypothesis, Study, Variable } from '@ivlen/contract';
import { adjustPValues, type EquivalenceTest, equivalenceTest } from '@ivlen/core';
import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery } from '../../../api/queries';
import { howOf, rowsOf } from '../../../coefficients/requests';
import { askedRemedy } from '../../../remedies/remedy-words';
import { ALTERNATIVE } from './expectation-words';

/** What came of a hypothesis; undefined while it is computed or not to be shown. */
export interface Decision {
  readonly result: PairResult;
  /** The p that decides: adjusted where p-values are. */
  readonly p: number;
  readonly adjusted: boolean;
  /** null where there is no p. */
  readonly rejected: boolean | null;
  readonly equivalence: EquivalenceTest | null;
}

/** The decisions of a question's hypotheses whose results are shown, at the first level; adjusted within the question. */
export function useDecisions(
  study: Study,
  { hypotheses }: Question,
  settings: CorrelationSettings,
  variables: readonly Variable[],
): readonly (Decision | undefined)[] {
  const results = useQueries({
    queries: hypotheses.map((hypothesis) => ({
      ...analysisQuery(study.id, study.head, hypothesisRequest(study, hypothesis, settings, variables)),
      enabled: hypothesis.shown,
    })),
    combine: (found) => found.map(({ data }) => data),
  });
  return useMemo(() => decisionsOf(hypotheses, results, settings), [hypotheses, results, settings]);
}

/** The request that answers a hypothesis. */
export function hypothesisRequest(
  study: Study,
  { x, y, expectation }: Pick<StatedHypothesis, 'x' | 'y' | 'expectation'>,
  settings: CorrelationSettings,
  variables: readonly Variable[],
) {
  const rows = rowsOf(settings, variables);
  const remedy = askedRemedy(study, x, y, variables);
  return { kind: 'pair', x, y, rows, ...howOf(settings), alternative: ALTERNATIVE[expectation], remedy } as const satisfies AnalysisInput;
}

export function decisionsOf(
  hypotheses: readonly StatedHypothesis[],
  results: readonly (PairResult | undefined)[],
  { adjust, levels }: Pick<CorrelationSettings, 'adjust' | 'levels'>,
): (Decision | undefined)[] {
  const alpha = levels[0] ?? 0.05;
  const raw = hypotheses.map(({ method }, i) => results[i]?.tests[method].pValue ?? Number.NaN);
  const deciding = adjust === 'none' ? raw : [...adjustPValues(raw, adjust)];
  return hypotheses.map(({ method, bound }, i): Decision | undefined => {
    const result = results[i];
    if (!result) return undefined;
    const p = deciding[i] ?? Number.NaN;
    const { coefficient, n } = result.tests[method];
    // The test of equivalence knows the variance of coefficients of single rows only.
    const testable = bound !== null && coefficient !== null && alpha < 0.5 && result.without[method] === undefined;
    const equivalence = testable ? equivalenceTest({ coefficient, n }, bound, { method, alpha }) : null;
    return { result, p, adjusted: adjust !== 'none', rejected: Number.isNaN(p) ? null : p <= alpha, equivalence };
  });
}
