import { assertCoefficient, assertSize } from '../comparison/coefficient';
import { resolveCorrelationOptions } from './options';
import { PEARSON, testFromProduct } from './pearson';
import { FEWEST_ROWS, undefinedTest } from './test-result';
import type { Alternative, CorrelationTest } from './types';

export interface ReportedOptions {
  /** Default 'two-sided'. */
  alternative?: Alternative;
  /** Default .95. */
  level?: number;
}

/**
 * Test and interval of a Pearson correlation that is known only by its value and n, as papers report it: t with n − 2
 * degrees of freedom and Fisher's z (1921), as in `pearson`. Fewer than 3 rows are undefined.
 * @throws {RangeError} a coefficient outside [−1, 1], a size that is no whole number, or an option that does not exist.
 *
 * @example
 * testReported({ coefficient: 0.42, n: 36 }).pValue; // 0.0107653
 */
export function testReported({ coefficient, n }: { coefficient: number; n: number }, options: ReportedOptions = {}): CorrelationTest {
  assertCoefficient('coefficient', coefficient);
  assertSize(n);
  const resolved = resolveCorrelationOptions(PEARSON, options);
  if (n < FEWEST_ROWS) return undefinedTest('too-few-cases', n, resolved);
  return testFromProduct({ r: coefficient, oneMinusAbs: 1 - Math.abs(coefficient) }, n, resolved, () => Number.NaN);
}
