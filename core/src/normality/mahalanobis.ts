import { chiSquaredP } from '../distributions/chi-squared';
import { regularizedBeta } from '../distributions/incomplete-beta';
import { sphere } from './sphered';

/**
 * Squared Mahalanobis distances of the rows from their mean, with the covariance of divisor n − 1.
 *
 * Source: Mahalanobis (1936). One entry for each row given; NaN for incomplete rows, and for all where the columns are
 * dependent, a column does not vary or there are not more rows than columns.
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * mahalanobis([Float64Array.of(1, 2, 3, 4, 10)]); // [0.72, 0.32, 0.08, 0, 2.88]
 */
export function mahalanobis(columns: readonly Float64Array[]): Float64Array {
  const sphered = sphere(columns);
  const rows = columns[0].length;
  const distances = new Float64Array(rows).fill(Number.NaN);
  if ('undefinedBecause' in sphered) return distances;
  let k = 0;
  for (let row = 0; row < rows; row++) {
    if (columns.some((column) => column[row] !== column[row])) continue;
    distances[row] = squaredLength(sphered.columns, k++) * (sphered.n - 1);
  }
  return distances;
}

/**
 * P(d² > distance) for a row of a normal sample: n·d²/(n − 1)² follows Beta(p/2, (n − p − 1)/2).
 * Source: Gnanadesikan & Kettenring (1972); the furthest row is judged at α/n (Wilks 1963).
 *
 * @example
 * mahalanobisP(6, 50, 2); // 0.0434307
 */
export function mahalanobisP(distance: number, n: number, p: number): number {
  const share = (n * distance) / (n - 1) ** 2;
  if (!(n > p + 1)) return chiSquaredP(Number.NaN, p).pValue;
  return share >= 1 ? 0 : regularizedBeta(1 - share, share, (n - p - 1) / 2, p / 2);
}

/**
 * Quantile of the squared distance at a probability below it, for the distance plot; by bisection on the same law.
 *
 * @example
 * mahalanobisQuantile(0.95, 50, 2); // 5.74738
 */
export function mahalanobisQuantile(probability: number, n: number, p: number): number {
  let low = 0;
  let high = (n - 1) ** 2 / n;
  for (let step = 0; step < 200 && high - low > Number.EPSILON * high; step++) {
    const middle = (low + high) / 2;
    if (mahalanobisP(middle, n, p) > 1 - probability) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Squared length of one row. */
export function squaredLength(columns: readonly Float64Array[], row: number): number {
  let sum = 0;
  for (const column of columns) sum += column[row] * column[row];
  return sum;
}
