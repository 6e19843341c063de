import { invertPositiveDefinite } from '../linear-algebra/cholesky';
import { observedPrecision, type Pattern } from './patterns';

/** With more variables than this the information of all means and covariances together is too large to invert for a screen. */
const MOST_VARIABLES = 30;

/**
 * Variances of Fisher's z of all pairs, from the observed information of means and covariances at their estimates (Little &
 * Rubin 2002, section 9.1): second derivatives of the log likelihood of what is there, pattern by pattern.
 * @returns size × size; NaN where the information cannot be inverted, or among more than 30 variables
 */
export function zVariances(
  columns: readonly Float64Array[],
  patterns: readonly Pattern[],
  mean: Float64Array,
  covariance: Float64Array,
): Float64Array {
  const p = columns.length;
  const none = new Float64Array(p * p).fill(Number.NaN);
  if (p > MOST_VARIABLES) return none;
  const information = informationOf(columns, patterns, mean, covariance);
  const inverse = information && invertPositiveDefinite(information, p + (p * (p + 1)) / 2);
  if (!inverse) return none;
  const size = p + (p * (p + 1)) / 2;
  return none.map((_, at) => {
    const [i, j] = [Math.floor(at / p), at % p];
    if (i === j) return Number.NaN;
    const [ii, jj, ij] = [placeOf(p, i, i), placeOf(p, j, j), placeOf(p, i, j)];
    const [vi, vj, cov] = [covariance[i * p + i], covariance[j * p + j], covariance[i * p + j]];
    const rho = cov / Math.sqrt(vi * vj);
    const slope = 1 / (1 - rho * rho);
    const gradient: readonly (readonly [number, number])[] = [
      [ij, slope / Math.sqrt(vi * vj)],
      [ii, (-slope * rho) / (2 * vi)],
      [jj, (-slope * rho) / (2 * vj)],
    ];
    let variance = 0;
    for (const [a, da] of gradient) for (const [b, db] of gradient) variance += da * db * inverse[a * size + b];
    return variance > 0 ? variance : Number.NaN;
  });
}

/** The place of a covariance among the parameters: after the means, row by row of the upper triangle. */
function placeOf(p: number, i: number, j: number): number {
  const [low, high] = i < j ? [i, j] : [j, i];
  return p + low * p - (low * (low - 1)) / 2 + (high - low);
}

function informationOf(columns: readonly Float64Array[], patterns: readonly Pattern[], mean: Float64Array, covariance: Float64Array) {
  const p = columns.length;
  const size = p + (p * (p + 1)) / 2;
  const information = new Float64Array(size * size);
  // The upper triangle; places ascend with the variables, so that a pattern's pairs stand in order.
  const add = (a: number, b: number, value: number) => {
    information[a * size + b] += value;
  };
  const precision = invertPositiveDefinite(covariance, p);
  if (!precision) return null;
  for (const pattern of patterns) {
    const { observed, rows } = pattern;
    const q = observed.length;
    const w = observedPrecision(precision, p, pattern);
    if (!w) return null;
    const { wb, v } = residuals(columns, observed, rows, mean, w);
    const { first, second, place } = pairsOf(observed, p);
    for (let a = 0; a < q; a++) {
      for (let b = a; b < q; b++) add(observed[a], observed[b], rows.length * w[a * q + b]);
    }
    for (let s = 0; s < place.length; s++) {
      const [k, l] = [first[s], second[s]];
      // E = e_k e_l' + e_l e_k', halved on the diagonal: −∂²/∂μ_a∂σ_kl = [W E W b]_a.
      for (let a = 0; a < q; a++) add(observed[a], place[s], w[a * q + k] * wb[l] + (k === l ? 0 : w[a * q + l] * wb[k]));
      for (let t = s; t < place.length; t++) {
        // tr(W E_kl W E_mo) and tr(E_kl W E_mo V) with V = W A W, A the products about the means.
        const [m, o] = [first[t], second[t]];
        const half = (k === l ? 0.5 : 1) * (m === o ? 0.5 : 1);
        const [lm, ok, km, ol] = [w[l * q + m], w[o * q + k], w[k * q + m], w[o * q + l]];
        const wv = lm * v[o * q + k] + ol * v[m * q + k] + km * v[o * q + l] + ok * v[m * q + l];
        information[place[s] * size + place[t]] += half * (wv - rows.length * (lm * ok + km * ol));
      }
    }
  }
  for (let a = 0; a < size; a++) for (let b = 0; b < a; b++) information[a * size + b] = information[b * size + a];
  return information;
}

/** The pairs of a pattern's variables, each with itself too, and their places among the parameters. */
function pairsOf(observed: readonly number[], p: number) {
  const q = observed.length;
  const count = (q * (q + 1)) / 2;
  const [first, second, place] = [new Int32Array(count), new Int32Array(count), new Int32Array(count)];
  for (let k = 0, at = 0; k < q; k++) {
    for (let l = k; l < q; l++, at++) {
      first[at] = k;
      second[at] = l;
      place[at] = placeOf(p, observed[k], observed[l]);
    }
  }
  return { first, second, place };
}

/** W times the sum of what the rows differ from the means, and W A W with A the sum of its products. */
function residuals(
  columns: readonly Float64Array[],
  observed: readonly number[],
  rows: readonly number[],
  mean: Float64Array,
  w: Float64Array,
) {
  const q = observed.length;
  const [wb, v] = [new Float64Array(q), new Float64Array(q * q)];
  const weighted = new Float64Array(q);
  for (const row of rows) {
    for (let a = 0; a < q; a++) {
      let sum = 0;
      for (let b = 0; b < q; b++) sum += w[a * q + b] * (columns[observed[b]][row] - mean[observed[b]]);
      weighted[a] = sum;
      wb[a] += sum;
    }
    for (let a = 0; a < q; a++) for (let b = 0; b < q; b++) v[a * q + b] += weighted[a] * weighted[b];
  }
  return { wb, v };
}
