import { centreColumn } from '../columns/centre';
import { pearson } from './pearson';

/** A coefficient of a complete pair, with and without each row. */
export interface LeftOut {
  readonly coefficient: number;
  /** By row of the complete pair. */
  readonly without: Float64Array;
}

/** If less than this share of the variation is left without a row, updating the sums would lose digits. */
const LEAST_LEFT = 1e-3;

/** Pearson's r with and without each row of a complete pair, in O(n) by updating the sums. */
export function pearsonLeaveOneOut(x: Float64Array, y: Float64Array): LeftOut {
  const n = x.length;
  const u = centreColumn(x).centred;
  const v = centreColumn(y).centred;
  let [suu, svv, suv] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    suu += u[i] * u[i];
    svv += v[i] * v[i];
    suv += u[i] * v[i];
  }
  const factor = n / (n - 1);
  const without = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const left = [suu - factor * u[i] * u[i], svv - factor * v[i] * v[i]];
    // At most 1/(1 − LEAST_LEFT) rows can hold nearly all of the variation, so that these cost O(n) in all.
    if (n < 4 || left[0] < LEAST_LEFT * suu || left[1] < LEAST_LEFT * svv) {
      without[i] = pearson(withoutRow(x, i), withoutRow(y, i)).coefficient;
    } else without[i] = Math.max(-1, Math.min(1, (suv - factor * u[i] * v[i]) / Math.sqrt(left[0] * left[1])));
  }
  return { coefficient: pearson(x, y).coefficient, without };
}

function withoutRow(values: Float64Array, row: number): Float64Array {
  return values.filter((_, i) => i !== row);
}
