import { clusterOrder } from '@ivlen/core';
import { expect, it, test } from 'vitest';
import { Random } from '../src/random/random';

/** Sum of 1 − |r| between neighbours of an order. */
function way(order: readonly number[], r: Float64Array, size: number): number {
  return order.slice(1).reduce((sum, j, k) => sum + 1 - Math.abs(r[order[k] * size + j]), 0);
}

function randomMatrix(size: number, seed: number): Float64Array {
  const random = new Random(seed);
  const r = new Float64Array(size * size).fill(1);
  for (let i = 0; i < size; i++) for (let j = 0; j < i; j++) r[i * size + j] = r[j * size + i] = 2 * random.uniform() - 1;
  return r;
}

it('puts blocks that belong together side by side, whatever the signs', () => {
  const blocks = [0, 1, 0, 1, 2, 0];
  const r = Float64Array.from({ length: 36 }, (_, at) => {
    const [i, j] = [Math.floor(at / 6), at % 6];
    return i === j ? 1 : (blocks[i] === blocks[j] ? 0.9 : 0.1) * ((i + j) % 2 === 0 ? 1 : -1);
  });
  const order = clusterOrder(r).map((i) => blocks[i]);
  expect(order.filter((block, k) => k > 0 && block !== order[k - 1]).length).toBe(2);
});

test.each([1, 2, 3, 4, 5])('turning the branches of the tree cannot shorten the way, seed %d', (seed) => {
  const size = 7;
  const r = randomMatrix(size, seed);
  const order = clusterOrder(r);
  expect([...order].sort()).toEqual([0, 1, 2, 3, 4, 5, 6]);
  // Turning any run of neighbours that is a branch keeps the tree; the order found must beat the reversal of both halves.
  const found = way(order, r, size);
  for (let cut = 1; cut < size; cut++) {
    const turned = [...order.slice(0, cut).reverse(), ...order.slice(cut)];
    const isBranch = cut === 1 || found <= way(turned, r, size) + 1e-12 || !isSubtree(r, size, order.slice(0, cut));
    expect(isBranch).toBe(true);
  }
});

/** Whether these leaves are joined among themselves before any is joined with another: by the same linkage, naively. */
function isSubtree(r: Float64Array, size: number, leaves: readonly number[]): boolean {
  let clusters = Array.from({ length: size }, (_, i) => [i]);
  const apart = (a: readonly number[], b: readonly number[]) =>
    a.flatMap((i) => b.map((j) => 1 - Math.abs(r[i * size + j]))).reduce((sum, d) => sum + d, 0) / (a.length * b.length);
  while (clusters.length > 1) {
    const pairs = clusters.flatMap((a, i) => clusters.slice(i + 1).map((b) => ({ a, b, d: apart(a, b) })));
    const { a, b } = pairs.reduce((nearest, pair) => (pair.d < nearest.d ? pair : nearest));
    const joined = [...a, ...b];
    if (joined.length === leaves.length && joined.every((leaf) => leaves.includes(leaf))) return true;
    clusters = [...clusters.filter((cluster) => cluster !== a && cluster !== b), joined];
  }
  return false;
}

it('takes undefined coefficients as none, and small or odd matrices as they are', () => {
  expect(clusterOrder(Float64Array.of(1, Number.NaN, 0.9, Number.NaN, 1, Number.NaN, 0.9, Number.NaN, 1))).toHaveLength(3);
  expect(clusterOrder(Float64Array.of(1, 0.5, 0.5, 1))).toEqual([0, 1]);
  expect(clusterOrder(new Float64Array(0))).toEqual([]);
  expect(() => clusterOrder(new Float64Array(3))).toThrow(/square/);
});
