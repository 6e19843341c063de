import { centreColumn } from '../columns/centre';
import { type RankColumn, rankColumn } from '../ranks/rank-column';
import { rankVariation, type Ties } from '../ranks/ties';
import { concordance } from './concordance';
import { createRankScratch } from './rank-scratch';
import { rhoFromDifferences } from './rho-from-differences';
import { tauB } from './tau';

/** The coefficient of rows of the pair, not more than it has, given by their numbers; NaN where one of the variables does not vary in it. */
export type ResampledCoefficient = (rows: Int32Array) => number;

/** Pearson's r in O(n) for each resample, without new memory. */
export function resampledPearson(x: Float64Array, y: Float64Array): ResampledCoefficient {
  const u = centreColumn(x).centred;
  const v = centreColumn(y).centred;
  return (rows) => {
    const n = rows.length;
    let [su, sv, suu, svv, suv] = [0, 0, 0, 0, 0];
    let [sameU, sameV] = [true, true];
    for (let i = 0; i < n; i++) {
      const a = u[rows[i]];
      const b = v[rows[i]];
      su += a;
      sv += b;
      suu += a * a;
      svv += b * b;
      suv += a * b;
      if (a !== u[rows[0]]) sameU = false;
      if (b !== v[rows[0]]) sameV = false;
    }
    if (sameU || sameV) return Number.NaN;
    const r = (suv - (su * sv) / n) / Math.sqrt((suu - (su * su) / n) * (svv - (sv * sv) / n));
    return Math.max(-1, Math.min(1, r));
  };
}

/** Spearman's ρ in O(n) for each resample, without new memory. */
export function resampledSpearman(x: Float64Array, y: Float64Array): ResampledCoefficient {
  const [denseX, denseY] = denseOf(x, y);
  const [ranksX, ranksY] = [new Float64Array(denseX.length), new Float64Array(denseY.length)];
  const counts = new Int32Array(denseX.length);
  return (rows) => {
    const tiesX = ranksOfDrawn(denseX, rows, counts, ranksX);
    const tiesY = ranksOfDrawn(denseY, rows, counts, ranksY);
    if (tiesX.groups === 1 || tiesY.groups === 1) return Number.NaN;
    let squares = 0;
    for (let i = 0; i < rows.length; i++) {
      const difference = ranksX[denseX[rows[i]]] - ranksY[denseY[rows[i]]];
      squares += difference * difference;
    }
    return rhoFromDifferences(squares, rankVariation(tiesX), rankVariation(tiesY)).r;
  };
}

/** Midranks among the drawn rows, by dense rank. */
function ranksOfDrawn(dense: Int32Array, rows: Int32Array, counts: Int32Array, ranks: Float64Array): Ties {
  counts.fill(0);
  for (let i = 0; i < rows.length; i++) counts[dense[rows[i]]]++;
  let [n, groups, pairs, triples] = [0, 0, 0, 0];
  for (let value = 0; value < counts.length; value++) {
    const size = counts[value];
    if (size === 0) continue;
    ranks[value] = n + (size + 1) / 2;
    n += size;
    groups++;
    pairs += size * (size - 1);
    triples += size * (size - 1) * (size - 2);
  }
  return { n, groups, pairs, triples };
}

/** Kendall's τ-b in O(n log n) for each resample, without new memory. */
export function resampledKendall(x: Float64Array, y: Float64Array): ResampledCoefficient {
  const [denseX, denseY] = denseOf(x, y);
  const n = denseX.length;
  const scratch = createRankScratch(n);
  const starts = new Int32Array(n + 1);
  const order = new Uint32Array(n);
  const dense = new Int32Array(n);
  const drawnY: RankColumn = { order: new Uint32Array(n), dense: new Int32Array(n), ties: null };
  return (rows) => {
    starts.fill(0);
    for (let i = 0; i < rows.length; i++) {
      dense[i] = denseX[rows[i]];
      drawnY.dense[i] = denseY[rows[i]];
      starts[dense[i] + 1]++;
    }
    for (let value = 1; value <= n; value++) starts[value] += starts[value - 1];
    for (let i = 0; i < rows.length; i++) order[starts[dense[i]]++] = i;
    const counted = concordance({ order: order.subarray(0, rows.length), dense, ties: null }, drawnY, scratch);
    if (counted.tiesX.groups === 1 || counted.tiesY.groups === 1) return Number.NaN;
    return tauB(counted).r;
  };
}

function denseOf(x: Float64Array, y: Float64Array): [Int32Array, Int32Array] {
  return [rankColumn(x).dense, rankColumn(y).dense];
}
