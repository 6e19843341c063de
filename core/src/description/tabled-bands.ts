import { QUANTILE_BAND_TABLE } from './quantile-band-table';
import type { Band } from './quantile-bands';

/** The level that bands are tabled for. */
export const TABLED_LEVEL = 0.95;

/**
 * The band at the points of a plot of n values, between two tabled sizes. How far it reaches goes with a power of n, whose
 * exponent the two sizes tell.
 * @param theoretical the points of the plot: symmetric about 0
 * @param pointsOf the points of a plot of another size
 */
export function tabledBand(
  theoretical: Float64Array,
  n: number,
  band: 'simultaneous' | 'pointwise',
  pointsOf: (size: number) => Float64Array,
): Band {
  const next = QUANTILE_BAND_TABLE.findIndex(({ size }) => size >= n);
  const at = next < 0 ? QUANTILE_BAND_TABLE.length - 1 : Math.max(1, next);
  const [from, to] = [QUANTILE_BAND_TABLE[at - 1], QUANTILE_BAND_TABLE[at]];
  const share = Math.log(n / from.size) / Math.log(to.size / from.size);
  const [smaller, larger] = [from, to].map((row) => reachAt(theoretical, pointsOf(row.size), row[band]));
  const reach = smaller.map((value, i) => value ** (1 - share) * larger[i] ** share);
  return { low: theoretical.map((z, i) => z - reach[i]), high: theoretical.map((z, i) => z + reach[reach.length - 1 - i]) };
}

/** How far the band of another size reaches below these points, which are matched from end to end of the plot. */
function reachAt(theoretical: Float64Array, points: Float64Array, reach: readonly number[]): Float64Array {
  const last = points.length - 1;
  const stretch = points[last] / theoretical[theoretical.length - 1];
  let k = 0;
  return theoretical.map((z) => {
    const place = z * stretch;
    while (k < last - 1 && points[k + 1] < place) k++;
    const share = Math.min(1, Math.max(0, (place - points[k]) / (points[k + 1] - points[k])));
    return reach[k] + share * (reach[k + 1] - reach[k]);
  });
}
