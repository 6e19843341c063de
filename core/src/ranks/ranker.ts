import { assertSameLength } from '../correlation/options';
import { sortOrder } from './sort-order';

/** Ranks of a column among the rows where another column has a value too; NaN in all other rows. */
export type Ranker = (partner?: Float64Array) => Float64Array;

/**
 * Midranks of a column, to be taken again and again among different rows: it is sorted once.
 *
 * Ties share the mean of their ranks (Kendall 1945). Missing values (NaN): a row that lacks either value has no rank, and
 * the others are ranked from 1 among themselves, as a rank coefficient of the pair does. −0 equals 0.
 * @param x values in row order; not changed, and expected not to change
 * @returns a function of the pair's other column; without one, the ranks among all values of x
 * @throws {RangeError} from the returned function, if the columns are of unequal length.
 *
 * @example
 * createRanker(Float64Array.of(10, 30, 20, 20))(); // [1, 4, 2.5, 2.5]
 */
export function createRanker(x: Float64Array): Ranker {
  const order = sortOrder(x);
  return (partner) => {
    if (partner) assertSameLength(x, partner);
    const ranks = new Float64Array(x.length).fill(Number.NaN);
    let before = 0;
    for (let start = 0; start < order.length; ) {
      const value = x[order[start]];
      let end = start;
      let size = 0;
      for (; end < order.length && x[order[end]] === value; end++) if (isPresent(partner, order[end])) size++;
      const rank = before + (size + 1) / 2;
      for (let k = start; k < end; k++) if (isPresent(partner, order[k])) ranks[order[k]] = rank;
      before += size;
      start = end;
    }
    return ranks;
  };
}

function isPresent(column: Float64Array | undefined, row: number): boolean {
  return !column || column[row] === column[row];
}
