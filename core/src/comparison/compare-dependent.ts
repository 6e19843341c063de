import { assertAlternative, assertLevel } from '../correlation/options';
import type { Alternative, Interval } from '../correlation/types';
import { studentP } from '../distributions/student-t';
import { NO_PROBABILITY, normalP } from '../distributions/tail-probability';
import { isCorrelationMatrix } from '../linear-algebra/cholesky';
import { assertCoefficient, assertSize, intervalOf } from './coefficient';
import { zouInterval } from './zou-interval';

/** Rows below which a dependent comparison has no degrees of freedom. */
const FEWEST = 4;

export interface DependentOptions {
  /** Of the first correlation less the second. Default 'two-sided'. */
  alternative?: Alternative;
  /** Default .95. */
  level?: number;
}

/** Correlations of A with B, of A with C, and of B with C, all over the same n rows. */
export interface OverlappingCorrelations {
  readonly rAB: number;
  readonly rAC: number;
  readonly rBC: number;
  readonly n: number;
}

/** Why two dependent correlations cannot be compared. */
export type DependentUndefined =
  | 'too-few-cases'
  /** One of the correlations is exactly ±1, or not known. */
  | 'exact'
  /** No data can have these correlations together: their matrix has a negative eigenvalue. */
  | 'impossible';

export interface OverlappingComparison {
  readonly williams: { readonly t: number; readonly df: number; readonly pValue: number; readonly log10P: number };
  readonly meng: { readonly z: number; readonly pValue: number; readonly log10P: number };
  /** Of rAB − rAC. */
  readonly interval: Interval | null;
  readonly undefinedBecause?: DependentUndefined;
}

/**
 * Is A tied more closely to B than to C? Pearson correlations that share a variable.
 *
 * Sources: Williams (1959) as Steiger (1980), eq. 7; Meng, Rosenthal & Rubin (1992), eqs. 1–3; interval Zou (2007), with
 * the correlation of the two estimates after Olkin & Siotani. Domain: n ≥ 4, every |r| < 1 and correlations
 * that data can have together; else all is NaN, with the reason.
 * @throws {RangeError} a correlation outside [−1, 1], or an option that does not exist.
 *
 * @example
 * compareOverlapping({ rAB: 0.5, rAC: 0.3, rBC: 0.2, n: 103 }).williams.pValue; // 0.0709037
 */
export function compareOverlapping(
  { rAB, rAC, rBC, n }: OverlappingCorrelations,
  { alternative = 'two-sided', level = 0.95 }: DependentOptions = {},
): OverlappingComparison {
  assertInputs({ rAB, rAC, rBC }, n, alternative, level);
  const undefinedBecause = whyUndefined([1, rAB, rAC, rAB, 1, rBC, rAC, rBC, 1], n);
  if (undefinedBecause) {
    return { williams: { t: Number.NaN, df: n - 3, ...NO_PROBABILITY }, meng: NO_Z, interval: null, undefinedBecause };
  }
  const determinant = 1 - rAB ** 2 - rAC ** 2 - rBC ** 2 + 2 * rAB * rAC * rBC;
  const mean = (rAB + rAC) / 2;
  const t = (rAB - rAC) * Math.sqrt(((n - 1) * (1 + rBC)) / (2 * ((n - 1) / (n - 3)) * determinant + mean ** 2 * (1 - rBC) ** 3));
  const df = n - 3;
  const square = (rAB ** 2 + rAC ** 2) / 2;
  const f = Math.min(1, (1 - rBC) / (2 * (1 - square)));
  const h = (1 - f * square) / (1 - square);
  const z = (Math.atanh(rAB) - Math.atanh(rAC)) * Math.sqrt((n - 3) / (2 * (1 - rBC) * h));
  const c = ((rBC - (rAB * rAC) / 2) * (1 - rAB ** 2 - rAC ** 2 - rBC ** 2) + rBC ** 3) / ((1 - rAB ** 2) * (1 - rAC ** 2));
  return {
    williams: { t, df, ...studentP(t, df, alternative) },
    meng: { z, ...normalP(z, alternative) },
    interval: differenceInterval(rAB, rAC, n, level, c),
  };
}

/** All six correlations among A, B, C and D over the same n rows. */
export interface NonOverlappingCorrelations {
  readonly rAB: number;
  readonly rCD: number;
  readonly rAC: number;
  readonly rAD: number;
  readonly rBC: number;
  readonly rBD: number;
  readonly n: number;
}

export interface NonOverlappingComparison {
  readonly steiger: { readonly z: number; readonly pValue: number; readonly log10P: number };
  readonly dunnClark: { readonly z: number; readonly pValue: number; readonly log10P: number };
  /** Of rAB − rCD. */
  readonly interval: Interval | null;
  readonly undefinedBecause?: DependentUndefined;
}

/**
 * Are A and B tied more closely than C and D? Pearson correlations of the same rows without a shared variable.
 *
 * Sources: Dunn & Clark (1969), the same as Raghunathan, Rosenthal & Rubin (1996); Steiger (1980), eq. 15; interval
 * Zou (2007). Domain: n ≥ 4, every |r| < 1 and correlations
 * that data can have together; else all is NaN, with the reason.
 * @throws {RangeError} a correlation outside [−1, 1], or an option that does not exist.
 *
 * @example
 * compareNonOverlapping({ rAB: 0.5, rCD: 0.3, rAC: 0.2, rAD: 0.1, rBC: 0.15, rBD: 0.25,
 *   n: 103 }).steiger.pValue; // 0.0829518
 */
export function compareNonOverlapping(
  { rAB, rCD, rAC, rAD, rBC, rBD, n }: NonOverlappingCorrelations,
  { alternative = 'two-sided', level = 0.95 }: DependentOptions = {},
): NonOverlappingComparison {
  const r = { rAB, rCD, rAC, rAD, rBC, rBD };
  assertInputs(r, n, alternative, level);
  const undefinedBecause = whyUndefined([1, rAB, rAC, rAD, rAB, 1, rBC, rBD, rAC, rBC, 1, rCD, rAD, rBD, rCD, 1], n);
  if (undefinedBecause) return { steiger: NO_Z, dunnClark: NO_Z, interval: null, undefinedBecause };
  const difference = (Math.atanh(r.rAB) - Math.atanh(r.rCD)) * Math.sqrt(n - 3);
  const mean = (r.rAB + r.rCD) / 2;
  const s = estimateCorrelation(r);
  const steigerZ = difference / Math.sqrt(2 - 2 * estimateCorrelation({ ...r, rAB: mean, rCD: mean }));
  const dunnClarkZ = difference / Math.sqrt(2 - 2 * s);
  return {
    steiger: { z: steigerZ, ...normalP(steigerZ, alternative) },
    dunnClark: { z: dunnClarkZ, ...normalP(dunnClarkZ, alternative) },
    interval: differenceInterval(r.rAB, r.rCD, n, level, s),
  };
}

/** Large-sample correlation of rAB and rCD (Pearson & Filon 1898; Steiger 1980, eq. 2), 1 2 3 4 = A B C D. */
function estimateCorrelation({
  rAB: r12,
  rCD: r34,
  rAC: r13,
  rAD: r14,
  rBC: r23,
  rBD: r24,
}: Omit<NonOverlappingCorrelations, 'n'>): number {
  const covariance =
    (r13 - r12 * r23) * (r24 - r23 * r34) +
    (r14 - r13 * r34) * (r23 - r12 * r13) +
    (r13 - r14 * r34) * (r24 - r12 * r14) +
    (r14 - r12 * r24) * (r23 - r24 * r34);
  return covariance / (2 * (1 - r12 ** 2) * (1 - r34 ** 2));
}

const NO_Z = { z: Number.NaN, ...NO_PROBABILITY };

/** @param matrix of all correlations among the variables, row-major */
function whyUndefined(matrix: readonly number[], n: number): DependentUndefined | null {
  const size = Math.sqrt(matrix.length);
  if (n < FEWEST) return 'too-few-cases';
  if (matrix.some((r, at) => at % (size + 1) !== 0 && !(Math.abs(r) < 1))) return 'exact';
  return isCorrelationMatrix(Float64Array.from(matrix), size) ? null : 'impossible';
}

/** Zou's interval, held to what a difference of two correlations can be. */
function differenceInterval(first: number, second: number, n: number, level: number, c: number): Interval | null {
  const limits = (coefficient: number) => intervalOf('pearson', { coefficient, n }, level);
  return zouInterval(first, second, limits(first), limits(second), c);
}

function assertInputs(correlations: Readonly<Record<string, number>>, n: number, alternative: Alternative, level: number): void {
  for (const [name, r] of Object.entries(correlations)) assertCoefficient(name, r);
  assertSize(n);
  assertAlternative(alternative);
  assertLevel(level);
}
