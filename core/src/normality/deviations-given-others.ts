import { listwiseColumns } from '../columns/complete-rows';
import { backSubstitute, invertTriangle } from '../linear-algebra/householder';
import { sumOfSquares } from '../regression/unit-columns';
import { sphere } from './sphered';

/**
 * How far each value lies from what the other variables of its row suggest, in standard deviations of what they leave
 * open: the standardized residual of the column's regression on all others. Its square is what the column adds to the
 * squared Mahalanobis distance of the row.
 *
 * Source: with P the inverse of the correlation matrix and z a standardized row, (Pz)ⱼ/√Pⱼⱼ (Mardia, Kent & Bibby 1979,
 * section 6.4), taken from the triangle of the centred unit columns, so that near-dependent columns keep their digits.
 * Listwise, divisor n − 1.
 * @param rows which of the rows given; incomplete ones have NaN
 * @returns for each of these rows one value per column; NaN where the columns are dependent or do not vary
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * deviationsGivenOthers([Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5)], [0]).length; // 1
 */
export function deviationsGivenOthers(columns: readonly Float64Array[], rows: ArrayLike<number>): Float64Array[] {
  const sphered = sphere(columns);
  const p = columns.length;
  const none = () => new Float64Array(p).fill(Number.NaN);
  if ('undefinedBecause' in sphered) return Array.from(rows, none);
  const { columns: basis, factors, n } = sphered;
  // With X = QR, Pz = R⁻¹q for the row's q, and √Pⱼⱼ is the length of row j of R⁻¹: R is never squared.
  const inverse = invertTriangle(factors);
  const lengths = Float64Array.from({ length: p }, (_, j) => Math.sqrt(sumOfSquares(inverse.subarray(j * p, (j + 1) * p))));
  const place = placesAmongComplete(columns);
  return Array.from(rows, (row) => {
    const k = place(row);
    if (k < 0) return none();
    const solution = backSubstitute(
      factors,
      Float64Array.from(basis, (column) => column[k]),
    );
    return solution.map((value, j) => (value * Math.sqrt(n - 1)) / lengths[j]);
  });
}

/** The place of a row among the complete ones, or −1. */
function placesAmongComplete(columns: readonly Float64Array[]): (row: number) => number {
  const numbers = Float64Array.from(columns[0], (_, row) => row);
  const complete = listwiseColumns([...columns, numbers])[columns.length];
  const places = new Map(Array.from(complete, (row, k) => [row, k] as const));
  return (row) => places.get(row) ?? -1;
}
