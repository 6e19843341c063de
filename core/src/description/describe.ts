import { centreColumn } from '../columns/centre';
import { sortedValues } from '../columns/complete-rows';
import { DoubleSum } from '../columns/double-sum';
import { quantile } from './quantile';

/** Descriptive statistics of one variable. What needs more values than there are is NaN. */
export interface Description {
  readonly n: number;
  readonly missing: number;
  readonly mean: number;
  /** Standard deviation with divisor n − 1. */
  readonly sd: number;
  /** Standard error of the mean. */
  readonly se: number;
  readonly variance: number;
  readonly min: number;
  readonly max: number;
  readonly range: number;
  readonly median: number;
  /** Quartiles by linear interpolation (type 7). */
  readonly q1: number;
  readonly q3: number;
  readonly iqr: number;
  /** Median absolute deviation from the median, unscaled. */
  readonly mad: number;
  /** G1; n ≥ 3. */
  readonly skewness: number;
  readonly skewnessSe: number;
  /** G2; n ≥ 4. */
  readonly excessKurtosis: number;
  readonly excessKurtosisSe: number;
}

/**
 * Describes one variable.
 *
 * Source: two-pass sums on a shifted, scaled column (Chan, Golub & LeVeque 1983); G1, G2 and their standard errors
 * Joanes & Gill (1998); quartiles Hyndman & Fan (1996), type 7. A constant column has SD 0 and no skewness or kurtosis.
 * @param x values in any order, NaN is missing; not changed
 *
 * @example
 * describe(Float64Array.of(1, 2, 3, 4, NaN)).mean; // 2.5
 */
export function describe(x: Float64Array): Description {
  const sorted = sortedValues(x);
  const n = sorted.length;
  const { centred, scale, mean, min, max, constant } = centreColumn(sorted);
  const exactMean = meanOf(sorted, mean);
  let m2 = 0;
  let m3 = 0;
  let m4 = 0;
  for (let i = 0; i < n; i++) {
    const square = centred[i] * centred[i];
    m2 += square;
    m3 += square * centred[i];
    m4 += square * square;
  }
  const sd = n > 1 ? Math.sqrt(m2 / (n - 1)) / scale : Number.NaN;
  const q1 = quantile(sorted, 0.25);
  const q3 = quantile(sorted, 0.75);
  const median = quantile(sorted, 0.5);
  const g1 = constant ? Number.NaN : m3 / n / (m2 / n) ** 1.5;
  const g2 = constant ? Number.NaN : m4 / n / (m2 / n) ** 2 - 3;
  const skewnessSe = n > 2 ? Math.sqrt((6 * n * (n - 1)) / ((n - 2) * (n + 1) * (n + 3))) : Number.NaN;
  return {
    n,
    missing: x.length - n,
    mean: exactMean,
    sd,
    se: sd / Math.sqrt(n),
    variance: sd * sd,
    min,
    max,
    range: max - min,
    median,
    q1,
    q3,
    iqr: q3 - q1,
    mad: quantile(deviationsInOrder(sorted, median), 0.5),
    skewness: n > 2 ? (g1 * Math.sqrt(n * (n - 1))) / (n - 2) : Number.NaN,
    skewnessSe,
    excessKurtosis: n > 3 ? ((n - 1) / ((n - 2) * (n - 3))) * ((n + 1) * g2 + 6) : Number.NaN,
    excessKurtosisSe: n > 3 ? 2 * skewnessSe * Math.sqrt((n * n - 1) / ((n - 3) * (n + 5))) : Number.NaN,
  };
}

/** Absolute deviations from the median, ascending: those below and those above it are in order already and only merged. */
function deviationsInOrder(sorted: Float64Array, median: number): Float64Array {
  const n = sorted.length;
  const deviations = new Float64Array(n);
  let above = 0;
  while (above < n && sorted[above] < median) above++;
  let below = above - 1;
  for (let k = 0; k < n; k++) {
    const takeBelow = above >= n || (below >= 0 && median - sorted[below] < sorted[above] - median);
    deviations[k] = takeBelow ? median - sorted[below--] : sorted[above++] - median;
  }
  return deviations;
}

/** The mean to its last digit, from a sum of twice the working precision; the given one where that sum overflows. */
function meanOf(values: Float64Array, otherwise: number): number {
  const sum = new DoubleSum();
  for (let i = 0; i < values.length; i++) sum.add(values[i]);
  const mean = sum.dividedBy(values.length);
  return Number.isFinite(mean) ? mean : otherwise;
}
