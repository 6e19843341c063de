import { centreColumn } from '../columns/centre';
import { sortOrder } from '../ranks/sort-order';

/** A column with what distances between its rows add up to. */
export interface Distances {
  /** Centred, scaled by a power of two to about 1. */
  readonly values: Float64Array;
  readonly order: Uint32Array | Int32Array;
  /** Of each row the sum of its distances to all others. */
  readonly rows: Float64Array;
  readonly total: number;
  /** Sum of all squared distances. */
  readonly squares: number;
  readonly constant: boolean;
}

/** @param column complete values */
export function distancesOf(column: Float64Array): Distances {
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
export function sumOfProducts({ values: x, order }: Distances, y: Float64Array): number {
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

/** Székely, Rizzo & Bakirov (2007), the V-statistic of the squared distance covariance. */
export function vCovariance(products: number, a: Float64Array, b: Float64Array, totals: number, n: number): number {
  return products / n ** 2 - (2 * rowProducts(a, b)) / n ** 3 + totals / n ** 4;
}

/** Székely & Rizzo (2013), unbiased. */
export function uCovariance(products: number, a: Float64Array, b: Float64Array, totals: number, n: number): number {
  return (products - (2 * rowProducts(a, b)) / (n - 2) + totals / ((n - 1) * (n - 2))) / (n * (n - 3));
}

function rowProducts(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i] * b[i];
  return sum;
}
