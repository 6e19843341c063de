import { exactDistribution, exactP, MOST_ROWS_CONDITIONAL, SCORE_OF_PAIRS } from '../distributions/exact-conditional';
import { exactKendallP, MOST_ROWS_KENDALL } from '../distributions/exact-kendall';
import { normalP } from '../distributions/tail-probability';
import { denseWithin, type RankColumn, rankColumn } from '../ranks/rank-column';
import { groupSizes } from '../ranks/ties';
import { type Concordance, concordance } from './concordance';
import { fisherInterval } from './fisher-interval';
import { assertSameLength, type MethodTraits, type ResolvedCorrelationOptions, resolveCorrelationOptions } from './options';
import { createRankScratch, type RankScratch } from './rank-scratch';
import { tauB, tauVariance, varianceOfS } from './tau';
import { constantReason, FEWEST_ROWS, undefinedTest } from './test-result';
import type { CorrelationOptions, CorrelationTest, Interval } from './types';
import { fiellerTauVariance } from './z-variance';

export const KENDALL: MethodTraits = {
  method: 'kendall',
  intervals: ['brown-benedetti', 'fieller'],
  hasExactP: true,
  approximateP: 'normal',
};
/** Below, the interval that counts ties has too few rows to judge by, and Fieller's is used. */
const FEWEST_FOR_SPREAD = 10;
/** With fewer rows outside the largest tie of a variable no interval keeps its level (simulated coverage down to .7). */
const FEWEST_OUTSIDE = 5;

/**
 * Kendall's rank correlation τ-b.
 *
 * Source: Kendall (1938, 1945); computed by Knight (1966) in O(n log n). p exact without ties to n = 60 (Kendall 1938)
 * and, conditional on the ties of both variables, to n = 12; else normal with the variance of Kendall (1970), eq. 4.3,
 * without continuity correction. Interval from n = 10 on by the larger of the distribution-free variance of τ-b (Brown &
 * Benedetti 1977) and the variance that p uses, with Student's t on n − 2 degrees of freedom; for 5 ≤ n < 10, and on choice,
 * Fieller, Hartley & Pearson (1957), which ignores ties. Missing values (NaN): rows complete for both. A constant variable or n < 3 gives NaN with `undefinedBecause`.
 * @param x values in row order; not changed
 * @param y as many values as x; not changed
 * @throws {RangeError} columns of unequal length, or an option that Kendall's τ does not have.
 *
 * @example
 * kendall(Float64Array.of(1, 2, 3, 4), Float64Array.of(1, 3, 2, 4)).coefficient; // 0.666667
 */
export function kendall(x: Float64Array, y: Float64Array, options?: CorrelationOptions): CorrelationTest {
  assertSameLength(x, y);
  const resolved = resolveCorrelationOptions(KENDALL, options);
  return testKendall(rankColumn(x), rankColumn(y), createRankScratch(x.length), resolved);
}

/** Degrees of freedom of the quantile of τ's default interval: Student's where ties were counted, else the normal one. */
export function tauQuantileDf(n: number): number {
  return n < FEWEST_FOR_SPREAD ? Number.POSITIVE_INFINITY : n - 2;
}

/** The test of two columns that are sorted already. */
export function testKendall(a: RankColumn, b: RankColumn, scratch: RankScratch, options: ResolvedCorrelationOptions): CorrelationTest {
  const counts = concordance(a, b, scratch);
  const { n, s, tiesX, tiesY } = counts;
  if (n < FEWEST_ROWS) return undefinedTest('too-few-cases', n, options);
  const because = constantReason(tiesX.groups === 1, tiesY.groups === 1);
  if (because) return undefinedTest(because, n, options);
  const coefficient = tauB(counts);
  const noTies = tiesX.groups === n && tiesY.groups === n;
  const interval = n < FEWEST_FOR_SPREAD ? 'fieller' : options.interval;
  const bySpread = interval === 'brown-benedetti';
  const zVariance = bySpread ? tauVariance(coefficient, counts, scratch) : fiellerTauVariance(coefficient.r, n);
  const exact = options.p !== 'approximate' && n <= (noTies ? MOST_ROWS_KENDALL : MOST_ROWS_CONDITIONAL);
  return {
    method: 'kendall',
    coefficient: coefficient.r,
    n,
    ...(exact ? exactTest(exactSignificance(a, b, s, noTies, options), s) : normalTest(counts, options)),
    alternative: options.alternative,
    interval: judgedInterval(fisherInterval(coefficient, zVariance, options, interval, bySpread ? tauQuantileDf(n) : undefined), counts),
    zVariance: coefficient.oneMinusAbs === 0 ? Number.NaN : zVariance,
    ...(coefficient.oneMinusAbs === 0 ? { degenerate: true as const } : {}),
  };
}

/** An interval that says where its level is no promise. */
function judgedInterval(interval: Interval | null, { n, largestTie }: Concordance): Interval | null {
  return interval && largestTie > 1 && n - largestTie < FEWEST_OUTSIDE ? { ...interval, unsure: 'few-outside-largest-tie' } : interval;
}

function exactSignificance(a: RankColumn, b: RankColumn, s: number, noTies: boolean, { alternative }: ResolvedCorrelationOptions): number {
  const [x, y] = [denseWithin(a, b), denseWithin(b, a)];
  if (noTies) return exactKendallP(s, x.length, alternative);
  return exactP(exactDistribution(SCORE_OF_PAIRS, groupSizes(x), groupSizes(y)), s, alternative);
}

function exactTest(pValue: number, s: number) {
  return { pValue, log10P: Math.log10(pValue), pMethod: 'exact' as const, statistic: { name: 'S', value: s } };
}

function normalTest(counts: Concordance, { alternative }: ResolvedCorrelationOptions) {
  const z = counts.s / Math.sqrt(varianceOfS(counts));
  return { ...normalP(z, alternative), pMethod: 'normal' as const, statistic: { name: 'z', value: z } };
}
