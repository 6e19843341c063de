import erfc from '@stdlib/math-base-special-erfc';
import erfcinv from '@stdlib/math-base-special-erfcinv';
import erfcx from '@stdlib/math-base-special-erfcx';

/** Beyond this the tail is taken from its logarithm, since erfc underflows soon after. */
const FAR = 26;

/**
 * Quantile of the standard normal distribution: the z with Φ(z) = p.
 * Through the inverse complementary error function, which keeps its digits in both tails (never 1 − p).
 * Domain: 0 ≤ p ≤ 1; outside NaN.
 */
export function normalQuantile(p: number): number {
  if (!(p >= 0 && p <= 1)) return Number.NaN;
  return -Math.SQRT2 * erfcinv(2 * p);
}

/** P(Z > z) of the standard normal distribution. Source: Abramowitz & Stegun (1964), 26.2.29. */
export function normalUpperTail(z: number): number {
  return 0.5 * erfc(z / Math.SQRT2);
}

/** ln P(Z > z), also where the tail underflows: erfc x = erfcx(x)·exp(−x²). Source: Cody (1969), scaled complement. */
export function logNormalUpperTail(z: number): number {
  if (z < 0) return Math.log1p(-normalUpperTail(-z));
  const x = z / Math.SQRT2;
  return x < FAR ? Math.log(normalUpperTail(z)) : Math.log(0.5 * erfcx(x)) - x * x;
}

/** Density of the standard normal distribution. */
export function normalDensity(z: number): number {
  return Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);
}
