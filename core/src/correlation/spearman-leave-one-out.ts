import { countPairs } from '../ranks/pair-counts';
import { type CompleteRanks, midranksOf, rankComplete } from '../ranks/rank-column';
import { rankVariation, type Ties } from '../ranks/ties';

/**
 * Spearman's ρ with and without each row of a complete pair, in O(n log n).
 *
 * Without row i the rank of a larger value falls by 1 and of an equal one by ½. With aⱼ, bⱼ these steps,
 * Σ(Rⱼ − aⱼ)(Sⱼ − bⱼ) = ΣRS − RᵢSᵢ − ΣaS − ΣbR + Σab: sums of ranks behind a place in the order, and counts of pairs.
 */
export function spearmanLeaveOneOut(x: Float64Array, y: Float64Array): { coefficient: number; without: Float64Array } {
  const n = x.length;
  const [rankedX, rankedY] = [rankComplete(x), rankComplete(y)];
  const [r, s] = [midranksOf(rankedX), midranksOf(rankedY)];
  let products = 0;
  for (let i = 0; i < n; i++) products += r[i] * s[i];
  const stepsOfX = sumsBehind(rankedX, s);
  const stepsOfY = sumsBehind(rankedY, r);
  const pairs = countPairs(rankedX.order, rankedX.dense, rankedY.dense);
  const without = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const both = pairs.bothAbove[i] + (pairs.tiedXAboveY[i] + pairs.aboveXTiedY[i]) / 2 + pairs.tiedBoth[i] / 4;
    const left = products - r[i] * s[i] - stepsOfX.sums[i] - stepsOfY.sums[i] + both;
    without[i] = rho(left, withoutOne(rankedX.ties, stepsOfX.sizes[i]), withoutOne(rankedY.ties, stepsOfY.sizes[i]));
  }
  return { coefficient: rho(products, rankedX.ties, rankedY.ties), without };
}

function rho(products: number, tiesX: Ties, tiesY: Ties): number {
  const { n } = tiesX;
  if (n < 3 || tiesX.groups === 1 || tiesY.groups === 1) return Number.NaN;
  const [a, b] = [rankVariation(tiesX), rankVariation(tiesY)];
  const covariation = products - (n * (n + 1) ** 2) / 4;
  return covariation / (a === b ? a : Math.sqrt(a) * Math.sqrt(b));
}

/** For each row: Σ of the other variable's ranks over larger values, and half of it over equal ones; and its tie group's size. */
function sumsBehind({ order, dense }: CompleteRanks, otherRanks: Float64Array): { sums: Float64Array; sizes: Int32Array } {
  const n = order.length;
  const sums = new Float64Array(n);
  const sizes = new Int32Array(n);
  let behind = 0;
  for (let end = n; end > 0; ) {
    let start = end - 1;
    while (start > 0 && dense[order[start - 1]] === dense[order[start]]) start--;
    let tied = 0;
    for (let k = start; k < end; k++) tied += otherRanks[order[k]];
    for (let k = start; k < end; k++) {
      sums[order[k]] = behind + (tied - otherRanks[order[k]]) / 2;
      sizes[order[k]] = end - start;
    }
    behind += tied;
    end = start;
  }
  return { sums, sizes };
}

/** Ties after one of `size` equal values has gone. */
export function withoutOne({ n, groups, pairs, triples }: Ties, size: number): Ties {
  return {
    n: n - 1,
    groups: size === 1 ? groups - 1 : groups,
    pairs: pairs - 2 * (size - 1),
    triples: triples - 3 * (size - 1) * (size - 2),
  };
}
