import { countPairs } from '../ranks/pair-counts';
import { rankComplete } from '../ranks/rank-column';
import type { Ties } from '../ranks/ties';
import { withoutOne } from './spearman-leave-one-out';
import { tauB } from './tau';

/** Kendall's τ-b with and without each row of a complete pair: S less what the row's own pairs add to it; O(n log n). */
export function kendallLeaveOneOut(x: Float64Array, y: Float64Array): { coefficient: number; without: Float64Array } {
  const n = x.length;
  const [{ order: orderX, dense: denseX, ties: tiesX }, { dense: denseY, ties: tiesY }] = [rankComplete(x), rankComplete(y)];
  const [sizesX, sizesY] = [groupSizeByRow(denseX), groupSizeByRow(denseY)];
  const above = countPairs(orderX, denseX, denseY).bothAbove;
  // The same with both axes turned counts the rows smaller in both.
  const [turnedX, turnedY] = [turned(denseX), turned(denseY)];
  const below = countPairs(orderX.slice().reverse(), turnedX, turnedY).bothAbove;
  const mixedUp = countPairs(orderX, denseX, turnedY).bothAbove;
  const mixedDown = countPairs(orderX.slice().reverse(), turnedX, denseY).bothAbove;
  const own = Float64Array.from({ length: n }, (_, i) => above[i] + below[i] - mixedUp[i] - mixedDown[i]);
  const s = own.reduce((sum, value) => sum + value, 0) / 2;
  const without = own.map((value, i) => tau(s - value, withoutOne(tiesX, sizesX[i]), withoutOne(tiesY, sizesY[i])));
  return { coefficient: tau(s, tiesX, tiesY), without };
}

function tau(s: number, tiesX: Ties, tiesY: Ties): number {
  if (tiesX.n < 3 || tiesX.groups === 1 || tiesY.groups === 1) return Number.NaN;
  return tauB({ n: tiesX.n, s, tiesX, tiesY }).r;
}

function groupSizeByRow(dense: Int32Array): Int32Array {
  const counts = new Int32Array(dense.length);
  for (const rank of dense) counts[rank]++;
  return dense.map((rank) => counts[rank]);
}

function turned(dense: Int32Array): Int32Array {
  const largest = dense.reduce((most, rank) => Math.max(most, rank), 0);
  return dense.map((rank) => largest - rank);
}
