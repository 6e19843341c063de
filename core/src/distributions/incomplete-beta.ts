import betainc from '@stdlib/math-base-special-betainc';
import betaln from '@stdlib/math-base-special-betaln';
import { nonZero } from './lentz';

/** Below this the regularized function is taken from its logarithm, since products underflow soon after. */
const SMALLEST_DIRECT = 1e-280;
const MAX_TERMS = 10_000;

/**
 * Regularized incomplete beta function with x and its complement given apart, so that neither end loses digits.
 * Source: Abramowitz & Stegun (1964), 26.5.1; tails by symmetry 26.5.2.
 * @param x lower argument in [0, 1]
 * @param complement 1 − x, known to full precision by the caller
 */
export function regularizedBeta(x: number, complement: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (complement <= 0) return 1;
  return x <= complement ? betainc(x, a, b, true, false) : betainc(complement, b, a, true, true);
}

/**
 * log10 of the regularized incomplete beta function, also where the function itself underflows.
 * @param direct the function itself, where it is known already
 * Source: Press et al. (2007), eq. 6.4.5 (continued fraction by Lentz's method), used where x is far in the lower tail.
 */
export function log10RegularizedBeta(
  x: number,
  complement: number,
  a: number,
  b: number,
  direct = regularizedBeta(x, complement, a, b),
): number {
  if (direct > SMALLEST_DIRECT || x <= 0) return Math.log10(direct);
  const logFront = a * Math.log(x) + b * Math.log1p(-x) - Math.log(a) - betaln(a, b);
  return (logFront + Math.log(betaFraction(x, a, b))) / Math.LN10;
}

function betaFraction(x: number, a: number, b: number): number {
  let c = 1;
  let d = 1 / nonZero(1 - ((a + b) * x) / (a + 1));
  let fraction = d;
  for (let m = 1; m <= MAX_TERMS; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / nonZero(1 + even * d);
    c = nonZero(1 + even / c);
    fraction *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / nonZero(1 + odd * d);
    c = nonZero(1 + odd / c);
    const step = d * c;
    fraction *= step;
    if (Math.abs(step - 1) < Number.EPSILON) return fraction;
  }
  return Number.NaN;
}
