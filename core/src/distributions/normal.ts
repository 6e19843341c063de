import erfcinv from '@stdlib/math-base-special-erfcinv';

/**
 * Quantile of the standard normal distribution: the z with Φ(z) = p.
 * Through the inverse complementary error function, which keeps its digits in both tails (never 1 − p).
 * Domain: 0 ≤ p ≤ 1; outside NaN.
 */
export function normalQuantile(p: number): number {
  if (!(p >= 0 && p <= 1)) return Number.NaN;
  return -Math.SQRT2 * erfcinv(2 * p);
}
