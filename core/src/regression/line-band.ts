import { assertLevel, assertSameLength } from '../correlation/options';
import { linearModel } from './linear-model';

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
 */
export function lineBand(
  x: Float64Array,
  y: Float64Array,
  at: ArrayLike<number>,
  { level = 0.95 }: { level?: number } = {},
): LineBandPoint[] {
  assertSameLength(x, y);
  assertLevel(level);
  const { coefficients, se, intervals, residualSd, n } = linearModel(y, [x], { level });
  const interval = intervals[1];
  if (!interval || !(se[1] > 0)) return [];
  // The quantile and Sxx follow from what the model says of its slope.
  const quantile = (interval.high - coefficients[1]) / se[1];
  const sxx = (residualSd / se[1]) ** 2;
  let mean = 0;
  for (let i = 0; i < x.length; i++) if (x[i] === x[i] && y[i] === y[i]) mean += x[i] / n;
  return Array.from(at, (place) => {
    const half = quantile * residualSd * Math.sqrt(1 / n + (place - mean) ** 2 / sxx);
    const middle = coefficients[0] + coefficients[1] * place;
    return { x: place, low: middle - half, high: middle + half };
  });
}
