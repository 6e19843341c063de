import { listwiseColumns } from '../columns/complete-rows';
import { invertPositiveDefinite } from '../linear-algebra/cholesky';
import { dot } from '../linear-algebra/dot';
import { sphere } from './sphered';

/**
 * How far each value lies from what the other variables of its row suggest, in standard deviations of what they leave
 * open: the standardized residual of the column's regression on all others. Its square is what the column adds to the
 * squared Mahalanobis distance of the row.
 *
 * Source: with P the inverse of the correlation matrix and z a standardized row, (Pz)ⱼ/√Pⱼⱼ (Mardia, Kent & Bibby 1979,
 * section 6.4). Listwise, divisor n − 1.
 * @param rows which of the rows given; incomplete ones have NaN
 * @returns for each of these rows one figure per column; NaN where the columns are dependent or do not vary
 * @throws {RangeError} columns of unequal length, or none.
 */
export function deviationsGivenOthers(columns: readonly Float64Array[], rows: ArrayLike<number>): Float64Array[] {
  const sphered = sphere(columns);
  const p = columns.length;
  const none = () => new Float64Array(p).fill(Number.NaN);
  if ('undefinedBecause' in sphered) return Array.from(rows, none);
  const { units, n } = sphered;
  const correlations = Float64Array.from({ length: p * p }, (_, at) => dot(units[Math.floor(at / p)], units[at % p]));
  const inverse = invertPositiveDefinite(correlations, p);
  const place = placesAmongComplete(columns);
  return Array.from(rows, (row) => {
    const k = place(row);
    if (!inverse || k < 0) return none();
    return Float64Array.from({ length: p }, (_, j) => {
      let sum = 0;
      for (let i = 0; i < p; i++) sum += inverse[j * p + i] * units[i][k];
      return (sum * Math.sqrt(n - 1)) / Math.sqrt(inverse[j * p + j]);
    });
  });
}

/** The place of a row among the complete ones, or −1. */
function placesAmongComplete(columns: readonly Float64Array[]): (row: number) => number {
  const numbers = Float64Array.from(columns[0], (_, row) => row);
  const complete = listwiseColumns([...columns, numbers])[columns.length];
  const places = new Map(Array.from(complete, (row, k) => [row, k] as const));
  return (row) => places.get(row) ?? -1;
}
