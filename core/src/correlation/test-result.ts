import type { ResolvedCorrelationOptions } from './options';
import type { CorrelationTest, UndefinedBecause } from './types';

/** Fewer complete rows than this leave no degrees of freedom for a test. */
export const FEWEST_ROWS = 3;

/** Which of the two variables does not vary, if any. */
export function constantReason(x: boolean, y: boolean): UndefinedBecause | null {
  if (x && y) return 'constant-both';
  if (x) return 'constant-x';
  return y ? 'constant-y' : null;
}

/** A test without a result, and why. */
export function undefinedTest(
  undefinedBecause: UndefinedBecause,
  n: number,
  { method, alternative, approximateP }: Pick<ResolvedCorrelationOptions, 'method' | 'alternative' | 'approximateP'>,
): CorrelationTest {
  return {
    method,
    coefficient: Number.NaN,
    n,
    pValue: Number.NaN,
    log10P: Number.NaN,
    pMethod: approximateP,
    statistic: null,
    alternative,
    interval: null,
    zVariance: Number.NaN,
    undefinedBecause,
  };
}
