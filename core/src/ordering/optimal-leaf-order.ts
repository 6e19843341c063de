/** A binary tree over numbered leaves. */
export interface Tree {
  readonly leaves: readonly number[];
  readonly children: readonly [Tree, Tree] | null;
}

/** Shortest ways through the leaves of a tree, by their two ends. */
interface Ways {
  /** Length by first and last leaf, size × size; Infinity where there is none. */
  readonly length: Float64Array;
  /** The leaves beside the cut between the children, by the ends: left one · size + right one. */
  readonly cut: Int32Array;
}

/**
 * The order of a tree's leaves with the shortest sum of distances between neighbours, among all that turning its branches
 * allows. Source: Bar-Joseph, Gifford & Jaakkola (2001): for each subtree the best way for every pair of ends.
 */
export function optimalLeafOrder(tree: Tree, distance: Float64Array, size: number): number[] {
  const ways = new Map<Tree, Ways>();
  findWays(tree, distance, size, ways);
  const { length } = waysOf(ways, tree);
  let best = 0;
  for (let at = 1; at < length.length; at++) if (length[at] < length[best]) best = at;
  return trace(tree, Math.floor(best / size), best % size, size, ways);
}

function findWays(tree: Tree, distance: Float64Array, size: number, ways: Map<Tree, Ways>): void {
  const length = new Float64Array(size * size).fill(Number.POSITIVE_INFINITY);
  const cut = new Int32Array(size * size).fill(-1);
  ways.set(tree, { length, cut });
  if (!tree.children) {
    length[tree.leaves[0] * (size + 1)] = 0;
    return;
  }
  const [left, right] = tree.children;
  findWays(left, distance, size, ways);
  findWays(right, distance, size, ways);
  const [ofLeft, ofRight] = [waysOf(ways, left).length, waysOf(ways, right).length];
  for (const u of left.leaves) {
    // The way from u to a leaf of the right child: first through the left one, for every leaf of the right to arrive at.
    const arrival = new Float64Array(size).fill(Number.POSITIVE_INFINITY);
    const through = new Int32Array(size).fill(-1);
    for (const k of right.leaves) {
      for (const m of left.leaves) {
        const way = ofLeft[u * size + m] + distance[m * size + k];
        if (way < arrival[k]) {
          arrival[k] = way;
          through[k] = m;
        }
      }
    }
    for (const w of right.leaves) {
      for (const k of right.leaves) {
        const way = arrival[k] + ofRight[k * size + w];
        if (way < length[u * size + w]) {
          length[u * size + w] = way;
          length[w * size + u] = way;
          cut[u * size + w] = through[k] * size + k;
          cut[w * size + u] = k * size + through[k];
        }
      }
    }
  }
}

function trace(tree: Tree, first: number, last: number, size: number, ways: Map<Tree, Ways>): number[] {
  if (!tree.children) return [tree.leaves[0]];
  const [left, right] = tree.children;
  const [start, end] = left.leaves.includes(first) ? [left, right] : [right, left];
  const at = waysOf(ways, tree).cut[first * size + last];
  return [...trace(start, first, Math.floor(at / size), size, ways), ...trace(end, at % size, last, size, ways)];
}

function waysOf(ways: Map<Tree, Ways>, tree: Tree): Ways {
  const found = ways.get(tree);
  if (!found) throw new Error('a subtree was not visited before its parent');
  return found;
}
