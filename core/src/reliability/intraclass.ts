import { listwiseColumns } from '../columns/complete-rows';
import { scaleToOne } from '../columns/power-of-two';
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
  /** `constant`: rows do not differ in their means. */
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
  const found = ratiosOf(columns);
  const { n, k } = found;
  const none = { one: NONE, mean: NONE, alpha: NONE, n, k };
  if ('undefinedBecause' in found) return { ...none, undefinedBecause: found.undefinedBecause };
  const { overWithin, overError } = found;
  const tail = (1 - level) / 2;
  const [df, dfWithin, dfError] = [n - 1, n * (k - 1), (n - 1) * (k - 1)];
  const limits = (f: number, dfOf: number) => [f / fQuantile(tail, df, dfOf), f * fQuantile(tail, dfOf, df)] as const;
  const [low, high] = limits(overWithin, dfWithin);
  const [lowAlpha, highAlpha] = limits(overError, dfError);
  const of = (form: IntraclassForm, f: number) => FORMS[form].of(f, k);
  return {
    one: { value: of('one', overWithin), low: of('one', low), high: of('one', high) },
    mean: { value: of('mean', overWithin), low: of('mean', low), high: of('mean', high) },
    alpha: { value: of('alpha', overError), low: of('alpha', lowAlpha), high: of('alpha', highAlpha) },
    n,
    k,
  };
}

export type IntraclassForm = 'one' | 'mean' | 'alpha';

/** A reliability from a ratio of mean squares: between rows over within, or over what is left within without the columns’ means. */
const FORMS = {
  one: { ratio: 'overWithin', of: (f: number, k: number) => (f === Number.POSITIVE_INFINITY ? 1 : (f - 1) / (f + k - 1)) },
  mean: { ratio: 'overWithin', of: (f: number) => 1 - 1 / f },
  alpha: { ratio: 'overError', of: (f: number) => 1 - 1 / f },
} as const;

/** One of the three without its limits, which take longer than all else; NaN where it is undefined. */
export function intraclassValue(columns: readonly Float64Array[], form: IntraclassForm): number {
  const found = ratiosOf(columns);
  return 'undefinedBecause' in found ? Number.NaN : FORMS[form].of(found[FORMS[form].ratio], found.k);
}

function ratiosOf(columns: readonly Float64Array[]) {
  const k = columns.length;
  for (const column of columns) {
    if (column.length !== columns[0].length) throw new RangeError('columns must have the same length');
  }
  const rows = k > 0 ? listwiseColumns(columns) : [];
  const n = rows[0]?.length ?? 0;
  if (k < 2) return { n, k, undefinedBecause: 'one-column' } as const;
  if (n < 3) return { n, k, undefinedBecause: 'too-few-cases' } as const;
  const { between, within, error } = meanSquares(rows, n, k);
  if (!(between > ROUNDING)) return { n, k, undefinedBecause: 'constant' } as const;
  return { n, k, overWithin: between / within, overError: between / error };
}

/** Of values whose largest distance from one of them is about 1: a mean square below this is rounding. */
const ROUNDING = 1e-28;

/** Between rows, within rows, and within rows without what columns differ by, of values scaled by a power of two. */
function meanSquares(columns: readonly Float64Array[], n: number, k: number) {
  const scaled = scaledAlike(columns, n, k);
  const [ofRow, ofColumn] = [new Float64Array(n), new Float64Array(k)];
  let grand = 0;
  for (let j = 0; j < k; j++) {
    for (let i = 0; i < n; i++) {
      ofRow[i] += scaled[j * n + i] / k;
      ofColumn[j] += scaled[j * n + i] / n;
    }
    grand += ofColumn[j] / k;
  }
  let [between, within, error] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    between += k * (ofRow[i] - grand) ** 2;
    for (let j = 0; j < k; j++) {
      const deviation = scaled[j * n + i] - ofRow[i];
      within += deviation ** 2;
      error += (deviation - ofColumn[j] + grand) ** 2;
    }
  }
  return { between: between / (n - 1), within: within / (n * (k - 1)), error: error / ((n - 1) * (k - 1)) };
}

/**
 * Columns one after the other, from one of their values, so that large values with small differences keep their digits, and to
 * about 1, so that squares neither vanish nor overflow. Mean squares are only compared with each other: the scale cancels.
 */
function scaledAlike(columns: readonly Float64Array[], n: number, k: number): Float64Array {
  const scaled = new Float64Array(n * k);
  for (let j = 0; j < k; j++) scaled.set(columns[j], j * n);
  let largest = 0;
  for (const value of scaled) if (Math.abs(value) > largest) largest = Math.abs(value);
  const first = scaleToOne(largest);
  const middle = scaled[0] * first;
  let furthest = 0;
  for (let at = 0; at < scaled.length; at++) {
    scaled[at] = scaled[at] * first - middle;
    if (Math.abs(scaled[at]) > furthest) furthest = Math.abs(scaled[at]);
  }
  const second = scaleToOne(furthest);
  for (let at = 0; at < scaled.length; at++) scaled[at] *= second;
  return scaled;
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
