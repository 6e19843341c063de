import { centreColumn } from '../columns/centre';
import { countExchanges } from '../correlation/concordance';
import { toUnitLength } from '../correlation/unit-product';
import { type RankColumn, rankColumn } from '../ranks/rank-column';

/** A pair made ready for shuffling; null where a variable does not vary. */
export interface Permuted {
  /** The statistic of x against `shuffled` as it stands. */
  readonly statistic: () => number;
  readonly shuffled: Float64Array | Int32Array;
}

/** Pearson's r of the given columns; `studentized` divides it by its distribution-free standard error. */
export function permutedProduct(x: Float64Array, y: Float64Array, studentized: boolean): Permuted | null {
  const u = centreColumn(x);
  const v = centreColumn(y);
  if (u.constant || v.constant) return null;
  toUnitLength(u.centred);
  toUnitLength(v.centred);
  const [fixed, shuffled] = [u.centred, v.centred];
  const statistic = () => {
    let product = 0;
    for (let i = 0; i < fixed.length; i++) product += fixed[i] * shuffled[i];
    if (!studentized) return product;
    let squares = 0;
    for (let i = 0; i < fixed.length; i++) squares += (fixed[i] * shuffled[i]) ** 2;
    // Unit lengths: r/√(n·Σu²v²)·√n, as m22/(m20·m02) = n·Σu²v².
    return product / Math.sqrt(squares);
  };
  return { statistic, shuffled };
}

/** Ties do not change under shuffling, so that S is judged by the discordant pairs less the concordant ones. */
export function permutedKendall(x: Float64Array, y: Float64Array): Permuted | null {
  const [a, b] = [rankColumn(x), rankColumn(y)];
  if (a.ties?.groups === 1 || b.ties?.groups === 1) return null;
  const n = x.length;
  const [sequence, tree] = [new Int32Array(n), new Int32Array(n + 2)];
  const shuffled = Int32Array.from(a.order, (row) => b.dense[row]);
  const groups = tiedStretches(a);
  const untied = (n * (n - 1) - (a.ties?.pairs ?? 0) - (b.ties?.pairs ?? 0)) / 2;
  const statistic = () => {
    sequence.set(shuffled);
    let joint = 0;
    for (const [start, end] of groups) joint += sortedTies(sequence, start, end);
    return untied + joint - 2 * countExchanges(sequence, n, tree);
  };
  return { statistic, shuffled };
}

/** Where rows with equal x stand in the order of x: from, to; only groups of two and more. */
function tiedStretches({ order, dense }: RankColumn): (readonly [number, number])[] {
  const stretches: (readonly [number, number])[] = [];
  for (let start = 0; start < order.length; ) {
    let end = start + 1;
    while (end < order.length && dense[order[end]] === dense[order[start]]) end++;
    if (end - start > 1) stretches.push([start, end]);
    start = end;
  }
  return stretches;
}

/** Sorts a stretch in place and counts its pairs of equal values. */
function sortedTies(values: Int32Array, start: number, end: number): number {
  values.subarray(start, end).sort();
  let pairs = 0;
  for (let i = start + 1, run = 1; i < end; i++) {
    if (values[i] === values[i - 1]) pairs += run++;
    else run = 1;
  }
  return pairs;
}
