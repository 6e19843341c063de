import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';
import { assertLevel, assertSameLength } from '../correlation/options';
import { studentUpperQuantile } from '../distributions/student-t';
import { linearModel } from './linear-model';
import { sumOfSquares } from './unit-columns';

export interface LineBandPoint {
  readonly x: number;
  readonly low: number;
  readonly high: number;
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
  const pair = completePair(x, y);
  const n = pair.x.length;
  // On centred, scaled columns: offsets and extreme sizes would cost digits.
  const [u, v] = [centreColumn(pair.x), centreColumn(pair.y)];
  const { coefficients, se, residualSd, dfResidual } = linearModel(v.centred, [u.centred]);
  if (!(se[1] > 0)) return [];
  const quantile = studentUpperQuantile((1 - level) / 2, dfResidual);
  const spread = Math.sqrt(sumOfSquares(u.centred));
  return Array.from(at, (place) => {
    const along = (place - u.mean - u.remainder) * u.scale;
    const half = quantile * residualSd * Math.hypot(1 / Math.sqrt(n), along / spread);
    const middle = coefficients[1] * along;
    const value = (scaled: number) => v.mean + (scaled / v.scale + v.remainder);
    return { x: place, low: value(middle - half), high: value(middle + half) };
  });
}
