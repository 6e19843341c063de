import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';
import { assertLevel, assertSameLength } from '../correlation/options';
import type { Interval } from '../correlation/types';
import { studentUpperQuantile } from '../distributions/student-t';
import { linearModel } from './linear-model';
import { sumOfSquares } from './unit-columns';

export interface LineBandPoint {
  readonly x: number;
  readonly low: number;
  readonly high: number;
}

/** What the line of y on x says at one place. */
export interface LinePrediction {
  /** Rows complete for both, and degrees of freedom of t: n − 2. */
  readonly n: number;
  readonly df: number;
  /** The line's height there; NaN where there is no line. */
  readonly value: number;
  /** Where the mean of all cases of this x lies; null where the points leave nothing to judge by. */
  readonly mean: Interval | null;
  /** Where one new case of this x lies. */
  readonly newCase: Interval | null;
  /** Smallest and largest x among the rows. */
  readonly xMin: number;
  readonly xMax: number;
  /** Whether the place lies outside these, where the line says nothing of the data. */
  readonly outside: boolean;
}

/**
 * Where the population's line of y on x lies, for each x by itself: fitted value ± t·s·√(1/n + (x − x̄)²/Sxx), t with
 * n − 2 degrees of freedom. Source: Working & Hotelling (1929), pointwise form. Missing values (NaN): rows complete for
 * both. Empty where the line has no residuals to judge by, or x does not vary.
 * @param at places along x
 * @param level confidence level, default .95
 * @throws {RangeError} columns of unequal length, or a level outside (0, 1).
 *
 * @example
 * lineBand(Float64Array.of(1, 2, 3, 4), Float64Array.of(3, 5, 8, 9), [2.5])[0]?.low; // 4.97726
 */
export function lineBand(
  x: Float64Array,
  y: Float64Array,
  at: ArrayLike<number>,
  { level = 0.95 }: { level?: number } = {},
): LineBandPoint[] {
  assertSameLength(x, y);
  assertLevel(level);
  const { judged, heightAt } = lineOf(completePair(x, y), level);
  if (!judged) return [];
  return Array.from(at, (place) => {
    const { value, overMean } = heightAt(place);
    return { x: place, low: value(-overMean), high: value(overMean) };
  });
}

/**
 * What the line of y on x says of a place along x: its height, an interval for the mean of all cases there, ŷ ± t·s√h₀, and one
 * for a new case, ŷ ± t·s√(1 + h₀), h₀ = 1/n + (x₀ − x̄)²/Sxx, t with n − 2 degrees of freedom. Source: Draper & Smith
 * (1998), ch. 1 and 3. Missing values (NaN): rows complete for both. Points exactly on a line have no intervals; fewer than
 * two rows, or an x that does not vary, give NaN.
 * @param at the place along x, in its unit
 * @param level confidence level, default .95
 * @throws {RangeError} columns of unequal length, a place that is not a finite number, or a level outside (0, 1).
 *
 * @example
 * predictFromLine(Float64Array.of(1, 2, 3, 4), Float64Array.of(3, 5, 8, 9), 2.5).newCase?.low; // 3.40406
 */
export function predictFromLine(x: Float64Array, y: Float64Array, at: number, { level = 0.95 }: { level?: number } = {}): LinePrediction {
  assertSameLength(x, y);
  assertLevel(level);
  if (!Number.isFinite(at)) throw new RangeError(`at must be a finite number; got ${at}`);
  const pair = completePair(x, y);
  const n = pair.x.length;
  const [xMin, xMax] = [
    pair.x.reduce((a, b) => Math.min(a, b), Number.POSITIVE_INFINITY),
    pair.x.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY),
  ];
  const range = n > 0 ? { xMin, xMax, outside: at < xMin || at > xMax } : { xMin: Number.NaN, xMax: Number.NaN, outside: false };
  const { judged, heightAt } = lineOf(pair, level);
  const { value, overMean, overCase } = heightAt(at);
  const interval = (half: number): Interval | null => (judged ? { low: value(-half), high: value(half), level, method: 't' } : null);
  return { n, df: n - 2, value: value(0), mean: interval(overMean), newCase: interval(overCase), ...range };
}

/** The line of complete rows; `judged` where its residuals tell how sure it is. */
function lineOf(pair: { readonly x: Float64Array; readonly y: Float64Array }, level: number) {
  const n = pair.x.length;
  // On centred, scaled columns: offsets and extreme sizes would cost digits.
  const [u, v] = [centreColumn(pair.x), centreColumn(pair.y)];
  const { coefficients, se, residualSd, dfResidual } = linearModel(v.centred, [u.centred]);
  const judged = se[1] > 0;
  const quantile = judged ? studentUpperQuantile((1 - level) / 2, dfResidual) : Number.NaN;
  const spread = Math.sqrt(sumOfSquares(u.centred));
  /** @returns half widths on the scaled columns, and `value`, which turns what lies so far from the line into y */
  const heightAt = (place: number) => {
    const along = (place - u.mean - u.remainder) * u.scale;
    const root = Math.hypot(1 / Math.sqrt(n), along / spread);
    const middle = coefficients[1] * along;
    return {
      value: (from: number) => v.mean + ((middle + from) / v.scale + v.remainder),
      overMean: quantile * residualSd * root,
      overCase: quantile * residualSd * Math.hypot(1, root),
    };
  };
  return { judged, heightAt };
}
