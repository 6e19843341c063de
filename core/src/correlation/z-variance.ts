/** A coefficient with 1 − |coefficient| to full precision. */
export interface Coefficient {
  readonly r: number;
  readonly oneMinusAbs: number;
}

/**
 * Variance of Fisher's z of a coefficient from its value and n alone; NaN where n is too small.
 * Sources: `fisherVariance` 1/(n − 3), Fisher (1921); `bonettWrightVariance` (1 + ρ²/2)/(n − 3), Bonett & Wright (2000);
 * `fiellerVariance` 1.06/(n − 3) for ρ and `fiellerTauVariance` .437/(n − 4) for τ, Fieller, Hartley & Pearson (1957).
 */
export function fisherVariance(_r: number, n: number): number {
  return n > 3 ? 1 / (n - 3) : Number.NaN;
}

export function bonettWrightVariance(rho: number, n: number): number {
  return n > 3 ? (1 + (rho * rho) / 2) / (n - 3) : Number.NaN;
}

export function fiellerVariance(_rho: number, n: number): number {
  return n > 3 ? FIELLER_RHO / (n - 3) : Number.NaN;
}

/** Numerator of the variance of z of ρ (Fieller, Hartley & Pearson 1957). */
export const FIELLER_RHO = 1.06;

export function fiellerTauVariance(_tau: number, n: number): number {
  return n > 4 ? 0.437 / (n - 4) : Number.NaN;
}

/** artanh of a coefficient from 1 − |r|, so that it keeps its digits near ±1. */
export function fisherZ({ r, oneMinusAbs }: Coefficient): number {
  return (Math.sign(r) * Math.log((2 - oneMinusAbs) / oneMinusAbs)) / 2;
}
