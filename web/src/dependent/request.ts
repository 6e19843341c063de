import type { AnalysisInput } from '@ivlen/contract';
import type { DependentQuestion } from './words';

/** The request behind a comparison of two coefficients of the same rows. */
export function dependentRequest({ first, second, turned, method, level }: DependentQuestion) {
  return {
    kind: 'dependent',
    first: { a: first.a.id, b: first.b.id },
    second: { a: second.a.id, b: second.b.id },
    turned,
    method,
    level,
  } as const satisfies AnalysisInput;
}
