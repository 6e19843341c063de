import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';
import { correlationP } from './correlation-p';
import { fisherInterval } from './fisher-interval';
import { assertSameLength, type ResolvedCorrelationOptions, resolveCorrelationOptions } from './options';
import type { CorrelationOptions, CorrelationTest, UndefinedBecause } from './types';
import { toUnitLength, type UnitProduct, unitProduct } from './unit-product';

/** Fewer complete rows than this leave no degrees of freedom for a test. */
export const FEWEST_ROWS = 3;

/**
 * Pearson's product-moment correlation of two variables, with its t test and Fisher's interval.
 *
 * Source: Pearson (1896); test Fisher (1915), interval Fisher (1921). Domain: finite values, n ≥ 3 (interval n ≥ 4).
 * Missing values (NaN): rows complete for both. A constant variable or n < 3 gives NaN with `undefinedBecause`;
 * points exactly on a line give ±1, p = 0, no interval and `degenerate`.
 * @param x values in row order; not changed
 * @param y as many values as x; not changed
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 */
export function pearson(x: Float64Array, y: Float64Array, options?: CorrelationOptions): CorrelationTest {
  assertSameLength(x, y);
  const resolved = resolveCorrelationOptions(options);
  const pair = completePair(x, y);
  const n = pair.x.length;
  if (n < FEWEST_ROWS) return undefinedTest('too-few-cases', n, resolved);

  const u = centreColumn(pair.x);
  const v = centreColumn(pair.y);
  const because = constantReason(u.constant, v.constant);
  if (because) return undefinedTest(because, n, resolved);

  toUnitLength(u.centred);
  toUnitLength(v.centred);
  return testFromProduct(unitProduct(u.centred, v.centred), n, resolved);
}

/** Which of the two variables does not vary, if any. */
export function constantReason(x: boolean, y: boolean): UndefinedBecause | null {
  if (x && y) return 'constant-both';
  if (x) return 'constant-x';
  return y ? 'constant-y' : null;
}

/** The full test from a coefficient that could be computed. */
export function testFromProduct({ r, oneMinusAbs }: UnitProduct, n: number, options: ResolvedCorrelationOptions): CorrelationTest {
  const { t, pValue, log10P } = correlationP(r, oneMinusAbs, n - 2, options.alternative);
  return {
    method: 'pearson',
    coefficient: r,
    n,
    pValue,
    log10P,
    pMethod: 't',
    statistic: { name: 't', value: t, df: n - 2 },
    alternative: options.alternative,
    interval: fisherInterval(r, oneMinusAbs, 1 / (n - 3), options),
    ...(oneMinusAbs === 0 ? { degenerate: true as const } : {}),
  };
}

/** A test without a result, and why. */
export function undefinedTest(undefinedBecause: UndefinedBecause, n: number, { alternative }: ResolvedCorrelationOptions): CorrelationTest {
  return {
    method: 'pearson',
    coefficient: Number.NaN,
    n,
    pValue: Number.NaN,
    log10P: Number.NaN,
    pMethod: 't',
    statistic: null,
    alternative,
    interval: null,
    undefinedBecause,
  };
}
