import { listwiseColumns } from '../columns/complete-rows';
import { applyReflections, factorize } from '../linear-algebra/householder';
import { centredUnit, sumOfSquares, type UnitColumn } from '../regression/unit-columns';
import { bootstrapInterval } from '../resampling/bootstrap-interval';
import { assertMethod } from './assert-method';
import { correlationP } from './correlation-p';
import { fisherInterval } from './fisher-interval';
import { METHODS, type MethodEntry, resolveOptionsOf } from './methods';
import { assertSameLength } from './options';
import { constantReason, FEWEST_ROWS, undefinedTest } from './test-result';
import type { Alternative, CorrelationTest, Method } from './types';
import { toUnitLength, unitProduct } from './unit-product';

export interface PartialOptions {
  method: Method;
  alternative?: Alternative;
  level?: number;
  /** For Kendall's interval, which has no formula: bootstrap replicates (default 2,000; 0 for no interval) and seed. */
  replicates?: number;
  seed?: number;
}

/** A partial correlation: a correlation test with the number of independent controls. */
export interface PartialCorrelation extends CorrelationTest {
  /** Rank of the controls: how many of them tell something of their own. */
  readonly controls: number;
}

/**
 * Correlation of x and y with controls held constant, over the rows complete for all of them.
 *
 * Pearson: correlation of the residuals on the controls; t on n − 2 − k degrees of freedom, k the rank of the controls;
 * variance of z 1/(n − k − 3) (Fisher 1924). Spearman: midranks first, then the same with 1.06/(n − k − 3) (Fieller,
 * Hartley & Pearson 1957). Kendall: one control, τ of Kendall (1942), no p-value, percentile bootstrap interval.
 * A variable that the controls tell completely counts as constant.
 * @throws {RangeError} columns of unequal length, no control, more than one for Kendall, or an option that does not exist.
 *
 * @example
 * partialCorrelation(Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5), [Float64Array.of(1, 1, 2, 2, 3)],
 *   { method: 'pearson' }).coefficient; // -0.866667
 */
export function partialCorrelation(
  x: Float64Array,
  y: Float64Array,
  controls: readonly Float64Array[],
  options: PartialOptions,
): PartialCorrelation {
  assertMethod(options.method);
  assertSameLength(x, y, ...controls);
  if (controls.length === 0) throw new RangeError('controls must hold at least one column');
  const complete = listwiseColumns([x, y, ...controls]);
  const { partial, scale } = METHODS[options.method];
  if (partial.from === 'one-control') return partialOfOne(complete, options);
  const resolved = resolveOptionsOf(options.method, options);
  const n = complete[0].length;
  const [first, second, ...others] = complete.map((column) => centredUnit(scale(column)));
  // The same tolerances as a regression's, so that both call the same columns dependent.
  const varying = others.filter(({ empty }) => !empty);
  const factors = factorize(
    varying.map(({ unit }) => unit),
    { pivot: true, tolerances: varying.map(({ tolerance }) => tolerance) },
  );
  const k = factors.rank;
  const df = n - 2 - k;
  const none = (because: Parameters<typeof undefinedTest>[0]) => ({ ...undefinedTest(because, n, resolved), controls: k });
  if (n < FEWEST_ROWS || df < 1) return none('too-few-cases');
  const rests = [first, second].map((column) => (column.empty ? null : restOf(column)));
  const because = constantReason(rests[0] === null, rests[1] === null);
  const [u, v] = rests;
  if (because || !u || !v) return none(because ?? 'constant-both');
  const product = unitProduct(u, v);
  const { t, pValue, log10P } = correlationP(product.r, product.oneMinusAbs, df, resolved.alternative);
  const variance = n - k > 3 ? partial.numerator / (n - k - 3) : Number.NaN;
  return {
    method: options.method,
    coefficient: product.r,
    n,
    controls: k,
    pValue,
    log10P,
    pMethod: 't',
    statistic: { name: 't', value: t, df },
    alternative: resolved.alternative,
    interval: fisherInterval(product, variance, resolved, partial.interval),
    zVariance: variance,
    ...(product.oneMinusAbs === 0 ? { degenerate: true as const } : {}),
  };

  /** The part of a column that the controls do not tell, of unit length; in the coordinates of Q. */
  function restOf({ unit, tolerance }: UnitColumn): Float64Array | null {
    const rest = applyReflections(factors, unit).subarray(k);
    if (!(Math.sqrt(sumOfSquares(rest)) > tolerance)) return null;
    toUnitLength(rest);
    return rest;
  }
}

/** Kendall (1942): τ of one control, with a bootstrap interval and no p-value. */
function partialOfOne(columns: readonly Float64Array[], options: PartialOptions): PartialCorrelation {
  const { method } = options;
  if (columns.length !== 3) throw new RangeError(`${method} takes one control; got ${columns.length - 2}`);
  const resolved = resolveOptionsOf(method, {
    ...(options.alternative ? { alternative: options.alternative } : {}),
    ...(options.level ? { level: options.level } : {}),
  });
  const { alternative, level } = resolved;
  const [x, y, z] = columns;
  const n = x.length;
  const { undefinedBecause } = METHODS[method].test(x, y, { p: 'approximate' });
  if (undefinedBecause) return { ...undefinedTest(undefinedBecause, n, resolved), controls: 0 };
  const statistic = partialTau(x, y, z, METHODS[method]);
  const coefficient = statistic(Int32Array.from({ length: n }, (_, i) => i));
  if (Number.isNaN(coefficient)) return { ...undefinedTest('constant-both', n, resolved), controls: 1 };
  const { replicates = 2000, seed = 1 } = options;
  const interval = replicates > 0 ? bootstrapInterval({ n, statistic, replicates, seed, level }).interval : null;
  return {
    method,
    coefficient,
    n,
    controls: 1,
    pValue: Number.NaN,
    log10P: Number.NaN,
    pMethod: resolved.approximateP,
    statistic: null,
    alternative,
    interval,
    zVariance: Number.NaN,
  };
}

/** Kendall (1942), eq. 4, of drawn rows; a control that does not vary leaves τ as it is. */
function partialTau(x: Float64Array, y: Float64Array, z: Float64Array, { resampled }: MethodEntry): (rows: Int32Array) => number {
  const [ofXY, ofXZ, ofYZ] = [resampled(x, y), resampled(x, z), resampled(y, z)];
  return (rows) => {
    const [xy, xz, yz] = [ofXY(rows), ofXZ(rows), ofYZ(rows)];
    if (Number.isNaN(xz) && Number.isNaN(yz)) return xy;
    return (xy - xz * yz) / Math.sqrt((1 - xz * xz) * (1 - yz * yz));
  };
}
