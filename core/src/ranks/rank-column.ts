import { sorted } from './sort-order';
import type { Ties } from './ties';

/** A column sorted once, for all the pairs it takes part in. */
export interface RankColumn {
  /** Rows of the present values, ascending. */
  readonly order: Uint32Array;
  /** Dense ranks by row: 0 for the smallest value, equal values alike; −1 where missing. */
  readonly dense: Int32Array;
  /** How the values are tied; null where some are missing, since then it depends on the partner. */
  readonly ties: Ties | null;
}

/**
 * Sorts a column once and for all: whoever keeps the result can give it to `correlationMatrix` again, which then sorts
 * nothing. Ranks of any subset of rows follow from it in one pass.
 * @param values NaN is missing; not changed
 *
 * @example
 * rankColumn(Float64Array.of(30, 10, 20, 10)).dense; // [2, 0, 1, 0]
 */
export function rankColumn(values: Float64Array): RankColumn {
  const { order, keys } = sorted(values);
  const n = order.length;
  const dense = new Int32Array(values.length);
  if (n < values.length) dense.fill(-1);
  let [groups, pairs, triples] = [0, 0, 0];
  for (let start = 0; start < n; groups++) {
    const row = order[start];
    dense[row] = groups;
    let end = start + 1;
    // Different keys tell different values apart without a look at them, which would go all over the memory.
    while (end < n && (!keys || keys[end] === keys[start]) && values[order[end]] === values[row]) dense[order[end++]] = groups;
    const size = end - start;
    pairs += size * (size - 1);
    triples += size * (size - 1) * (size - 2);
    start = end;
  }
  return { order, dense, ties: n === values.length ? { n, groups, pairs, triples } : null };
}

/** A column without missing values, ranked. */
export interface CompleteRanks extends RankColumn {
  readonly ties: Ties;
}

/** @throws {RangeError} a missing value: the caller takes complete rows only. */
export function rankComplete(values: Float64Array): CompleteRanks {
  const { ties, ...rest } = rankColumn(values);
  if (!ties) throw new RangeError('the column must have no missing values');
  return { ...rest, ties };
}

/** Midranks of a complete column: from 1, by row; tied values share the mean of their ranks (Kendall 1945). */
export function midranksOf({ dense, ties }: CompleteRanks): Float64Array {
  const n = dense.length;
  const ranks = new Float64Array(n);
  if (ties.pairs === 0) {
    for (let i = 0; i < n; i++) ranks[i] = dense[i] + 1;
    return ranks;
  }
  const middles = new Float64Array(ties.groups);
  for (let i = 0; i < n; i++) middles[dense[i]]++;
  for (let rank = 0, before = 0; rank < ties.groups; rank++) {
    const size = middles[rank];
    middles[rank] = before + (size + 1) / 2;
    before += size;
  }
  for (let i = 0; i < n; i++) ranks[i] = middles[dense[i]];
  return ranks;
}

/** Midranks of a complete column (no NaN). */
export function midranks(x: Float64Array): Float64Array {
  return midranksOf(rankComplete(x));
}

/**
 * Midranks of one column among the rows complete for a pair, found by walking its order: the same as ranking those
 * rows afresh. Ranks go to their rows, others stay untouched.
 */
export function ranksWithin({ order, dense }: RankColumn, other: RankColumn, ranks: Float64Array): Ties {
  let n = 0;
  let groups = 0;
  let pairs = 0;
  let triples = 0;
  let k = 0;
  while (k < order.length) {
    const rank = dense[order[k]];
    const start = k;
    let size = 0;
    for (; k < order.length && dense[order[k]] === rank; k++) if (other.dense[order[k]] >= 0) size++;
    if (size === 0) continue;
    const midrank = n + (size + 1) / 2;
    for (let i = start; i < k; i++) if (other.dense[order[i]] >= 0) ranks[order[i]] = midrank;
    n += size;
    groups++;
    pairs += size * (size - 1);
    triples += size * (size - 1) * (size - 2);
  }
  return { n, groups, pairs, triples };
}

/** Dense ranks of a column in the rows complete for a pair, in row order; for few rows. */
export function denseWithin(a: RankColumn, b: RankColumn): Int32Array {
  return a.dense.filter((rank, row) => rank >= 0 && b.dense[row] >= 0);
}
