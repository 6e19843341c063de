import { listwiseColumns } from '../columns/complete-rows';
import { kendall } from '../correlation/kendall';
import { assertLevel, assertMethod, assertPositiveInteger, assertSameLength } from '../correlation/options';
import { pearson } from '../correlation/pearson';
import { spearman } from '../correlation/spearman';
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

const COEFFICIENT = { pearson, spearman, kendall } as const;

/**
 * Percentile bootstrap interval of the difference of two coefficients that share a variable, that of a and b less that of
 * a and c: for ranks, which have no closed formula. Rows complete for all three are drawn together.
 * Source: Efron (1979); for dependent correlations Wilcox (2009).
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 */
export function bootstrapDifference(
  a: Float64Array,
  b: Float64Array,
  c: Float64Array,
  { method, replicates = 2000, seed = 1, level = 0.95, onProgress }: BootstrapDifferenceOptions,
): BootstrapInterval {
  assertMethod(method);
  assertSameLength(a, b, c);
  assertLevel(level);
  assertPositiveInteger('replicates', replicates);
  const columns = listwiseColumns([a, b, c]);
  const n = columns[0].length;
  const test = COEFFICIENT[method];
  const difference = ([x, y, z]: readonly Float64Array[]) => test(x, y).coefficient - test(x, z).coefficient;
  if (n < 3 || Number.isNaN(difference(columns))) {
    return {
      interval: null,
      undefinedResamples: 0,
      kind: 'percentile',
      z0: Number.NaN,
      acceleration: Number.NaN,
      standardError: Number.NaN,
    };
  }
  const drawn = columns.map(() => new Float64Array(n));
  const statistic = (rows: Int32Array) => {
    columns.forEach((column, k) => {
      for (let i = 0; i < n; i++) drawn[k][i] = column[rows[i]];
    });
    return difference(drawn);
  };
  return bootstrapInterval({ n, statistic, replicates, seed, level, ...(onProgress ? { onProgress } : {}) });
}
