import type { Alternative } from '../correlation/types';
import { log10RegularizedBeta, regularizedBeta } from './incomplete-beta';
import { normalQuantile } from './normal';
import { NO_PROBABILITY, type TailProbability } from './tail-probability';

/** p-value of Student's t. Source: Abramowitz & Stegun (1964), 26.7.1; two-sided I(df/(df + t²); df/2, 1/2). */
export function studentP(t: number, df: number, alternative: Alternative = 'two-sided'): TailProbability {
  if (Number.isNaN(t) || !(df > 0)) return NO_PROBABILITY;
  const square = t * t;
  const share = Number.isFinite(square) ? df / (df + square) : 0;
  const rest = Number.isFinite(square) ? square / (df + square) : 1;
  const twoSided = regularizedBeta(share, rest, df / 2, 0.5);
  const log10P = log10RegularizedBeta(share, rest, df / 2, 0.5, twoSided);
  if (alternative === 'two-sided') return { pValue: twoSided, log10P };
  if (alternative === 'greater' ? t > 0 : t < 0) return { pValue: twoSided / 2, log10P: log10P - Math.log10(2) };
  return { pValue: 1 - twoSided / 2, log10P: Math.log1p(-twoSided / 2) / Math.LN10 };
}

const MOST_STEPS = 100;

/**
 * The t with P(T > t) = tail on df degrees of freedom, for 0 < tail < 1.
 * Source: bisection on the tail after bracketing from the normal quantile, ended by Newton's steps on ln of the tail,
 * so that both ends keep their digits.
 */
export function studentUpperQuantile(tail: number, df: number): number {
  if (!(tail > 0 && tail < 1) || !(df > 0)) return Number.NaN;
  if (tail === 0.5) return 0;
  if (tail > 0.5) return -studentUpperQuantile(1 - tail, df);
  let low = 0;
  let high = Math.max(1, -normalQuantile(tail));
  while (studentP(high, df, 'greater').pValue > tail) {
    low = high;
    high *= 2;
  }
  let t = (low + high) / 2;
  for (let step = 0; step < MOST_STEPS; step++) {
    const p = studentP(t, df, 'greater').pValue;
    if (p > tail) low = t;
    else high = t;
    const slope = -studentDensity(t, df) / p;
    const newton = t - Math.log(p / tail) / slope;
    const next = newton > low && newton < high ? newton : (low + high) / 2;
    if (Math.abs(next - t) <= 2 * Number.EPSILON * t) return next;
    t = next;
  }
  return t;
}

function studentDensity(t: number, df: number): number {
  // The derivative of the tail by a central difference would lose digits; the density needs Γ only through a ratio.
  return Math.exp(logGammaRatio(df) - ((df + 1) / 2) * Math.log1p((t * t) / df)) / Math.sqrt(df * Math.PI);
}

/** ln(Γ((df + 1)/2) / Γ(df/2)); only steers Newton's steps, so that a few digits suffice. */
function logGammaRatio(df: number): number {
  const half = df / 2;
  let shift = 0;
  let a = half;
  while (a < 8) {
    shift += Math.log(a / (a + 0.5));
    a += 1;
  }
  return shift + 0.5 * Math.log(a) - 1 / (8 * a) + 1 / (192 * a ** 3);
}
