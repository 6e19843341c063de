import { completePair } from '../columns/complete-rows';
import { assertSameLength } from '../correlation/options';
import { quantile } from '../description/quantile';
import { sortOrder } from '../ranks/sort-order';

export interface LowessOptions {
  /** Share of the rows that each local line uses. Default 2/3. */
  fraction?: number;
  /** Robustness rounds. Default 3. */
  rounds?: number;
  /** Distance in x within which fits are interpolated. Default 0 up to 500 rows, above .01 of the range. */
  delta?: number;
}

export interface Lowess {
  /** x of the complete rows, ascending. */
  readonly x: Float64Array;
  /** The smooth at those places. */
  readonly fitted: Float64Array;
}

const EXACT_UP_TO = 500;
/** A neighbourhood narrower than this share of the range in x gives a mean instead of a line. */
const NARROW = 0.001;

/**
 * Locally weighted robust linear smooth of y on x.
 *
 * Source: Cleveland (1979), steps 1–4; interpolation within delta and the treatment of ties in x by Cleveland (1981).
 * Missing values (NaN): rows complete for both. Fewer than two rows give the values themselves.
 * @throws {RangeError} columns of unequal length, or options out of range.
 *
 * @example
 * lowess(Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(1, 2, 3, 4, 5)).x; // [1, 2, 3, 4, 5]
 */
export function lowess(x: Float64Array, y: Float64Array, { fraction = 2 / 3, rounds = 3, delta }: LowessOptions = {}): Lowess {
  assertSameLength(x, y);
  if (!(fraction > 0 && fraction <= 1)) throw new RangeError(`fraction must lie in (0, 1]; got ${fraction}`);
  if (!Number.isInteger(rounds) || rounds < 0) throw new RangeError(`rounds must be a whole number; got ${rounds}`);
  const pair = completePair(x, y);
  const order = sortOrder(pair.x);
  const n = order.length;
  const xs = Float64Array.from(order, (row) => pair.x[row]);
  const ys = Float64Array.from(order, (row) => pair.y[row]);
  if (n < 2) return { x: xs, fitted: ys };
  const near = delta ?? (n > EXACT_UP_TO ? 0.01 * (xs[n - 1] - xs[0]) : 0);
  const used = Math.max(2, Math.min(n, Math.floor(fraction * n + 1e-10)));
  const robust = new Float64Array(n).fill(1);
  const weights = new Float64Array(n);
  let fitted: Float64Array = new Float64Array(n);
  for (let round = 0; round <= rounds; round++) {
    fitted = smooth(xs, ys, used, near, robust, weights);
    if (round < rounds && !downweigh(ys, fitted, robust)) break;
  }
  return { x: xs, fitted };
}

function smooth(x: Float64Array, y: Float64Array, used: number, delta: number, robust: Float64Array, weights: Float64Array): Float64Array {
  const n = x.length;
  const fitted = new Float64Array(n);
  let left = 0;
  let right = used - 1;
  let last = -1;
  let i = 0;
  for (;;) {
    while (right < n - 1 && x[i] - x[left] > x[right + 1] - x[i]) {
      left++;
      right++;
    }
    fitted[i] = localFit(x, y, i, left, right, robust, weights);
    if (last < i - 1) interpolate(x, fitted, last, i);
    last = i;
    const reach = x[last] + delta;
    for (i = last + 1; i < n; i++) {
      if (x[i] > reach) break;
      if (x[i] === x[last]) {
        fitted[i] = fitted[last];
        last = i;
      }
    }
    i = Math.max(last + 1, i - 1);
    if (last >= n - 1) break;
  }
  return fitted;
}

function interpolate(x: Float64Array, fitted: Float64Array, from: number, to: number): void {
  const span = x[to] - x[from];
  for (let j = from + 1; j < to; j++) {
    const share = (x[j] - x[from]) / span;
    fitted[j] = share * fitted[to] + (1 - share) * fitted[from];
  }
}

function localFit(
  x: Float64Array,
  y: Float64Array,
  i: number,
  left: number,
  right: number,
  robust: Float64Array,
  weights: Float64Array,
): number {
  const n = x.length;
  const h = Math.max(x[i] - x[left], x[right] - x[i]);
  let total = 0;
  let end = left;
  for (let j = left; j < n; j++, end = j) {
    const distance = Math.abs(x[j] - x[i]);
    weights[j] = 0;
    if (distance < h || distance === 0) {
      weights[j] = robust[j] * (h > 0 ? (1 - (distance / h) ** 3) ** 3 : 1);
      total += weights[j];
    } else if (x[j] > x[i]) break;
  }
  if (total <= 0) return y[i];
  let centre = 0;
  for (let j = left; j < end; j++) {
    weights[j] /= total;
    centre += weights[j] * x[j];
  }
  let variation = 0;
  for (let j = left; j < end; j++) variation += weights[j] * (x[j] - centre) ** 2;
  const slope = Math.sqrt(variation) > NARROW * (x[n - 1] - x[0]) ? (x[i] - centre) / variation : 0;
  let value = 0;
  for (let j = left; j < end; j++) value += weights[j] * (1 + slope * (x[j] - centre)) * y[j];
  return value;
}

/** Bisquare weights of the residuals; false where these are too small for another round. */
function downweigh(y: Float64Array, fitted: Float64Array, robust: Float64Array): boolean {
  const residuals = y.map((value, i) => Math.abs(value - fitted[i]));
  const scale = 6 * quantile(residuals.slice().sort(), 0.5);
  const mean = residuals.reduce((sum, value) => sum + value, 0) / residuals.length;
  if (scale < 1e-7 * mean || scale === 0) return false;
  residuals.forEach((residual, i) => {
    robust[i] = residual < scale ? (1 - (residual / scale) ** 2) ** 2 : 0;
  });
  return true;
}
