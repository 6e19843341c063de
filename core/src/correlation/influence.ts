import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';
import { kendallLeaveOneOut } from './kendall-leave-one-out';
import { assertMethod, assertSameLength } from './options';
import { pearson } from './pearson';
import { spearmanLeaveOneOut } from './spearman-leave-one-out';
import type { Method } from './types';

/** What each row does to a coefficient. Arrays have one entry for each row given; NaN where the row is incomplete. */
export interface Influence {
  readonly method: Method;
  readonly n: number;
  readonly coefficient: number;
  /** The coefficient without the row. */
  readonly leaveOneOut: Float64Array;
  /** The coefficient without the row less the one with it. */
  readonly change: Float64Array;
  /** The row that changes Fisher's z most; −1 for none. */
  readonly mostInfluential: number;
  /** Whether one point carries the coefficient: without it the sign flips, or |Δz|·√(n − 3) ≥ 1. */
  readonly onePointCarries: boolean;
}

/** A change of z by this many standard errors is what one point must bring about to be said to carry the coefficient. */
const CARRIES = 1;

/**
 * Leave-one-out coefficients of all rows.
 *
 * Source: deletion diagnostics of Devlin, Gnanadesikan & Kettenring (1975). Pearson O(n) by updating the sums, ranks by
 * local updates in O(n log n). Missing values (NaN): rows complete for both. NaN where what is left does not vary.
 * @throws {RangeError} columns of unequal length or an unknown method.
 */
export function influence(x: Float64Array, y: Float64Array, { method }: { method: Method }): Influence {
  assertMethod(method);
  assertSameLength(x, y);
  const rows = x.reduce<number[]>((found, value, row) => {
    if (value === value && y[row] === y[row]) found.push(row);
    return found;
  }, []);
  const pair = completePair(x, y);
  const { coefficient, without } = leaveEachOut(pair.x, pair.y, method);
  const leaveOneOut = new Float64Array(x.length).fill(Number.NaN);
  rows.forEach((row, i) => {
    leaveOneOut[row] = without[i];
  });
  const n = rows.length;
  const whole = Math.atanh(coefficient);
  let mostInfluential = -1;
  let largest = -1;
  let flips = false;
  for (const row of rows) {
    const reach = Math.abs(Math.atanh(leaveOneOut[row]) - whole);
    if (reach > largest) {
      largest = reach;
      mostInfluential = row;
    }
    if (leaveOneOut[row] * coefficient < 0) flips = true;
  }
  return {
    method,
    n,
    coefficient,
    leaveOneOut,
    change: leaveOneOut.map((value) => value - coefficient),
    mostInfluential,
    onePointCarries: flips || largest * Math.sqrt(n - 3) >= CARRIES,
  };
}

interface LeftOut {
  readonly coefficient: number;
  /** By row of the complete pair. */
  readonly without: Float64Array;
}

/** Coefficient of a complete pair, with and without each row. */
export function leaveEachOut(x: Float64Array, y: Float64Array, method: Method): LeftOut {
  if (method === 'pearson') return pearsonLeaveOneOut(x, y);
  return method === 'spearman' ? spearmanLeaveOneOut(x, y) : kendallLeaveOneOut(x, y);
}

/** If less than this share of the variation is left without a row, updating the sums would lose digits. */
const LEAST_LEFT = 1e-3;

function pearsonLeaveOneOut(x: Float64Array, y: Float64Array): LeftOut {
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
