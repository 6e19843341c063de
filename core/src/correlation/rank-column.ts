import { denseRanks, type Ranking, rankBy } from '../ranks/midranks';
import { sortOrder } from '../ranks/sort-order';
import type { Ties } from '../ranks/ties';

/** A column sorted once, for all the pairs it takes part in. */
export interface RankColumn {
  /** Rows of the present values, ascending. */
  readonly order: Uint32Array;
  /** Dense ranks by row; −1 where missing. */
  readonly dense: Int32Array;
  /** Midranks and ties over all rows; only for complete columns. */
  readonly whole: Ranking | null;
}

export function createRankColumn(values: Float64Array): RankColumn {
  const order = sortOrder(values);
  return { order, dense: denseRanks(values, order), whole: order.length === values.length ? rankBy(values, order) : null };
}

/** Scratch memory for one pair at a time. What belongs to a place in the order of x, or to a dense rank of y, says so. */
export interface RankScratch {
  readonly ranksX: Float64Array;
  readonly ranksY: Float64Array;
  /** Dense ranks of y by place. */
  readonly sequence: Int32Array;
  /** Rows that share the x of a place, itself included. */
  readonly sharedX: Int32Array;
  /** Concordant less discordant partners, by place. */
  readonly balance: Int32Array;
  /** By dense rank: how often it occurs, how many rows lie below, how many were passed so far. */
  readonly counts: Int32Array;
  readonly below: Int32Array;
  readonly seen: Int32Array;
  readonly tree: Int32Array;
}

export function createRankScratch(rows: number): RankScratch {
  const integers = () => new Int32Array(rows + 2);
  return {
    ranksX: new Float64Array(rows),
    ranksY: new Float64Array(rows),
    sequence: integers(),
    sharedX: integers(),
    balance: integers(),
    counts: integers(),
    below: integers(),
    seen: integers(),
    tree: integers(),
  };
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
