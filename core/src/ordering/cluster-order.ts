import { optimalLeafOrder, type Tree } from './optimal-leaf-order';

/**
 * An order of variables that puts those with large coefficients side by side.
 *
 * Distance 1 − |coefficient|, undefined counts as 1; average linkage (Sokal & Michener 1958); among the orders that the
 * tree allows, the one with the shortest way from neighbour to neighbour (Bar-Joseph, Gifford & Jaakkola 2001).
 * @param coefficient size × size, row-major, symmetric
 * @returns numbers of the variables, in the new order
 * @throws {RangeError} a matrix that is not square.
 *
 * @example
 * clusterOrder(Float64Array.of(1, 0.1, 0.9, 0.1, 1, 0.2, 0.9, 0.2, 1)); // [0, 2, 1]
 */
export function clusterOrder(coefficient: Float64Array): number[] {
  const size = Math.round(Math.sqrt(coefficient.length));
  if (size * size !== coefficient.length) throw new RangeError(`coefficient must be square; got ${coefficient.length} cells`);
  const distance = coefficient.map((value, at) => (at % (size + 1) === 0 ? 0 : Number.isNaN(value) ? 1 : 1 - Math.abs(value)));
  if (size < 3) return Array.from({ length: size }, (_, i) => i);
  return optimalLeafOrder(averageLinkage(distance, size), distance, size);
}

/** Joins the two nearest clusters again and again; a cluster's distance is the mean over all pairs of its members. */
function averageLinkage(distance: Float64Array, size: number): Tree {
  const between = distance.slice();
  const members = new Array<number>(size).fill(1);
  const trees = new Map<number, Tree>(Array.from({ length: size }, (_, i) => [i, { leaves: [i], children: null }]));
  for (;;) {
    const alive = [...trees.keys()];
    if (alive.length === 1) break;
    let [a, b] = [alive[0], alive[1]];
    for (const i of alive) for (const j of alive) if (i < j && between[i * size + j] < between[a * size + b]) [a, b] = [i, j];
    for (const k of alive) {
      if (k === a || k === b) continue;
      const mean = (members[a] * between[a * size + k] + members[b] * between[b * size + k]) / (members[a] + members[b]);
      between[a * size + k] = mean;
      between[k * size + a] = mean;
    }
    members[a] += members[b];
    const [left, right] = [trees.get(a), trees.get(b)];
    if (left && right) trees.set(a, { leaves: [...left.leaves, ...right.leaves], children: [left, right] });
    trees.delete(b);
  }
  const [root] = trees.values();
  return root;
}
