import { listwiseColumns } from '../columns/complete-rows';
import { assertMethod } from '../correlation/assert-method';
import { METHODS } from '../correlation/methods';
import { assertLevel, assertPositiveInteger, assertSameLength } from '../correlation/options';
import type { Method } from '../correlation/types';
import { type BootstrapInterval, bootstrapInterval } from '../resampling/bootstrap-interval';

export interface BootstrapDifferenceOptions {
  method: Method;
  /** Default 2,000. */
  replicates?: number;
  /** Default 1. */
  seed?: number;
  /** Default .95. */
  level?: number;
  /** Told now and then how many replicates are done. */
  onProgress?: (done: number) => void;
}

/**
 * Percentile bootstrap interval of the difference of two coefficients that share a variable, that of a and b less that of
 * a and c: for ranks, which have no closed formula. Rows complete for all three are drawn together.
 * Source: Efron (1979); for dependent correlations Wilcox (2009).
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 *
 * @example
 * bootstrapDifference(Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8), Float64Array.of(1, 3, 2, 5, 4, 7, 6, 8),
 *   Float64Array.of(2, 1, 4, 6, 3, 8, 5, 7), { method: 'kendall', replicates: 200 }).kind; // 'percentile'
 */
export function bootstrapDifference(
  a: Float64Array,
  b: Float64Array,
  c: Float64Array,
  options: BootstrapDifferenceOptions,
): BootstrapInterval {
  return bootstrapDifferenceOfPairs([a, b], [a, c], options);
}

/**
 * The same of two pairs that share no variable, or the same two measured twice: the coefficient of the first pair less
 * that of the second, over the rows complete for all of them.
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 *
 * @example
 * bootstrapDifferenceOfPairs([Float64Array.of(1, 2, 3, 4, 5, 6), Float64Array.of(1, 3, 2, 5, 4, 6)],
 *   [Float64Array.of(2, 1, 4, 6, 3, 5), Float64Array.of(3, 1, 2, 6, 4, 5)], { method: 'spearman', replicates: 200 }).kind; // 'percentile'
 */
export function bootstrapDifferenceOfPairs(
  first: readonly [Float64Array, Float64Array],
  second: readonly [Float64Array, Float64Array],
  { method, replicates = 2000, seed = 1, level = 0.95, onProgress }: BootstrapDifferenceOptions,
): BootstrapInterval {
  assertMethod(method);
  assertSameLength(...first, ...second);
  assertLevel(level);
  assertPositiveInteger('replicates', replicates);
  const [a, b, c, d] = listwiseColumns([...first, ...second]);
  const n = a.length;
  const { resampled } = METHODS[method];
  const [ofFirst, ofSecond] = [resampled(a, b), resampled(c, d)];
  const statistic = (rows: Int32Array) => ofFirst(rows) - ofSecond(rows);
  if (n < 3 || Number.isNaN(statistic(Int32Array.from({ length: n }, (_, i) => i)))) {
    return {
      interval: null,
      undefinedResamples: 0,
      kind: 'percentile',
      z0: Number.NaN,
      acceleration: Number.NaN,
      standardError: Number.NaN,
    };
  }
  return bootstrapInterval({ n, statistic, replicates, seed, level, ...(onProgress ? { onProgress } : {}) });
}
