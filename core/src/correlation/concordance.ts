import type { Ties } from '../ranks/ties';
import type { RankColumn, RankScratch } from './rank-column';

/** What Kendall's S is made of; all counts are integers. */
export interface Concordance {
  readonly n: number;
  /** Concordant less discordant pairs of rows. */
  readonly s: number;
  readonly tiesX: Ties;
  readonly tiesY: Ties;
  /** Rows that share the commonest value of either variable. */
  readonly largestTie: number;
}

/**
 * Kendall's S of the rows complete for both: O(n log n), with the sort taken from the column. Leaves in the scratch memory,
 * by place in the order of x, what `spreadOfTau` reads: each row's balance and how many rows share its x and its y.
 * Source: Knight (1966), whose exchanges are counted in a tree of partial sums (Fenwick 1994) instead of by merging.
 */
export function concordance(a: RankColumn, b: RankColumn, scratch: RankScratch): Concordance {
  const { n, ties: tiesX } = isUntied(a) && b.whole ? untiedSequence(a, b, scratch) : tiedSequence(a, b, scratch);
  const tiesY = countValues(scratch, n);
  return { n, s: countBalances(scratch, n) / 2, tiesX, tiesY, largestTie: largestTie(scratch, n) };
}

function isUntied({ whole }: RankColumn): boolean {
  return whole !== null && whole.ties.pairs === 0;
}

interface Sequence {
  readonly n: number;
  readonly ties: Ties;
}

function untiedSequence({ order }: RankColumn, { dense }: RankColumn, { sequence, sharedX }: RankScratch): Sequence {
  const n = order.length;
  for (let k = 0; k < n; k++) sequence[k] = dense[order[k]];
  sharedX.fill(1, 0, n);
  return { n, ties: { n, groups: n, pairs: 0, triples: 0 } };
}

/** Dense ranks of b in the order of a, over the rows complete for both; within equal values of a, ascending. */
function tiedSequence({ order, dense }: RankColumn, { dense: other }: RankColumn, { sequence, sharedX }: RankScratch): Sequence {
  let n = 0;
  let groups = 0;
  let pairs = 0;
  let triples = 0;
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
    sharedX.fill(size, start, n);
    if (size === 1) continue;
    pairs += size * (size - 1);
    triples += size * (size - 1) * (size - 2);
    sequence.subarray(start, n).sort();
  }
  return { n, ties: { n, groups, pairs, triples } };
}

function largestTie({ sequence, sharedX, counts }: RankScratch, n: number): number {
  let largest = 0;
  for (let i = 0; i < n; i++) largest = Math.max(largest, sharedX[i], counts[sequence[i]]);
  return largest;
}

/** How often each dense rank of y occurs, how many rows lie below it, and the ties that follow. */
function countValues({ sequence, counts, below }: RankScratch, n: number): Ties {
  let largest = -1;
  for (let i = 0; i < n; i++) if (sequence[i] > largest) largest = sequence[i];
  counts.fill(0, 0, largest + 1);
  for (let i = 0; i < n; i++) counts[sequence[i]]++;
  let groups = 0;
  let pairs = 0;
  let triples = 0;
  let before = 0;
  for (let rank = 0; rank <= largest; rank++) {
    const size = counts[rank];
    below[rank] = before;
    before += size;
    if (size === 0) continue;
    groups++;
    pairs += size * (size - 1);
    triples += size * (size - 1) * (size - 2);
  }
  return { n, groups, pairs, triples };
}

/**
 * For each row its concordant less its discordant partners. Rows before it in x are counted in a tree, those behind it are
 * all others less these and less its equals in x.
 * @returns their sum, 2S
 */
function countBalances({ sequence, sharedX, counts, below, seen, tree, balance }: RankScratch, n: number): number {
  let size = 1;
  for (let i = 0; i < n; i++) if (sequence[i] >= size) size = sequence[i] + 1;
  tree.fill(0, 0, size + 1);
  seen.fill(0, 0, size);
  let sum = 0;
  for (let start = 0; start < n; ) {
    const end = start + sharedX[start];
    for (let i = start; i < end; ) {
      const value = sequence[i];
      let last = i + 1;
      while (last < end && sequence[last] === value) last++;
      let lower = 0;
      for (let k = value; k > 0; k &= k - 1) lower += tree[k];
      const higher = start - lower - seen[value];
      const [allLower, allHigher] = [below[value], n - below[value] - counts[value]];
      const concordant = lower + allHigher - higher - (end - last);
      const discordant = higher + allLower - lower - (i - start);
      for (let k = i; k < last; k++) balance[k] = concordant - discordant;
      sum += (last - i) * (concordant - discordant);
      i = last;
    }
    for (let i = start; i < end; i++) {
      seen[sequence[i]]++;
      for (let k = sequence[i] + 1; k <= size; k += k & -k) tree[k]++;
    }
    start = end;
  }
  return sum;
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
