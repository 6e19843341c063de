import { completePair } from '../columns/complete-rows';
import { assertMethod } from '../correlation/assert-method';
import { METHODS } from '../correlation/methods';
import { assertLevel, assertPositiveInteger, assertSameLength } from '../correlation/options';
import type { Method } from '../correlation/types';
import { type BootstrapInterval, bootstrapInterval } from './bootstrap-interval';

export interface BootstrapOptions {
  method: Method;
  /** Default 2,000. */
  replicates?: number;
  /** Default 1. The same seed gives the same interval. */
  seed?: number;
  /** Default .95. */
  level?: number;
  /** Default 'bca'. */
  kind?: 'percentile' | 'bca';
  /** Told now and then how many replicates are done. */
  onProgress?: (done: number) => void;
}

export interface BootstrapCorrelation extends BootstrapInterval {
  readonly method: Method;
  readonly coefficient: number;
  readonly n: number;
  readonly replicates: number;
  readonly seed: number;
}

/**
 * Bootstrap interval of a correlation coefficient; rows are drawn together.
 *
 * Source: Efron (1979), percentile; Efron (1987), BCa, which falls back to percentile (and says so in `kind`) where
 * its bias correction is infinite or the leave-one-out values do not vary. Resamples in which a variable does not vary
 * are drawn again and counted; over 5 % of them leave no interval. Missing values (NaN): rows complete for both.
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 *
 * @example
 * bootstrapCorrelation(Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8), Float64Array.of(1, 3, 2, 5, 4, 7, 6, 8),
 *   { method: 'pearson', replicates: 200 }).coefficient; // 0.928571
 */
export function bootstrapCorrelation(
  x: Float64Array,
  y: Float64Array,
  { method, replicates = 2000, seed = 1, level = 0.95, kind = 'bca', onProgress }: BootstrapOptions,
): BootstrapCorrelation {
  assertMethod(method);
  assertSameLength(x, y);
  assertLevel(level);
  assertPositiveInteger('replicates', replicates);
  if (kind !== 'bca' && kind !== 'percentile') throw new RangeError(`kind must be percentile or bca; got ${String(kind)}`);
  const pair = completePair(x, y);
  const n = pair.x.length;
  const { coefficient, without } = METHODS[method].leaveOneOut(pair.x, pair.y);
  const common = { method, coefficient, n, replicates, seed };
  if (Number.isNaN(coefficient)) {
    return {
      ...common,
      interval: null,
      undefinedResamples: 0,
      kind: 'percentile',
      z0: Number.NaN,
      acceleration: Number.NaN,
      standardError: Number.NaN,
    };
  }
  // The estimate goes through the same arithmetic as its replicates, so that ties with it are recognised.
  const statistic = METHODS[method].resampled(pair.x, pair.y);
  const estimate = statistic(Int32Array.from({ length: n }, (_, i) => i));
  const request = { n, statistic, replicates, seed, level, ...(onProgress ? { onProgress } : {}) };
  return { ...common, ...bootstrapInterval(kind === 'bca' ? { ...request, bca: { estimate, leaveOneOut: without } } : request) };
}
