import { fisherInterval } from '../correlation/fisher-interval';
import type { Interval, Method } from '../correlation/types';
import { type Coefficient, zVariance } from '../correlation/z-variance';

/** How the variance of Fisher's z of a rank coefficient is taken: the method's own (default), or 1.06/(n − 3) for ρ. */
export type VarianceKind = 'default' | 'fieller';

/** Below these sizes a group has no variance of z. */
export const FEWEST_COMPARED: Readonly<Record<Method, number>> = { pearson: 4, spearman: 4, kendall: 5 };

/** A coefficient that was given as a number. */
export function givenCoefficient(r: number): Coefficient {
  return { r, oneMinusAbs: 1 - Math.abs(r) };
}

/** Variance of z for a method; NaN below its smallest size. */
export function varianceOf(method: Method, r: number, n: number, kind: VarianceKind = 'default'): number {
  return zVariance(
    method === 'pearson' ? 'fisher' : method === 'kendall' || kind === 'fieller' ? 'fieller' : 'bonett-wright',
    method,
    r,
    n,
  );
}

/** Two-sided interval of a given coefficient. */
export function intervalOf(method: Method, r: number, n: number, level: number, kind: VarianceKind = 'default'): Interval | null {
  return fisherInterval(givenCoefficient(r), varianceOf(method, r, n, kind), { alternative: 'two-sided', level }, 'fisher');
}

/** @throws {RangeError} a coefficient outside [−1, 1] (NaN is allowed where nothing could be computed). */
export function assertCoefficient(name: string, r: number): void {
  if (Math.abs(r) > 1) throw new RangeError(`${name} must lie in [−1, 1]; got ${r}`);
}

/** @throws {RangeError} a number of rows that is not a whole number. */
export function assertSize(n: number): void {
  if (!Number.isInteger(n) || n < 0) throw new RangeError(`n must be a whole number; got ${n}`);
}
