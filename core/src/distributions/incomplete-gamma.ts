import gammaln from '@stdlib/math-base-special-gammaln';
import { nonZero } from './lentz';

const MAX_TERMS = 100_000;
const TINY = 1e-300;
const STIRLING_FROM = 16;
const HALF_LN_2PI = 0.5 * Math.log(2 * Math.PI);

/**
 * ln of the upper regularized incomplete gamma function Q(a, x).
 *
 * Source: series and continued fraction, Abramowitz & Stegun (1964), 6.5.29 and 6.5.31; the factor xᵃe⁻ˣ/Γ(a + 1) by
 * Loader (2000), whose deviance form does not cancel for large a and x. Domain: a > 0, x ≥ 0; else NaN.
 */
export function logUpperGamma(a: number, x: number): number {
  if (!(a > 0) || !(x >= 0)) return Number.NaN;
  if (x === 0) return 0;
  if (x === Number.POSITIVE_INFINITY) return Number.NEGATIVE_INFINITY;
  const logFront = logPoisson(a, x);
  if (x < a + 1) return Math.log1p(-Math.exp(logFront) * series(a, x));
  return logFront + Math.log(a) + Math.log(fraction(a, x));
}

/** ln(xᵃ e⁻ˣ / Γ(a + 1)). */
function logPoisson(a: number, x: number): number {
  if (a < STIRLING_FROM) return a * Math.log(x) - x - gammaln(a + 1);
  return -stirlingError(a) - deviance(a, x) - HALF_LN_2PI - 0.5 * Math.log(a);
}

/** ln Γ(a + 1) less its Stirling approximation, by the asymptotic series. */
function stirlingError(a: number): number {
  const s = 1 / (a * a);
  return (1 / 12 - s * (1 / 360 - s * (1 / 1260 - s * (1 / 1680 - s * (1 / 1188 - (s * 691) / 360360))))) / a;
}

/** a·ln(a/x) + x − a without cancellation where x is near a (Loader 2000, bd0). */
function deviance(a: number, x: number): number {
  if (Math.abs(a - x) >= 0.1 * (a + x)) return a * Math.log(a / x) + x - a;
  const v = (a - x) / (a + x);
  let sum = (a - x) * v;
  let power = 2 * a * v;
  for (let j = 1; j < MAX_TERMS; j++) {
    power *= v * v;
    const next = sum + power / (2 * j + 1);
    if (next === sum) return next;
    sum = next;
  }
  return sum;
}

/** Σ xᵏ / ((a + 1) … (a + k)), so that P(a, x) is this times xᵃe⁻ˣ/Γ(a + 1). */
function series(a: number, x: number): number {
  let term = 1;
  let sum = 1;
  for (let k = 1; k < MAX_TERMS; k++) {
    term *= x / (a + k);
    sum += term;
    if (term < sum * Number.EPSILON) return sum;
  }
  return Number.NaN;
}

/** Γ(a, x)·eˣ·x⁻ᵃ by Lentz's method. */
function fraction(a: number, x: number): number {
  let b = x + 1 - a;
  let c = 1 / TINY;
  let d = 1 / b;
  let result = d;
  for (let k = 1; k < MAX_TERMS; k++) {
    const numerator = -k * (k - a);
    b += 2;
    d = 1 / nonZero(numerator * d + b);
    c = nonZero(b + numerator / c);
    const step = d * c;
    result *= step;
    if (Math.abs(step - 1) < Number.EPSILON) return result;
  }
  return Number.NaN;
}
