import { completePair, sortedValues } from '../columns/complete-rows';
import { quantile } from '../description/quantile';
import { correlationP } from './correlation-p';
import { assertAlternative, assertSameLength } from './options';
import { FEWEST_ROWS } from './test-result';
import type { Alternative } from './types';

export interface PercentageBend {
  readonly coefficient: number;
  readonly n: number;
  readonly pValue: number;
  readonly log10P: number;
  readonly statistic: { readonly name: 't'; readonly value: number; readonly df: number } | null;
}

/**
 * Percentage bend correlation: values far from the median, by the middle 1 − β of the sample, count no more than those
 * at the bend. Source: Wilcox (1994), p. 602; t on n − 2 degrees of freedom. Missing values (NaN): rows complete for
 * both. NaN where n < 3 or more than 1 − β of a variable's values are equal.
 * @param options.beta share of the sample that may be bent, in (0, .5]. Default .2.
 * @throws {RangeError} columns of unequal length, or a β or an alternative that does not exist.
 *
 * @example
 * percentageBend(Float64Array.of(1, 2, 3, 4, 5, 90), Float64Array.of(1, 3, 2, 5, 4, 6)).coefficient; // 0.885714
 */
export function percentageBend(
  x: Float64Array,
  y: Float64Array,
  { beta = 0.2, alternative = 'two-sided' }: { beta?: number; alternative?: Alternative } = {},
): PercentageBend {
  assertSameLength(x, y);
  assertAlternative(alternative);
  if (!(beta > 0 && beta <= 0.5)) throw new RangeError(`beta must lie in (0, .5]; got ${beta}`);
  const pair = completePair(x, y);
  return bentTogether(bentColumn(pair.x, beta), bentColumn(pair.y, beta), pair.x.length, alternative);
}

/** The coefficient of two columns that are bent already. */
export function bentTogether(a: Float64Array | null, b: Float64Array | null, n: number, alternative: Alternative): PercentageBend {
  if (!a || !b) return { coefficient: Number.NaN, n, pValue: Number.NaN, log10P: Number.NaN, statistic: null };
  let [ab, aa, bb] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    ab += a[i] * b[i];
    aa += a[i] * a[i];
    bb += b[i] * b[i];
  }
  const coefficient = ab / Math.sqrt(aa * bb);
  const { t, pValue, log10P } = correlationP(coefficient, 1 - Math.abs(coefficient), n - 2, alternative);
  return { coefficient, n, pValue, log10P, statistic: { name: 't', value: t, df: n - 2 } };
}

/** Deviations from the bent location in units of the bent scale, held within ±1; null under three rows, or where the scale is 0. */
export function bentColumn(column: Float64Array, beta = 0.2): Float64Array | null {
  const n = column.length;
  if (n < FEWEST_ROWS) return null;
  // From a middle value, an exact subtraction: the median of 1e9 + small noise is rounded at the size of 1e9.
  const sorted = sortedValues(column);
  const middle = sorted[n >> 1];
  const x = column.map((value) => value - middle);
  const ascending = sorted.map((value) => value - middle);
  const median = quantile(ascending, 0.5);
  const omega = distanceInOrder(ascending, median, Math.floor((1 - beta) * n + 0.5) - 1);
  if (!(omega > 0)) return null;
  let [below, above, sum] = [0, 0, 0];
  for (const value of x) {
    const psi = (value - median) / omega;
    if (psi < -1) below++;
    else if (psi > 1) above++;
    else sum += value - median;
  }
  const location = median + (omega * (above - below) + sum) / (n - below - above);
  return x.map((value) => Math.max(-1, Math.min(1, (value - location) / omega)));
}

/** The distance from a place that stands at `rank`, from 0, among those of sorted values, counted outwards from both sides. */
function distanceInOrder(ascending: Float64Array, place: number, rank: number): number {
  let above = 0;
  while (above < ascending.length && ascending[above] < place) above++;
  let below = above - 1;
  let distance = Number.NaN;
  for (let k = 0; k <= rank; k++) {
    const [down, up] = [place - ascending[below], ascending[above] - place];
    // Beyond an end the difference is NaN, and the other side is nearer.
    if (!(down <= up) && up === up) {
      distance = up;
      above++;
    } else {
      distance = down;
      below--;
    }
  }
  return distance;
}
