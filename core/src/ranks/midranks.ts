import { sortOrder } from './sort-order';
import type { Ties } from './ties';

/** Ranks of one complete column, and how its values are tied. */
export interface Ranking {
  /** Rank by row, from 1; tied values share the mean of their ranks (Kendall 1945). */
  readonly ranks: Float64Array;
  readonly ties: Ties;
}

/** Midranks of a complete column (no NaN). */
export function midranks(x: Float64Array): Float64Array {
  return rankBy(x, sortOrder(x)).ranks;
}

/** Midranks and ties of a complete column whose sort order is known. */
export function rankBy(x: Float64Array, order: Uint32Array): Ranking {
  const n = order.length;
  const ranks = new Float64Array(n);
  let groups = 0;
  let pairs = 0;
  let triples = 0;
  for (let start = 0; start < n; ) {
    const value = x[order[start]];
    let end = start + 1;
    while (end < n && x[order[end]] === value) end++;
    const rank = (start + end + 1) / 2;
    for (let k = start; k < end; k++) ranks[order[k]] = rank;
    const size = end - start;
    groups++;
    pairs += size * (size - 1);
    triples += size * (size - 1) * (size - 2);
    start = end;
  }
  return { ranks, ties: { n, groups, pairs, triples } };
}

/**
 * Dense ranks: 0 for the smallest value, equal values alike. Missing values get −1.
 * Their order among any subset of rows is the order of the values.
 */
export function denseRanks(x: Float64Array, order: Uint32Array): Int32Array {
  const ranks = new Int32Array(x.length).fill(-1);
  let rank = -1;
  for (let k = 0; k < order.length; k++) {
    if (k === 0 || x[order[k]] !== x[order[k - 1]]) rank++;
    ranks[order[k]] = rank;
  }
  return ranks;
}
