const TINY = 1e-300;

/** Keeps the denominators of a continued fraction away from zero. Source: Lentz (1976), modified by Thompson & Barnett (1986). */
export function nonZero(value: number): number {
  return Math.abs(value) < TINY ? TINY : value;
}
