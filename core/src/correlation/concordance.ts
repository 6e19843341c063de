import type { Ties } from '../ranks/ties';
import type { RankColumn, RankScratch } from './rank-column';

/** What Kendall's S is made of; all counts are integers. */
export interface Concordance {
  readonly n: number;
  /** Concordant less discordant pairs of rows. */
  readonly s: number;
  readonly tiesX: Ties;
  readonly tiesY: Ties;
}

/**
 * Kendall's S of the rows complete for both: O(n log n), with the sort taken from the column.
 * Source: Knight (1966), whose exchanges are counted in a tree instead of by merging.
 */
export function concordance(a: RankColumn, b: RankColumn, scratch: RankScratch): Concordance {
  const { sequence, counts } = scratch;
  const { n, ties: tiesX, jointTies } = isUntied(a) && b.whole ? untiedSequence(a, b, sequence) : tiedSequence(a, b, sequence);
  const tiesY = b.whole && a.whole ? b.whole.ties : tiesOf(sequence, n, counts);
  const s = (n * (n - 1)) / 2 - tiesX.pairs / 2 - tiesY.pairs / 2 + jointTies - 2 * countExchanges(sequence, n, counts);
  return { n, s, tiesX, tiesY };
}

interface Sequence {
  readonly n: number;
  readonly ties: Ties;
  /** Pairs of rows that are tied in both variables. */
  readonly jointTies: number;
}

function isUntied({ whole }: RankColumn): boolean {
  return whole !== null && whole.ties.pairs === 0;
}

function untiedSequence({ order }: RankColumn, { dense }: RankColumn, sequence: Int32Array): Sequence {
  const n = order.length;
  for (let k = 0; k < n; k++) sequence[k] = dense[order[k]];
  return { n, ties: { n, groups: n, pairs: 0, triples: 0 }, jointTies: 0 };
}

/** Dense ranks of b in the order of a, over the rows complete for both; within equal values of a, ascending. */
function tiedSequence({ order, dense }: RankColumn, { dense: other }: RankColumn, sequence: Int32Array): Sequence {
  let n = 0;
  let groups = 0;
  let pairs = 0;
  let triples = 0;
  let jointTies = 0;
  let k = 0;
  while (k < order.length) {
    const rank = dense[order[k]];
    const start = n;
    for (; k < order.length && dense[order[k]] === rank; k++) {
      const value = other[order[k]];
      if (value >= 0) sequence[n++] = value;
    }
    const size = n - start;
    if (size === 0) continue;
    groups++;
    if (size === 1) continue;
    pairs += size * (size - 1);
    triples += size * (size - 1) * (size - 2);
    jointTies += tiedPairs(sequence.subarray(start, n).sort());
  }
  return { n, ties: { n, groups, pairs, triples }, jointTies };
}

function tiedPairs(sorted: Int32Array): number {
  let pairs = 0;
  let run = 1;
  for (let i = 1; i < sorted.length; i++) {
    if (sorted[i] === sorted[i - 1]) pairs += run++;
    else run = 1;
  }
  return pairs;
}

/** Ties among dense ranks, which are below the length of `counts`. */
function tiesOf(values: Int32Array, n: number, counts: Int32Array): Ties {
  counts.fill(0);
  for (let i = 0; i < n; i++) counts[values[i]]++;
  let groups = 0;
  let pairs = 0;
  let triples = 0;
  for (let rank = 0; rank < counts.length; rank++) {
    const size = counts[rank];
    if (size === 0) continue;
    groups++;
    pairs += size * (size - 1);
    triples += size * (size - 1) * (size - 2);
  }
  return { n, groups, pairs, triples };
}

/**
 * How many pairs of the first n values stand in the wrong order: from the last to the first, each counts the smaller
 * ones behind it in a tree of partial sums (Fenwick 1994).
 * @param values not negative and below the length of `tree` less one
 */
export function countExchanges(values: Int32Array, n: number, tree: Int32Array): number {
  let largest = 0;
  for (let i = 0; i < n; i++) if (values[i] > largest) largest = values[i];
  const size = largest + 1;
  tree.fill(0, 0, size + 1);
  let exchanges = 0;
  for (let i = n - 1; i >= 0; i--) {
    const value = values[i];
    for (let k = value; k > 0; k &= k - 1) exchanges += tree[k];
    for (let k = value + 1; k <= size; k += k & -k) tree[k]++;
  }
  return exchanges;
}
