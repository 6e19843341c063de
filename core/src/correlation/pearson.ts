import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';
import { adfVariance } from './adf-variance';
import { correlationP } from './correlation-p';
import { fisherInterval } from './fisher-interval';
import { assertSameLength, type MethodTraits, type ResolvedCorrelationOptions, resolveCorrelationOptions } from './options';
import { constantReason, FEWEST_ROWS, undefinedTest } from './test-result';
import type { CorrelationOptions, CorrelationTest } from './types';
import { toUnitLength, type UnitProduct, unitProduct } from './unit-product';
import { fisherVariance } from './z-variance';

export const PEARSON: MethodTraits = { method: 'pearson', intervals: ['fisher', 'adf'], hasExactP: false, approximateP: 't' };

/**
 * Pearson's product-moment correlation of two variables, with its t test and an interval.
 *
 * Source: Pearson (1896); test Fisher (1915), interval Fisher (1921) or, for `adf`, Hawkins (1989). Domain: finite
 * values, n ≥ 3 (interval n ≥ 4). Missing values (NaN): rows complete for both. A constant variable or n < 3 gives NaN
 * with `undefinedBecause`; points exactly on a line give ±1, p = 0, no interval and `degenerate`.
 * @param x values in row order; not changed
 * @param y as many values as x; not changed
 * @throws {RangeError} columns of unequal length, or an option that Pearson's r does not have.
 *
 * @example
 * pearson(Float64Array.of(1, 2, 3, 4), Float64Array.of(1, 3, 2, 4)).coefficient; // 0.8
 */
export function pearson(x: Float64Array, y: Float64Array, options?: CorrelationOptions): CorrelationTest {
  assertSameLength(x, y);
  const resolved = resolveCorrelationOptions(PEARSON, options);
  const pair = completePair(x, y);
  return testPearson(pair.x, pair.y, pair.x.length, resolved);
}

/** The test of the first n values of two complete columns, which become scratch memory. */
export function testPearson(x: Float64Array, y: Float64Array, n: number, options: ResolvedCorrelationOptions): CorrelationTest {
  if (n < FEWEST_ROWS) return undefinedTest('too-few-cases', n, options);
  const u = centreColumn(x, x, n);
  const v = centreColumn(y, y, n);
  const because = constantReason(u.constant, v.constant);
  if (because) return undefinedTest(because, n, options);
  toUnitLength(u.centred);
  toUnitLength(v.centred);
  const product = unitProduct(u.centred, v.centred);
  return testFromProduct(product, n, options, () => adfVariance(u.centred, v.centred, product));
}

/** The full test from a coefficient that could be computed. */
export function testFromProduct(product: UnitProduct, n: number, options: ResolvedCorrelationOptions, adf: () => number): CorrelationTest {
  const { t, pValue, log10P } = correlationP(product.r, product.oneMinusAbs, n - 2, options.alternative);
  const variance = options.interval === 'adf' ? adfOverN(product, n, adf) : fisherVariance(product.r, n);
  return {
    method: 'pearson',
    coefficient: product.r,
    n,
    pValue,
    log10P,
    pMethod: 't',
    statistic: { name: 't', value: t, df: n - 2 },
    alternative: options.alternative,
    interval: fisherInterval(product, variance, options, options.interval),
    zVariance: product.oneMinusAbs === 0 ? Number.NaN : variance,
    ...(product.oneMinusAbs === 0 ? { degenerate: true as const } : {}),
  };
}

function adfOverN({ oneMinusAbs }: UnitProduct, n: number, adf: () => number): number {
  return n > 3 && oneMinusAbs > 0 ? adf() / (n - 3) : Number.NaN;
}
