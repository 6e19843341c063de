/** For each row of a pair, how the other rows stand to it. */
export interface PairCounts {
  /** Rows larger in both. */
  readonly bothAbove: Float64Array;
  /** Rows equal in x and larger in y. */
  readonly tiedXAboveY: Float64Array;
  /** Rows larger in x and equal in y. */
  readonly aboveXTiedY: Float64Array;
  /** Other rows equal in both. */
  readonly tiedBoth: Float64Array;
}

/**
 * Counts for each row, in O(n log n), by a tree of partial sums (Fenwick 1994) filled in the order of x.
 * @param order rows by x, ascending
 * @param denseX dense ranks, from 0
 */
export function countPairs(order: Uint32Array, denseX: Int32Array, denseY: Int32Array): PairCounts {
  const n = order.length;
  const size = denseY.reduce((largest, rank) => Math.max(largest, rank), 0) + 1;
  const tree = new Int32Array(size + 1);
  const counts = {
    bothAbove: new Float64Array(n),
    tiedXAboveY: new Float64Array(n),
    aboveXTiedY: new Float64Array(n),
    tiedBoth: new Float64Array(n),
  };
  let filled = 0;
  const upTo = (rank: number) => {
    let sum = 0;
    for (let k = rank + 1; k > 0; k &= k - 1) sum += tree[k];
    return sum;
  };
  // From the largest x down: the tree then holds the rows larger in x.
  for (let end = n; end > 0; ) {
    let start = end - 1;
    while (start > 0 && denseX[order[start - 1]] === denseX[order[start]]) start--;
    for (let k = start; k < end; k++) {
      const row = order[k];
      const notAbove = upTo(denseY[row]);
      counts.bothAbove[row] = filled - notAbove;
      counts.aboveXTiedY[row] = notAbove - (denseY[row] > 0 ? upTo(denseY[row] - 1) : 0);
    }
    countWithin(order.subarray(start, end), denseY, counts);
    for (let k = start; k < end; k++) for (let at = denseY[order[k]] + 1; at <= size; at += at & -at) tree[at]++;
    filled += end - start;
    end = start;
  }
  return counts;
}

/** Within rows equal in x: which are larger in y, which equal. */
function countWithin(rows: Uint32Array, denseY: Int32Array, counts: Pick<PairCounts, 'tiedXAboveY' | 'tiedBoth'>): void {
  if (rows.length === 1) return;
  const sorted = rows.slice().sort((a, b) => denseY[a] - denseY[b]);
  for (let start = 0; start < sorted.length; ) {
    let end = start + 1;
    while (end < sorted.length && denseY[sorted[end]] === denseY[sorted[start]]) end++;
    for (let k = start; k < end; k++) {
      counts.tiedXAboveY[sorted[k]] = sorted.length - end;
      counts.tiedBoth[sorted[k]] = end - start - 1;
    }
    start = end;
  }
}
