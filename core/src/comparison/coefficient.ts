import { fisherInterval } from '../correlation/fisher-interval';
import { METHODS, type VarianceKind } from '../correlation/methods';
import type { Interval, Method } from '../correlation/types';
import type { Coefficient } from '../correlation/z-variance';

/** A group's coefficient and the rows it rests on. */
export interface GroupCoefficient {
  readonly coefficient: number;
  readonly n: number;
  /** Variance of Fisher's z as measured on the rows; without it, it follows from coefficient and n. */
  readonly zVariance?: number;
}

/** A coefficient that was given as a number. */
export function givenCoefficient(r: number): Coefficient {
  return { r, oneMinusAbs: 1 - Math.abs(r) };
}

/** Variance of z of a group; NaN below the smallest size of the method. */
export function varianceOf(method: Method, { coefficient, n, zVariance }: GroupCoefficient, kind: VarianceKind = 'default'): number {
  if (n < METHODS[method].fewestCompared) return Number.NaN;
  return kind === 'default' && zVariance !== undefined ? zVariance : METHODS[method].zVariance(coefficient, n, kind);
}

/** Two-sided interval of a given coefficient. */
export function intervalOf(method: Method, group: GroupCoefficient, level: number, kind: VarianceKind = 'default'): Interval | null {
  const measured = kind === 'default' && group.zVariance !== undefined;
  const df = measured ? METHODS[method].measuredDf(group.n) : undefined;
  return fisherInterval(
    givenCoefficient(group.coefficient),
    varianceOf(method, group, kind),
    { alternative: 'two-sided', level },
    'fisher',
    df,
  );
}

/** @throws {RangeError} a coefficient outside [−1, 1] (NaN is allowed where nothing could be computed). */
export function assertCoefficient(name: string, r: number): void {
  if (Math.abs(r) > 1) throw new RangeError(`${name} must lie in [−1, 1]; got ${r}`);
}

/** @throws {RangeError} a number of rows that is not a whole number. */
export function assertSize(n: number): void {
  if (!Number.isInteger(n) || n < 0) throw new RangeError(`n must be a whole number; got ${n}`);
}
