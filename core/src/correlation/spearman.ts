import { exactDistribution, exactP, MOST_ROWS_CONDITIONAL, PRODUCTS_OF_RANKS } from '../distributions/exact-conditional';
import { denseWithin, midranksOf, type RankColumn, rankColumn, ranksWithin } from '../ranks/rank-column';
import { groupSizes, rankVariation, type Ties } from '../ranks/ties';
import { correlationP } from './correlation-p';
import { fisherInterval } from './fisher-interval';
import { assertSameLength, type MethodTraits, type ResolvedCorrelationOptions, resolveCorrelationOptions } from './options';
import { createRankScratch, type RankScratch } from './rank-scratch';
import { rhoFromDifferences } from './rho-from-differences';
import { constantReason, FEWEST_ROWS, undefinedTest } from './test-result';
import type { CorrelationOptions, CorrelationTest, IntervalKind } from './types';
import { bonettWrightVariance, type Coefficient, fiellerVariance, fisherVariance } from './z-variance';

export const SPEARMAN: MethodTraits = {
  method: 'spearman',
  intervals: ['bonett-wright', 'fieller', 'fisher'],
  hasExactP: true,
  approximateP: 't',
};

/**
 * Spearman's rank correlation ρ: Pearson's coefficient of the midranks of the rows complete for both.
 *
 * Source: Spearman (1904); ties Kendall (1970), ch. 3. p exact for n ≤ 12, conditional on the ties of both variables
 * (Pitman 1937), else Student's t on n − 2 degrees of freedom. Interval: Bonett & Wright (2000) by default, n ≥ 4.
 * Missing values (NaN): rows complete for both. A constant variable or n < 3 gives NaN with `undefinedBecause`.
 * @param x values in row order; not changed
 * @param y as many values as x; not changed
 * @throws {RangeError} columns of unequal length, or an option that Spearman's ρ does not have.
 *
 * @example
 * spearman(Float64Array.of(1, 2, 3, 4), Float64Array.of(1, 3, 2, 4)).pValue; // 0.333333
 */
export function spearman(x: Float64Array, y: Float64Array, options?: CorrelationOptions): CorrelationTest {
  assertSameLength(x, y);
  const resolved = resolveCorrelationOptions(SPEARMAN, options);
  return testSpearman(withMidranks(rankColumn(x)), withMidranks(rankColumn(y)), createRankScratch(x.length), resolved);
}

/** A sorted column with its midranks, if it is complete: its ranks among the rows of every pair with another complete one. */
export interface MidrankColumn extends RankColumn {
  readonly whole: { readonly ranks: Float64Array; readonly ties: Ties } | null;
}

export function withMidranks(column: RankColumn): MidrankColumn {
  const { ties } = column;
  return { ...column, whole: ties && { ranks: midranksOf({ ...column, ties }), ties } };
}

/** The test of two columns that are sorted already. */
export function testSpearman(
  a: MidrankColumn,
  b: MidrankColumn,
  scratch: RankScratch,
  options: ResolvedCorrelationOptions,
): CorrelationTest {
  const complete = a.whole && b.whole;
  const x = complete ? a.whole : { ranks: scratch.ranksX, ties: ranksWithin(a, b, scratch.ranksX) };
  const y = complete ? b.whole : { ranks: scratch.ranksY, ties: ranksWithin(b, a, scratch.ranksY) };
  const { n } = x.ties;
  if (n < FEWEST_ROWS) return undefinedTest('too-few-cases', n, options);
  const because = constantReason(x.ties.groups === 1, y.ties.groups === 1);
  if (because) return undefinedTest(because, n, options);

  const squaredDifferences = complete ? sumAll(x.ranks, y.ranks) : sumComplete(a, b, x.ranks, y.ranks);
  const variation = [rankVariation(x.ties), rankVariation(y.ties)] as const;
  const coefficient = rhoFromDifferences(squaredDifferences, ...variation);
  const zVariance = VARIANCE[options.interval]?.(coefficient.r, n) ?? Number.NaN;
  const exact = options.p !== 'approximate' && n <= MOST_ROWS_CONDITIONAL;
  return {
    method: 'spearman',
    coefficient: coefficient.r,
    n,
    ...(exact ? exactTest(a, b, sumOfProducts(squaredDifferences, ...variation, n), options) : approximateTest(coefficient, n, options)),
    alternative: options.alternative,
    interval: fisherInterval(coefficient, zVariance, options, options.interval),
    zVariance: coefficient.oneMinusAbs === 0 ? Number.NaN : zVariance,
    ...(coefficient.oneMinusAbs === 0 ? { degenerate: true as const } : {}),
  };
}

function sumAll(x: Float64Array, y: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < x.length; i++) {
    const difference = x[i] - y[i];
    sum += difference * difference;
  }
  return sum;
}

function sumComplete(a: RankColumn, b: RankColumn, x: Float64Array, y: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < x.length; i++) {
    if (a.dense[i] < 0 || b.dense[i] < 0) continue;
    const difference = x[i] - y[i];
    sum += difference * difference;
  }
  return sum;
}

/** Σ(2R)(2S) = 2(ΣR² + ΣS² − Σd²), with ΣR² = Σ(R − R̄)² + n(n + 1)²/4. */
function sumOfProducts(squaredDifferences: number, variationX: number, variationY: number, n: number): number {
  return 2 * (variationX + variationY + (n * (n + 1) ** 2) / 2 - squaredDifferences);
}

function exactTest(a: RankColumn, b: RankColumn, t: number, { alternative }: ResolvedCorrelationOptions) {
  const distribution = exactDistribution(PRODUCTS_OF_RANKS, groupSizes(denseWithin(a, b)), groupSizes(denseWithin(b, a)));
  const pValue = exactP(distribution, t, alternative);
  return { pValue, log10P: Math.log10(pValue), pMethod: 'exact' as const, statistic: { name: 'ΣRS', value: t / 4 } };
}

function approximateTest({ r, oneMinusAbs }: Coefficient, n: number, { alternative }: ResolvedCorrelationOptions) {
  const { t, pValue, log10P } = correlationP(r, oneMinusAbs, n - 2, alternative);
  return { pValue, log10P, pMethod: 't' as const, statistic: { name: 't', value: t, df: n - 2 } };
}

const VARIANCE: Partial<Readonly<Record<IntervalKind, (rho: number, n: number) => number>>> = {
  'bonett-wright': bonettWrightVariance,
  fieller: fiellerVariance,
  fisher: fisherVariance,
};
