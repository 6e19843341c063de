import { listwiseColumns } from '../columns/complete-rows';
import { fP } from '../distributions/f-distribution';

/** A reliability with its limits. */
export interface Reliability {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

export interface Intraclass {
  /** Of one of the columns, measured by judges drawn anew for each row: ICC(1,1). */
  readonly one: Reliability;
  /** Of the mean of all columns, likewise: ICC(1,k). */
  readonly mean: Reliability;
  /** Of the mean of all columns, the same for all rows, whose differences in level do not count: ICC(3,k), Cronbach's α. */
  readonly alpha: Reliability;
  readonly n: number;
  /** Columns. */
  readonly k: number;
  readonly undefinedBecause?: 'too-few-cases' | 'one-column' | 'constant';
}

const NONE: Reliability = { value: Number.NaN, low: Number.NaN, high: Number.NaN };

/**
 * Reliability from repeated measurements: how much of the differences between rows is no error of measurement.
 * Source: Shrout & Fleiss (1979), cases 1 and 3, limits from F; ICC(3,k) is Cronbach's (1951) α.
 * Missing: NaN, rows complete for all columns.
 * @param columns the same thing measured several times
 * @param options.level Default .95
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * intraclass([Float64Array.of(9, 6, 8, 7, 10, 6), Float64Array.of(2, 1, 4, 1, 5, 2), Float64Array.of(5, 3, 6, 2, 6, 4),
 *   Float64Array.of(8, 2, 8, 6, 9, 7)]).alpha.value; // 0.909316
 */
export function intraclass(columns: readonly Float64Array[], { level = 0.95 }: { level?: number } = {}): Intraclass {
  const k = columns.length;
  for (const column of columns) {
    if (column.length !== columns[0].length) throw new RangeError('columns must have the same length');
  }
  const rows = k > 0 ? listwiseColumns(columns) : [];
  const n = rows[0]?.length ?? 0;
  const none = { one: NONE, mean: NONE, alpha: NONE, n, k };
  if (k < 2) return { ...none, undefinedBecause: 'one-column' };
  if (n < 3) return { ...none, undefinedBecause: 'too-few-cases' };
  const { between, within, error } = meanSquares(rows, n, k);
  if (!(between > 0)) return { ...none, undefinedBecause: 'constant' };
  const tail = (1 - level) / 2;
  const [overWithin, overError] = [between / within, between / error];
  const [df, dfWithin, dfError] = [n - 1, n * (k - 1), (n - 1) * (k - 1)];
  const limits = (f: number, dfOf: number) => [f / fQuantile(tail, df, dfOf), f * fQuantile(tail, dfOf, df)] as const;
  const [low, high] = limits(overWithin, dfWithin);
  const [lowAlpha, highAlpha] = limits(overError, dfError);
  const ofOne = (f: number) => (f === Number.POSITIVE_INFINITY ? 1 : (f - 1) / (f + k - 1));
  const ofMean = (f: number) => 1 - 1 / f;
  return {
    one: { value: ofOne(overWithin), low: ofOne(low), high: ofOne(high) },
    mean: { value: ofMean(overWithin), low: ofMean(low), high: ofMean(high) },
    alpha: { value: ofMean(overError), low: ofMean(lowAlpha), high: ofMean(highAlpha) },
    n,
    k,
  };
}

/** Between rows, within rows, and within rows without what columns differ by. */
function meanSquares(columns: readonly Float64Array[], n: number, k: number) {
  // From a middle value, so that large values with small differences keep their digits.
  const middle = columns[0][0];
  const at = (i: number, j: number) => columns[j][i] - middle;
  const ofRow = Float64Array.from({ length: n }, (_, i) => columns.reduce((sum, __, j) => sum + at(i, j), 0) / k);
  const ofColumn = columns.map((_, j) => ofRow.reduce((sum, __, i) => sum + at(i, j), 0) / n);
  const grand = ofRow.reduce((sum, value) => sum + value, 0) / n;
  let [within, error] = [0, 0];
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < k; j++) {
      within += (at(i, j) - ofRow[i]) ** 2;
      error += (at(i, j) - ofRow[i] - ofColumn[j] + grand) ** 2;
    }
  }
  const between = (k * ofRow.reduce((sum, value) => sum + (value - grand) ** 2, 0)) / (n - 1);
  return { between, within: within / (n * (k - 1)), error: error / ((n - 1) * (k - 1)) };
}

const HALVINGS = 200;

/** The F that is exceeded with a probability, by halving its logarithm. */
function fQuantile(upper: number, df1: number, df2: number): number {
  let [low, high] = [-50, 50];
  for (let k = 0; k < HALVINGS && high - low > 1e-14 * Math.max(1, Math.abs(low)); k++) {
    const middle = (low + high) / 2;
    if (fP(Math.exp(middle), df1, df2).pValue > upper) low = middle;
    else high = middle;
  }
  return Math.exp((low + high) / 2);
}
