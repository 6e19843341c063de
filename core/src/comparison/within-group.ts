import { assertMethod } from '../correlation/assert-method';
import { correlationP } from '../correlation/correlation-p';
import { fisherInterval } from '../correlation/fisher-interval';
import { METHODS, resolveOptionsOf } from '../correlation/methods';
import { constantReason, undefinedTest } from '../correlation/test-result';
import type { Alternative, CorrelationTest, Method } from '../correlation/types';
import { toUnitLength, unitProduct } from '../correlation/unit-product';
import { fisherZ } from '../correlation/z-variance';
import { normalP } from '../distributions/tail-probability';
import { type GroupCoefficient, givenCoefficient, varianceOf } from './coefficient';
import { compareIndependent } from './compare-independent';
import { columnDeviations, type GroupRows } from './group-deviations';
import { groupRows } from './grouped-rows';

export interface WithinOptions {
  method: Method;
  alternative?: Alternative;
  level?: number;
}

/** A correlation within groups: what is left when the groups' differences are taken out. */
export interface WithinCorrelation extends CorrelationTest {
  /** Groups that enter it. */
  readonly groups: number;
  /** The largest SD of a group over the smallest, of the variable in which they differ most. */
  readonly spreadRatio: number;
  /**
   * tanh of the weighted mean of the groups' z, where the groups' SDs differ by more than 2 : 1: there the test from
   * deviations rejects in 14 to 18 % of samples where 5 % is meant, and this one decides.
   */
  readonly meanOfZ?: WithinCorrelation;
}

/** SDs further apart than this upset the test from deviations. */
const UNEQUAL = 2;

/**
 * Correlation within groups.
 *
 * Pearson: both variables centred in each group, t on N − k − 1 degrees of freedom, variance of z 1/(N − k − 2) (Bland &
 * Altman 1995; analysis of covariance). Ranks: tanh of the weighted mean of the groups' z (Hedges & Olkin 1985), normal.
 * Rows with a missing value or group are left out; groups of one row, and for
 * ranks those without a z, enter nothing.
 * @param groups a label for each row
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 *
 * @example
 * withinGroup(Float64Array.of(1, 2, 3, 4, 5, 1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5, 12, 11, 14, 13, 15),
 *   Float64Array.of(0, 0, 0, 0, 0, 1, 1, 1, 1, 1), { method: 'pearson' }).coefficient; // 0.8
 */
export function withinGroup(x: Float64Array, y: Float64Array, groups: Float64Array, options: WithinOptions): WithinCorrelation {
  assertMethod(options.method);
  return withinOf(groupRows(x, y, groups), options);
}

/** The one of the two that decides: the mean of z where the groups' SDs differ much, if any group is large enough for it. */
export function decidingWithin(within: WithinCorrelation): WithinCorrelation {
  return within.meanOfZ && !Number.isNaN(within.meanOfZ.coefficient) ? within.meanOfZ : within;
}

/** A variable made ready for the coefficients within groups of all its pairs. */
export interface WithinColumn {
  /** Deviations from each group's mean, of unit length; null where none varies. */
  readonly unit: Float64Array | null;
  readonly sds: readonly number[];
}

/** @param parts complete values, group after group; groups of one row enter nothing */
export function withinColumn(parts: readonly Float64Array[]): WithinColumn {
  const { values, constant, sds } = columnDeviations(parts.filter((part) => part.length > 1));
  if (constant) return { unit: null, sds };
  toUnitLength(values);
  return { unit: values, sds };
}

/**
 * The same of rows that are split already.
 * @param coefficients of these groups, where they are known
 * @param columns of these groups, where they are ready
 */
export function withinOf(
  groups: readonly GroupRows[],
  options: WithinOptions,
  coefficients: readonly GroupCoefficient[] | null = null,
  columns: readonly [WithinColumn, WithinColumn] | null = null,
): WithinCorrelation {
  const several = (k: number) => groups[k].x.length > 1;
  const split = groups.filter((_, k) => several(k));
  const known = coefficients?.filter((_, k) => several(k)) ?? null;
  const ready = columns ?? ([withinColumn(split.map(({ x }) => x)), withinColumn(split.map(({ y }) => y))] as const);
  const spreadRatio = widestSpread(ready);
  if (METHODS[options.method].within === 'mean-of-z') return meanOfZ(split, spreadRatio, options, known);
  const deviations = withinDeviations(split, ready, options);
  return spreadRatio > UNEQUAL
    ? { ...deviations, spreadRatio, meanOfZ: meanOfZ(split, spreadRatio, options, known) }
    : { ...deviations, spreadRatio };
}

/** Of the deviations from each group's means. */
function withinDeviations(
  split: readonly GroupRows[],
  [{ unit: u }, { unit: v }]: readonly [WithinColumn, WithinColumn],
  options: WithinOptions,
): Omit<WithinCorrelation, 'spreadRatio'> {
  const resolved = resolveOptionsOf(options.method, options);
  const n = split.reduce((sum, group) => sum + group.x.length, 0);
  const k = split.length;
  const df = n - k - 1;
  if (df < 1) return { ...undefinedTest('too-few-cases', n, resolved), groups: k };
  const because = constantReason(u === null, v === null);
  if (because || !u || !v) return { ...undefinedTest(because ?? 'constant-both', n, resolved), groups: k };
  const product = unitProduct(u, v);
  const variance = n - k > 2 ? 1 / (n - k - 2) : Number.NaN;
  const { t, pValue, log10P } = correlationP(product.r, product.oneMinusAbs, df, resolved.alternative);
  return {
    method: options.method,
    coefficient: product.r,
    n,
    groups: k,
    pValue,
    log10P,
    pMethod: 't',
    statistic: { name: 't', value: t, df },
    alternative: resolved.alternative,
    interval: fisherInterval(product, variance, resolved, 'fisher'),
    zVariance: variance,
    ...(product.oneMinusAbs === 0 ? { degenerate: true as const } : {}),
  };
}

/** tanh of the weighted mean of the groups' z; groups that have none enter nothing, nor do their rows. */
function meanOfZ(
  split: readonly GroupRows[],
  spreadRatio: number,
  options: WithinOptions,
  known: readonly GroupCoefficient[] | null,
): WithinCorrelation {
  const resolved = resolveOptionsOf(options.method, options);
  const { test } = METHODS[options.method];
  const coefficients = known ?? split.map(({ x, y }) => test(x, y, { p: 'approximate' }));
  const { pooled, untested } = compareIndependent(coefficients, { method: options.method });
  const tested = coefficients.filter((_, k) => !untested.includes(k));
  const n = tested.reduce((sum, group) => sum + group.n, 0);
  if (tested.length === 0) return { ...undefinedTest('too-few-cases', n, resolved), groups: 0, spreadRatio };
  const variance = 1 / tested.reduce((sum, group) => sum + 1 / varianceOf(options.method, group), 0);
  const z = fisherZ(givenCoefficient(pooled)) / Math.sqrt(variance);
  return {
    method: options.method,
    coefficient: pooled,
    n,
    groups: tested.length,
    spreadRatio,
    ...normalP(z, resolved.alternative),
    pMethod: 'normal',
    statistic: { name: 'z', value: z },
    alternative: resolved.alternative,
    interval: fisherInterval(givenCoefficient(pooled), variance, resolved, resolved.interval),
    zVariance: variance,
  };
}

/** The largest SD of a group over the smallest, of the variable in which they differ most; groups that do not vary aside. */
function widestSpread(columns: readonly WithinColumn[]): number {
  const ratios = columns.map((column) => {
    const sds = column.sds.filter((sd) => sd > 0);
    return sds.length > 1 ? sds.reduce((a, b) => Math.max(a, b)) / sds.reduce((a, b) => Math.min(a, b)) : Number.NaN;
  });
  const known = ratios.filter((ratio) => ratio > 0);
  return known.length > 0 ? known.reduce((a, b) => Math.max(a, b)) : Number.NaN;
}
