import type { IntervalKind } from './types';

/** A coefficient with 1 − |coefficient| to full precision. */
export interface Coefficient {
  readonly r: number;
  readonly oneMinusAbs: number;
}

/**
 * Variance of Fisher's z of a coefficient; NaN or infinite where n is too small.
 * Sources: `fisher` 1/(n − 3), Fisher (1921); `bonett-wright` (1 + ρ²/2)/(n − 3), Bonett & Wright (2000);
 * `fieller` 1.06/(n − 3) for ρ and .437/(n − 4) for τ, Fieller, Hartley & Pearson (1957).
 */
export function zVariance(
  kind: Exclude<IntervalKind, 'default' | 'adf'>,
  method: 'pearson' | 'spearman' | 'kendall',
  r: number,
  n: number,
): number {
  if (method === 'kendall') return n > 4 ? 0.437 / (n - 4) : Number.NaN;
  if (n <= 3) return Number.NaN;
  if (kind === 'fieller') return 1.06 / (n - 3);
  return kind === 'bonett-wright' ? (1 + (r * r) / 2) / (n - 3) : 1 / (n - 3);
}

/** artanh of a coefficient from 1 − |r|, so that it keeps its digits near ±1. */
export function fisherZ({ r, oneMinusAbs }: Coefficient): number {
  return (Math.sign(r) * Math.log((2 - oneMinusAbs) / oneMinusAbs)) / 2;
}
