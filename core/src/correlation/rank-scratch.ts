/** Scratch memory for one pair at a time. What belongs to a place in the order of x, or to a dense rank of y, says so. */
export interface RankScratch {
  readonly ranksX: Float64Array;
  readonly ranksY: Float64Array;
  /** Dense ranks of y by place. */
  readonly sequence: Int32Array;
  /** Rows that share the x of a place, itself included. */
  readonly sharedX: Int32Array;
  /** The first place with the x of a place. */
  readonly startsX: Int32Array;
  /** Concordant less discordant partners, by place. */
  readonly balance: Int32Array;
  /** By dense rank: how often it occurs, how many rows lie below, how many were passed so far. */
  readonly counts: Int32Array;
  readonly below: Int32Array;
  readonly seen: Int32Array;
  readonly tree: Int32Array;
  /** Rows put together by blocks of y, three numbers each, and where the next of a block goes. */
  readonly moved: Int32Array;
  readonly next: Int32Array;
}

export function createRankScratch(rows: number): RankScratch {
  const integers = () => new Int32Array(rows + 2);
  return {
    ranksX: new Float64Array(rows),
    ranksY: new Float64Array(rows),
    sequence: integers(),
    sharedX: integers(),
    startsX: integers(),
    balance: integers(),
    counts: integers(),
    below: integers(),
    seen: integers(),
    tree: integers(),
    moved: new Int32Array(3 * rows),
    next: integers(),
  };
}
