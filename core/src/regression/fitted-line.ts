import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';

/** The least-squares line y = intercept + slope · x; NaN where x does not vary or fewer than two rows are complete. */
export interface FittedLine {
  readonly slope: number;
  readonly intercept: number;
  readonly n: number;
}

/**
 * Least-squares line of y on x through the complete rows.
 * Source: Legendre (1805); computed from centred, scaled columns.
 *
 * @example
 * fittedLine(Float64Array.of(1, 2, 3, 4), Float64Array.of(3, 5, 7, 9)).slope; // 2
 */
export function fittedLine(x: Float64Array, y: Float64Array): FittedLine {
  const pair = completePair(x, y);
  const n = pair.x.length;
  const u = centreColumn(pair.x);
  if (n < 2 || u.constant) return { slope: Number.NaN, intercept: Number.NaN, n };
  const v = centreColumn(pair.y);
  let sxy = 0;
  let sxx = 0;
  for (let i = 0; i < n; i++) {
    sxy += u.centred[i] * v.centred[i];
    sxx += u.centred[i] * u.centred[i];
  }
  const slope = ((sxy / sxx) * u.scale) / v.scale;
  return { slope, intercept: v.mean - slope * u.mean, n };
}
