import { exactDistribution, exactP, MOST_ROWS_CONDITIONAL } from '../distributions/exact-conditional';
import { exactKendallP, MOST_ROWS_KENDALL } from '../distributions/exact-kendall';
import { normalP } from '../distributions/tail-probability';
import { groupSizes, type Ties } from '../ranks/ties';
import { type Concordance, concordance } from './concordance';
import { fisherInterval } from './fisher-interval';
import { assertSameLength, type ResolvedCorrelationOptions, resolveCorrelationOptions } from './options';
import { createRankColumn, createRankScratch, denseWithin, type RankColumn, type RankScratch } from './rank-column';
import { constantReason, FEWEST_ROWS, undefinedTest } from './test-result';
import type { CorrelationOptions, CorrelationTest } from './types';
import { type Coefficient, zVariance } from './z-variance';

/**
 * Kendall's rank correlation τ-b.
 *
 * Source: Kendall (1938, 1945); computed by Knight (1966) in O(n log n). p exact without ties to n = 60 (Kendall 1938)
 * and, conditional on the ties of both variables, to n = 12; else normal with the variance of Kendall (1970), eq. 4.3,
 * without continuity correction. Interval: Fieller, Hartley & Pearson (1957), n ≥ 5. Missing values (NaN): rows complete
 * for both. A constant variable or n < 3 gives NaN with `undefinedBecause`.
 * @param x values in row order; not changed
 * @param y as many values as x; not changed
 * @throws {RangeError} columns of unequal length, or an option that Kendall's τ does not have.
 */
export function kendall(x: Float64Array, y: Float64Array, options?: CorrelationOptions): CorrelationTest {
  assertSameLength(x, y);
  const resolved = resolveCorrelationOptions('kendall', options);
  return testKendall(createRankColumn(x), createRankColumn(y), createRankScratch(x.length), resolved);
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
  const exact = options.p !== 'approximate' && n <= (noTies ? MOST_ROWS_KENDALL : MOST_ROWS_CONDITIONAL);
  return {
    method: 'kendall',
    coefficient: coefficient.r,
    n,
    ...(exact ? exactTest(exactSignificance(a, b, s, noTies, options), s) : normalTest(counts, options)),
    alternative: options.alternative,
    interval: fisherInterval(coefficient, zVariance('fieller', 'kendall', coefficient.r, n), options, 'fieller'),
    ...(coefficient.oneMinusAbs === 0 ? { degenerate: true as const } : {}),
  };
}

/** τ-b = S/√((n₀ − n₁)(n₀ − n₂)) (Kendall 1945). */
export function tauB({ n, s, tiesX, tiesY }: Concordance): Coefficient {
  const untiedX = (n * (n - 1) - tiesX.pairs) / 2;
  const untiedY = (n * (n - 1) - tiesY.pairs) / 2;
  const root = untiedX === untiedY ? untiedX : Math.sqrt(untiedX) * Math.sqrt(untiedY);
  return { r: s / root, oneMinusAbs: (root - Math.abs(s)) / root };
}

/** Variance of S under independence, given the ties (Kendall 1970, eq. 4.3). */
function varianceOfS({ n, tiesX, tiesY }: Concordance): number {
  const m = n * (n - 1);
  // t(t − 1)(2t + 5) = 2t(t − 1)(t − 2) + 9t(t − 1)
  const cubic = ({ pairs, triples }: Ties) => 2 * triples + 9 * pairs;
  return (
    (m * (2 * n + 5) - cubic(tiesX) - cubic(tiesY)) / 18 +
    (tiesX.pairs * tiesY.pairs) / (2 * m) +
    (tiesX.triples * tiesY.triples) / (9 * m * (n - 2))
  );
}

function exactSignificance(a: RankColumn, b: RankColumn, s: number, noTies: boolean, { alternative }: ResolvedCorrelationOptions): number {
  const [x, y] = [denseWithin(a, b), denseWithin(b, a)];
  if (noTies) return exactKendallP(s, x.length, alternative);
  return exactP(exactDistribution('kendall', groupSizes(x), groupSizes(y)), s, alternative);
}

function exactTest(pValue: number, s: number) {
  return { pValue, log10P: Math.log10(pValue), pMethod: 'exact' as const, statistic: { name: 'S', value: s } };
}

function normalTest(counts: Concordance, { alternative }: ResolvedCorrelationOptions) {
  const z = counts.s / Math.sqrt(varianceOfS(counts));
  return { ...normalP(z, alternative), pMethod: 'normal' as const, statistic: { name: 'z', value: z } };
}
