import { presentValues } from '../columns/complete-rows';
import { describe } from './describe';

export interface DensityOptions {
  /** Places at which the density is computed. Default 256. */
  points?: number;
  /** Bandwidth in the variable's unit; default by Silverman's rule. */
  bandwidth?: number;
}

export interface Density {
  /** Equally spaced, from three bandwidths below the smallest value to three above the largest. */
  readonly x: Float64Array;
  readonly density: Float64Array;
  readonly bandwidth: number;
}

/** Kernels further away than this many bandwidths add less than one part in 10¹⁵. */
const REACH = 8.5;
const MARGIN = 3;

/**
 * Gaussian kernel density.
 *
 * Source: Parzen (1962); bandwidth .9·min(SD, IQR/1.349)·n^(−1/5), the SD alone where the IQR is 0, Silverman (1986),
 * eq. 3.31. Missing values (NaN) are left out. Fewer than two values or a constant give empty arrays and NaN.
 * @throws {RangeError} a bandwidth or a number of points that is not positive.
 */
export function density(x: Float64Array, { points = 256, bandwidth }: DensityOptions = {}): Density {
  if (!Number.isInteger(points) || points < 2) throw new RangeError(`points must be an integer above 1; got ${points}`);
  if (bandwidth !== undefined && !(bandwidth > 0)) throw new RangeError(`bandwidth must be positive; got ${bandwidth}`);
  const sorted = presentValues(x).sort();
  const n = sorted.length;
  const h = bandwidth ?? silverman(sorted);
  if (n < 2 || !(h > 0)) return { x: new Float64Array(0), density: new Float64Array(0), bandwidth: Number.NaN };
  const low = sorted[0] - MARGIN * h;
  const high = sorted[n - 1] + MARGIN * h;
  const places = Float64Array.from({ length: points }, (_, i) => low + ((high - low) * i) / (points - 1));
  const heights = new Float64Array(points);
  let first = 0;
  for (let i = 0; i < points; i++) {
    while (first < n && sorted[first] < places[i] - REACH * h) first++;
    let sum = 0;
    for (let k = first; k < n && sorted[k] <= places[i] + REACH * h; k++) {
      const z = (places[i] - sorted[k]) / h;
      sum += Math.exp(-0.5 * z * z);
    }
    heights[i] = sum / (n * h * Math.sqrt(2 * Math.PI));
  }
  return { x: places, density: heights, bandwidth: h };
}

function silverman(values: Float64Array): number {
  const { sd, iqr, n } = describe(values);
  return 0.9 * (iqr > 0 ? Math.min(sd, iqr / 1.349) : sd) * n ** -0.2;
}
