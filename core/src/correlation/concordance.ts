import type { RankColumn } from '../ranks/rank-column';
import type { Ties } from '../ranks/ties';
import type { RankScratch } from './rank-scratch';

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
  const complete = a.ties && b.ties;
  const { n, ties: tiesX } = complete && isUntied(a) ? untiedSequence(a, b, scratch) : tiedSequence(a, b, scratch);
  const tiesY = complete && isUntied(b) ? countUntied(scratch, n) : countValues(scratch, n);
  const values = largestOf(scratch.sequence, n) + 1;
  const s = countBalances(scratch, n, values, tiesX.pairs > 0) / 2;
  return { n, s, tiesX, tiesY, largestTie: largestTie(scratch, n, tiesX, tiesY, values) };
}

function isUntied({ ties }: RankColumn): boolean {
  return ties !== null && ties.pairs === 0;
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
function tiedSequence({ order, dense }: RankColumn, { dense: other }: RankColumn, { sequence, sharedX, startsX }: RankScratch): Sequence {
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
    // Plain loops: most stretches are short, and `fill` takes longer to call than they are.
    for (let i = start; i < n; i++) {
      sharedX[i] = size;
      startsX[i] = start;
    }
    if (size === 1) continue;
    pairs += size * (size - 1);
    triples += size * (size - 1) * (size - 2);
    sortStretch(sequence, start, n);
  }
  return { n, ties: { n, groups, pairs, triples } };
}

/** Stretches up to this length are put in order by insertion: a view of the column for each takes longer than that. */
const SHORT = 24;

/** Sorts values from one place to before another. */
function sortStretch(values: Int32Array, from: number, to: number): void {
  if (to - from > SHORT) {
    values.subarray(from, to).sort();
    return;
  }
  for (let i = from + 1; i < to; i++) {
    const value = values[i];
    let at = i;
    for (; at > from && values[at - 1] > value; at--) values[at] = values[at - 1];
    values[at] = value;
  }
}

function largestTie({ sharedX, counts }: RankScratch, n: number, tiesX: Ties, tiesY: Ties, values: number): number {
  let largest = Math.min(n, 1);
  if (tiesX.pairs > 0) for (let i = 0; i < n; i++) if (sharedX[i] > largest) largest = sharedX[i];
  if (tiesY.pairs > 0) for (let rank = 0; rank < values; rank++) if (counts[rank] > largest) largest = counts[rank];
  return largest;
}

/** As `countValues`, for a complete column without ties: its dense ranks are 0 … n − 1. */
function countUntied({ counts, below }: RankScratch, n: number): Ties {
  counts.fill(1, 0, n);
  for (let rank = 0; rank < n; rank++) below[rank] = rank;
  return { n, groups: n, pairs: 0, triples: 0 };
}

/** How often each dense rank of y occurs, how many rows lie below it, and the ties that follow. */
function countValues({ sequence, counts, below }: RankScratch, n: number): Ties {
  const largest = largestOf(sequence, n);
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

/** Values of y are counted in blocks of so many bits, whose trees stay in the processor's cache. */
const BLOCK_BITS = 10;
const BLOCK = 1 << BLOCK_BITS;
const IN_BLOCK = BLOCK - 1;
/** What of a row is moved to its block: its value, its place in the order of x, and the rows before it in lower blocks. */
const MOVED = 3;

/**
 * For each row its concordant less its discordant partners. Rows before it in x are counted in trees, those behind it are
 * all others less these and less its equals in x. One tree counts whole blocks of values; then each block is gone through
 * by itself.
 * @param values of y: dense ranks lie below this number
 * @returns their sum, 2S
 */
function countBalances(scratch: RankScratch, n: number, values: number, tiedX: boolean): number {
  const { below, seen } = scratch;
  moveToBlocks(scratch, n, Math.ceil(values / BLOCK));
  seen.fill(0, 0, values);
  const count = tiedX ? countTiedInBlock : countUntiedInBlock;
  let sum = 0;
  for (let first = 0; first < values; first += BLOCK) {
    const size = Math.min(BLOCK, values - first);
    sum += count(scratch, n, size, below[first], first + size < values ? below[first + size] : n);
  }
  return sum;
}

/** Counts for each row those before it in lower blocks, and puts the rows of each block together, in the order of x. */
function moveToBlocks({ sequence, sharedX, below, tree, moved, next }: RankScratch, n: number, blocks: number): void {
  tree.fill(0, 0, blocks + 1);
  for (let block = 0; block < blocks; block++) next[block] = below[block << BLOCK_BITS];
  for (let start = 0; start < n; ) {
    const end = start + sharedX[start];
    for (let i = start; i < end; i++) {
      const value = sequence[i];
      const block = value >> BLOCK_BITS;
      let lower = 0;
      for (let k = block; k > 0; k &= k - 1) lower += tree[k];
      const at = MOVED * next[block]++;
      moved[at] = value;
      moved[at + 1] = i;
      moved[at + 2] = lower;
    }
    for (let i = start; i < end; i++) for (let k = (sequence[i] >> BLOCK_BITS) + 1; k <= blocks; k += k & -k) tree[k]++;
    start = end;
  }
}

/** The balances of the rows of a block, where no two rows share their x. @param size values of the block @returns their sum */
function countUntiedInBlock(
  { counts, below, seen, tree, moved, balance }: RankScratch,
  n: number,
  size: number,
  from: number,
  to: number,
): number {
  tree.fill(0, 0, size + 1);
  let sum = 0;
  for (let at = MOVED * from; at < MOVED * to; at += MOVED) {
    const value = moved[at];
    const place = moved[at + 1];
    let lower = moved[at + 2];
    for (let k = value & IN_BLOCK; k > 0; k &= k - 1) lower += tree[k];
    const higher = place - lower - seen[value];
    const own = 2 * (lower - higher) + (n - below[value] - counts[value]) - below[value];
    balance[place] = own;
    sum += own;
    seen[value]++;
    for (let k = (value & IN_BLOCK) + 1; k <= size; k += k & -k) tree[k]++;
  }
  return sum;
}

/** The same where rows share their x: those stand beside each other in order of y, and do not count as before or behind. */
function countTiedInBlock(scratch: RankScratch, n: number, size: number, from: number, to: number): number {
  const { sharedX, startsX, counts, below, seen, tree, moved, balance } = scratch;
  tree.fill(0, 0, size + 1);
  let sum = 0;
  for (let at = from; at < to; ) {
    const first = at;
    const start = startsX[moved[MOVED * at + 1]];
    const end = start + sharedX[start];
    while (at < to && moved[MOVED * at + 1] < end) {
      const value = moved[MOVED * at];
      const place = moved[MOVED * at + 1];
      let lower = moved[MOVED * at + 2];
      for (let k = value & IN_BLOCK; k > 0; k &= k - 1) lower += tree[k];
      let equal = 0;
      while (at < to && moved[MOVED * at] === value && moved[MOVED * at + 1] < end) {
        at++;
        equal++;
      }
      const higher = start - lower - seen[value];
      const [allLower, allHigher] = [below[value], n - below[value] - counts[value]];
      const besides = end - (place + equal) - (place - start);
      const own = 2 * (lower - higher) + allHigher - allLower - besides;
      for (let i = place; i < place + equal; i++) balance[i] = own;
      sum += equal * own;
    }
    for (let i = first; i < at; i++) {
      const value = moved[MOVED * i];
      seen[value]++;
      for (let k = (value & IN_BLOCK) + 1; k <= size; k += k & -k) tree[k]++;
    }
  }
  return sum;
}

/**
 * How many pairs of the first n values stand in the wrong order: from the last to the first, each counts the smaller
 * ones behind it in a tree of partial sums (Fenwick 1994).
 * @param values not negative and below the length of `tree` less one
 */
export function countExchanges(values: Int32Array, n: number, tree: Int32Array): number {
  const size = largestOf(values, n) + 1;
  tree.fill(0, 0, size + 1);
  let exchanges = 0;
  for (let i = n - 1; i >= 0; i--) {
    const value = values[i];
    for (let k = value; k > 0; k &= k - 1) exchanges += tree[k];
    for (let k = value + 1; k <= size; k += k & -k) tree[k]++;
  }
  return exchanges;
}

/** The largest of the first n values, none of which is negative; 0 of none. */
function largestOf(values: Int32Array, n: number): number {
  let largest = 0;
  for (let i = 0; i < n; i++) if (values[i] > largest) largest = values[i];
  return largest;
}
