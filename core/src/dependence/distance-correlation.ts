import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';
import { constantReason } from '../correlation/test-result';
import type { UndefinedBecause } from '../correlation/types';
import { chiSquaredP } from '../distributions/chi-squared';
import { Random } from '../random/random';
import { sortOrder } from '../ranks/sort-order';

export interface DistanceCorrelationOptions {
  /** Shuffles for p up to 1,000 rows. Default 999. */
  permutations?: number;
  /** Default 1. */
  seed?: number;
  /** `bound` gives the bound at any size, which no number of shuffles limits from below. Default 'best'. */
  p?: 'best' | 'bound';
  onProgress?: (done: number) => void;
}

export interface DistanceCorrelation {
  /** From 0 for independent to 1 for points on a line; it has no sign. NaN where `undefinedBecause` is set. */
  readonly coefficient: number;
  /** Bias-corrected square, about 0 for independent variables; may be negative. */
  readonly corrected: number;
  readonly n: number;
  readonly pValue: number;
  /** By shuffles, or above 1,000 rows by a bound that is larger than p. */
  readonly pMethod: 'permutation' | 'bound';
  readonly permutations: number;
  readonly seed: number;
  readonly undefinedBecause?: UndefinedBecause;
}

const FEWEST_ROWS = 4;
/** With more rows shuffles take longer than they tell. */
const MOST_SHUFFLED = 1000;
const ROUNDING = 1e-12;

/**
 * Distance correlation: zero in the population only where two variables are independent, whatever the form.
 * Source: Székely, Rizzo & Bakirov (2007), V-statistic; the sum of products in O(n log n) after Huo & Székely (2016);
 * bias-corrected after Székely & Rizzo (2013); p by permutation, above 1,000 rows P(χ²₁ ≥ nC + 1), a bound (Shen, Panda &
 * Vogelstein 2022). Missing: NaN, the pair's complete rows.
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * distanceCorrelation(Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8, 9, 10),
 *   Float64Array.of(2, 1, 4, 3, 6, 5, 8, 7, 10, 9)).coefficient; // 0.945832
 */
export function distanceCorrelation(
  x: Float64Array,
  y: Float64Array,
  { permutations = 999, seed = 1, p = 'best', onProgress }: DistanceCorrelationOptions = {},
): DistanceCorrelation {
  if (x.length !== y.length) throw new RangeError(`columns must have the same length; got ${x.length} and ${y.length}`);
  const complete = completePair(x, y);
  const n = complete.x.length;
  const [a, b] = [prepared(complete.x), prepared(complete.y)];
  const facts = { n, permutations, seed } as const;
  const because = n < FEWEST_ROWS ? 'too-few-cases' : constantReason(a.constant, b.constant);
  if (because) {
    return {
      ...facts,
      coefficient: Number.NaN,
      corrected: Number.NaN,
      pValue: Number.NaN,
      pMethod: 'permutation',
      undefinedBecause: because,
    };
  }
  const products = sumOfProducts(a, b.values);
  const centred = (sum: number, one: Prepared, other: Prepared) => vCovariance(sum, one.rows, other.rows, one.total * other.total, n);
  const spread = Math.sqrt(centred(a.squares, a, a) * centred(b.squares, b, b));
  const covariance = Math.max(0, centred(products, a, b));
  const unbiased = (sum: number, one: Prepared, other: Prepared) => uCovariance(sum, one.rows, other.rows, one.total * other.total, n);
  const corrected = unbiased(products, a, b) / Math.sqrt(unbiased(a.squares, a, a) * unbiased(b.squares, b, b));
  const found = { ...facts, coefficient: Math.sqrt(Math.min(1, covariance / spread)), corrected };
  if (p === 'bound' || n > MOST_SHUFFLED)
    return { ...found, pValue: chiSquaredP(Math.max(0, n * corrected + 1), 1).pValue, pMethod: 'bound' };
  return {
    ...found,
    pValue: shuffledP(a, b, covariance, { permutations, seed, ...(onProgress ? { onProgress } : {}) }),
    pMethod: 'permutation',
  };
}

interface Prepared {
  readonly values: Float64Array;
  readonly order: Uint32Array | Int32Array;
  /** Of each row the sum of its distances to all others. */
  readonly rows: Float64Array;
  readonly total: number;
  /** Sum of all squared distances. */
  readonly squares: number;
  readonly constant: boolean;
}

function prepared(column: Float64Array): Prepared {
  const { centred: values, constant } = centreColumn(column);
  const n = values.length;
  const order = sortOrder(values);
  const rows = new Float64Array(n);
  const sum = values.reduce((total, value) => total + value, 0);
  let below = 0;
  for (let k = 0; k < n; k++) {
    const value = values[order[k]];
    rows[order[k]] = value * (2 * k - n) + sum - 2 * below;
    below += value;
  }
  const total = rows.reduce((all, row) => all + row, 0);
  const mean = sum / n;
  const squares = 2 * n * values.reduce((all, value) => all + (value - mean) ** 2, 0);
  return { values, order, rows, total, squares, constant };
}

/** Σᵢⱼ|xᵢ − xⱼ||yᵢ − yⱼ|: in order of x, the rows before split by whether their y is below, counted in a tree over the ranks of y. */
function sumOfProducts({ values: x, order }: Prepared, y: Float64Array): number {
  const n = x.length;
  const rank = new Int32Array(n);
  const byY = sortOrder(y);
  for (let k = 0; k < n; k++) rank[byY[k]] = k;
  const [count, sumX, sumY, sumXY] = [0, 1, 2, 3].map(() => new Float64Array(n + 1));
  let [allX, allY, allXY, total] = [0, 0, 0, 0];
  for (let k = 0; k < n; k++) {
    const row = order[k];
    const [u, v] = [x[row], y[row]];
    let [c, sx, sy, sxy] = [0, 0, 0, 0];
    for (let at = rank[row] + 1; at > 0; at -= at & -at) {
      c += count[at];
      sx += sumX[at];
      sy += sumY[at];
      sxy += sumXY[at];
    }
    const below = c * u * v - v * sx - u * sy + sxy;
    const all = k * u * v - v * allX - u * allY + allXY;
    total += 2 * below - all;
    for (let at = rank[row] + 1; at <= n; at += at & -at) {
      count[at]++;
      sumX[at] += u;
      sumY[at] += v;
      sumXY[at] += u * v;
    }
    allX += u;
    allY += v;
    allXY += u * v;
  }
  return 2 * total;
}

function rowProducts(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i] * b[i];
  return sum;
}

/** Székely, Rizzo & Bakirov (2007), the V-statistic of the squared distance covariance. */
function vCovariance(products: number, a: Float64Array, b: Float64Array, totals: number, n: number): number {
  return products / n ** 2 - (2 * rowProducts(a, b)) / n ** 3 + totals / n ** 4;
}

/** Székely & Rizzo (2013), unbiased. */
function uCovariance(products: number, a: Float64Array, b: Float64Array, totals: number, n: number): number {
  return (products - (2 * rowProducts(a, b)) / (n - 2) + totals / ((n - 1) * (n - 2))) / (n * (n - 3));
}

function shuffledP(
  a: Prepared,
  b: Prepared,
  observed: number,
  { permutations, seed, onProgress }: { permutations: number; seed: number; onProgress?: (done: number) => void },
): number {
  const random = new Random(seed);
  const n = a.values.length;
  const places = Int32Array.from({ length: n }, (_, i) => i);
  const [y, rows] = [new Float64Array(n), new Float64Array(n)];
  let asExtreme = 0;
  for (let k = 0; k < permutations; k++) {
    random.shuffle(places);
    for (let i = 0; i < n; i++) {
      y[i] = b.values[places[i]];
      rows[i] = b.rows[places[i]];
    }
    if (vCovariance(sumOfProducts(a, y), a.rows, rows, a.total * b.total, n) >= observed * (1 - ROUNDING)) asExtreme++;
    onProgress?.(k + 1);
  }
  return (asExtreme + 1) / (permutations + 1);
}
