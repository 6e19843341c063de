import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';
import { assertSameLength } from '../correlation/options';
import { pearson } from '../correlation/pearson';
import { spearman } from '../correlation/spearman';
import { fP } from '../distributions/f-distribution';
import { sortOrder } from '../ranks/sort-order';
import { breuschPagan } from '../regression/breusch-pagan';
import { linearModel } from '../regression/linear-model';
import { lowess } from '../smoothing/lowess';
import { noticeableBetweenMethods } from './decisive';

export interface Linearity {
  /** Whether the relationship is said to be curved. */
  readonly curved: boolean;
  /** Which variable was taken as a parabola of the other: that of the smaller p. */
  readonly direction: 'y-on-x' | 'x-on-y';
  /** Of the quadratic term, the smaller of both directions times two. */
  readonly pValue: number;
  /** What the quadratic term adds to R², in that direction. */
  readonly gain: number;
  /** |ρ| − |r|: a monotonic but bent relationship has a larger rank coefficient. */
  readonly rankAdvantage: number;
  /** Multiple correlation of the parabola in that direction, and p of its F on 2 and n − 3 degrees of freedom. */
  readonly parabola: { readonly r: number; readonly pValue: number };
}

const CURVED_P = 0.01;
const CURVED_GAIN = 0.02;
const FEWEST = 4;

/**
 * Is a relationship straight? A quadratic term, centred, is tested for y on x and for x on y.
 *
 * Curved if 2·min p < .01 and R² rises by .02 at least, or if |ρ| exceeds |r| by max(.10, 1.05/√(n − 1)), three times what
 * chance brings in normal pairs. Source: the F test of a polynomial term (Draper & Smith 1998, ch. 12). Missing values
 * (NaN): rows complete for both; fewer than four, and points exactly on a line, leave all values NaN and are never curved.
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * linearity(Float64Array.of(0, 1, 2, 3, 4, 5), Float64Array.of(0, 1, 4, 9, 16, 26)).gain; // 0.0873146
 */
export function linearity(x: Float64Array, y: Float64Array): Linearity {
  assertSameLength(x, y);
  const pair = completePair(x, y);
  const n = pair.x.length;
  const r = pearson(pair.x, pair.y).coefficient;
  if (n < FEWEST || !(Math.abs(r) < 1)) return NOT_JUDGED;
  const rankAdvantage = Math.abs(spearman(pair.x, pair.y, { p: 'approximate' }).coefficient) - Math.abs(r);
  const [forward, backward] = [parabolaOf(pair.x, pair.y, r * r), parabolaOf(pair.y, pair.x, r * r)];
  const [better, direction] = backward.termP < forward.termP ? ([backward, 'x-on-y'] as const) : ([forward, 'y-on-x'] as const);
  const pValue = Math.min(1, 2 * better.termP);
  const bent = pValue < CURVED_P && better.gain >= CURVED_GAIN;
  return {
    curved: bent || rankAdvantage >= noticeableBetweenMethods(n),
    direction,
    pValue,
    gain: better.gain,
    rankAdvantage,
    parabola: { r: better.r, pValue: better.pValue },
  };
}

const NOT_JUDGED: Linearity = {
  curved: false,
  direction: 'y-on-x',
  pValue: Number.NaN,
  gain: Number.NaN,
  rankAdvantage: Number.NaN,
  parabola: { r: Number.NaN, pValue: Number.NaN },
};

/** @param straight R² of the straight line, the same in both directions */
function parabolaOf(x: Float64Array, y: Float64Array, straight: number) {
  const { centred } = centreColumn(x);
  const { r2, pValue, dfResidual } = linearModel(y, [centred, centred.map((value) => value * value)]);
  const gain = Math.max(0, r2 - straight);
  const f = gain / ((1 - r2) / dfResidual);
  return { termP: fP(f, 1, dfResidual).pValue, gain, r: Math.sqrt(r2), pValue };
}

/**
 * Values of y's parabola of x at some places: least squares on x and x², centred. Complete rows; NaN where it cannot be fitted.
 *
 * @example
 * fittedParabola(Float64Array.of(0, 1, 2, 3), Float64Array.of(0, 1, 4, 9), [4]); // [16]
 */
export function fittedParabola(x: Float64Array, y: Float64Array, places: ArrayLike<number>): Float64Array {
  const { centred, scale, mean, remainder } = centreColumn(x);
  const { coefficients } = linearModel(y, [centred, centred.map((value) => value * value)]);
  return Float64Array.from(places, (place) => {
    const along = (place - mean - remainder) * scale;
    return coefficients[0] + along * (coefficients[1] + along * coefficients[2]);
  });
}

/** Of a curve's rises and falls, the smaller sum may be this share of both. */
const MOST_TURNED = 0.1;
/** More rows than this are thinned for the smooth curve, evenly in the order of x. */
const MOST_SMOOTHED = 2000;

/**
 * Whether a smooth curve of y on x runs one way: of its rises and falls (LOWESS, Cleveland 1979) the smaller sum is at most
 * a tenth of both. Complete rows; false where there is no curve.
 *
 * @example
 * isMonotone(Float64Array.of(1, 3, 2), Float64Array.of(10, 30, 25)); // true
 */
export function isMonotone(x: Float64Array, y: Float64Array): boolean {
  const order = sortOrder(x);
  const step = Math.max(1, order.length / MOST_SMOOTHED);
  const kept = Uint32Array.from({ length: Math.floor(order.length / step) }, (_, k) => order[Math.floor(k * step)]);
  const { fitted } = lowess(
    Float64Array.from(kept, (row) => x[row]),
    Float64Array.from(kept, (row) => y[row]),
  );
  let [rises, falls] = [0, 0];
  for (let i = 1; i < fitted.length; i++) {
    const change = fitted[i] - fitted[i - 1];
    if (change > 0) rises += change;
    else falls -= change;
  }
  return Math.min(rises, falls) <= MOST_TURNED * (rises + falls);
}

/** Whether points fan out is not judged of fewer rows. */
export const FAN_FEWEST = 30;
const FAN_P = 0.01;

/**
 * Do the residuals of y on x fan out? Breusch–Pagan in Koenker's form at .01, with n ≥ 30. Points exactly on a line do not.
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * fanShape(Float64Array.of(1, 2, 3, 4, 5, 6), Float64Array.of(1, 2.1, 2.7, 4.6, 4, 8)).pValue; // 0.0681574
 */
export function fanShape(x: Float64Array, y: Float64Array): { fanShaped: boolean; pValue: number } {
  const { pValue, n } = breuschPagan(y, [x]);
  return { fanShaped: n >= FAN_FEWEST && pValue < FAN_P, pValue };
}
