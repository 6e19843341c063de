import { centreColumn } from '../columns/centre';
import { assertLevel } from '../correlation/options';
import { normalQuantile, normalUpperTail } from '../distributions/normal';
import { sortOrder } from '../ranks/sort-order';
import { type Band, quantileBands } from './quantile-bands';
import { TABLED_LEVEL, tabledBand } from './tabled-bands';

export interface NormalQuantileOptions {
  /** Coverage of the bands. Default .95. */
  level?: number;
  /** Seed of the simulated bands. Default 1. */
  seed?: number;
  /** The simultaneous band holds the whole plot of a normal sample, the pointwise one each point. Default 'simultaneous'. */
  band?: 'simultaneous' | 'pointwise';
}

export interface NormalQuantiles {
  /** Standard normal quantiles at Blom's positions. */
  readonly theoretical: Float64Array;
  /** The sample, standardized by its mean and SD, ascending. */
  readonly sample: Float64Array;
  readonly low: Float64Array;
  readonly high: Float64Array;
  /** Row of each point. */
  readonly rows: Uint32Array;
  /** Rows of the points outside the band. */
  readonly outside: readonly number[];
  readonly band: 'simultaneous' | 'pointwise';
  readonly level: number;
  readonly seed: number;
}

const LARGEST_OWN_BAND = 100;
/** Beyond this many values the plot has chosen points. */
const MOST_VALUES = 1000;
/** So many steps from one end of the plot to the other, even in the normal quantile. */
const STEPS = 240;

/**
 * Normal quantile plot with a band that shows what a normal sample of this size does.
 *
 * Source: positions (i − 3/8)/(n + 1/4), Blom (1958); simultaneous band of equal local levels, Aldor-Noiman et al. (2013),
 * from 20,000 seeded standardized normal samples, since mean and SD are estimated. Computed once for each n (above 100 to two
 * digits) and kept; above 1,000 values, at the level .95, from a table of 100,000 samples a size.
 * Missing values (NaN) are left out. Fewer than three values or a constant give empty arrays.
 * @throws {RangeError} a level, a seed or a band that does not exist.
 *
 * @example
 * normalQuantiles(Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8), { band: 'pointwise' }).theoretical.length; // 8
 */
export function normalQuantiles(
  x: Float64Array,
  { level = 0.95, seed = 1, band = 'simultaneous' }: NormalQuantileOptions = {},
): NormalQuantiles {
  assertLevel(level);
  if (band !== 'simultaneous' && band !== 'pointwise') throw new RangeError(`band must be simultaneous or pointwise; got ${String(band)}`);
  const order = sortOrder(x);
  const n = order.length;
  const values = new Float64Array(n);
  for (let i = 0; i < n; i++) values[i] = x[order[i]];
  const { centred, constant } = centreColumn(values);
  const none = new Float64Array(0);
  if (n < 3 || constant) {
    return { theoretical: none, sample: none, low: none, high: none, rows: new Uint32Array(0), outside: [], band, level, seed };
  }
  let squares = 0;
  for (const deviation of centred) squares += deviation * deviation;
  const sd = Math.sqrt(squares / (n - 1));
  const places = plotPlaces(n);
  const theoretical = blomQuantiles(places, n);
  const { low, high } =
    n > MOST_VALUES && level === TABLED_LEVEL
      ? tabledBand(theoretical, n, band, (size) => blomQuantiles(spacedPlaces(size), size))
      : bandAt(theoretical, bandSize(n), { level, seed, band });
  const sample = Float64Array.from(places, (i) => centred[i] / sd);
  const rows = Uint32Array.from(places, (i) => order[i]);
  const outside = [...rows].filter((_, k) => sample[k] < low[k] || sample[k] > high[k]);
  return {
    theoretical,
    sample,
    low,
    high,
    rows,
    outside,
    band,
    level,
    seed,
  };
}

/**
 * The sample size whose bands serve for n: itself up to 100, else to two digits. The bands of 248 and of 250 values differ by
 * less than the noise of their simulation, and so variables with some missing values share them.
 */
function bandSize(n: number): number {
  if (n <= LARGEST_OWN_BAND) return n;
  const step = 10 ** (Math.floor(Math.log10(n)) - 1);
  return Math.round(n / step) * step;
}

/** The bands of another size at these points, matched from end to end of the plot; between its points by interpolation. */
function bandAt(theoretical: Float64Array, size: number, { level, seed, band }: Required<NormalQuantileOptions>): Band {
  const places = plotPlaces(size);
  const known = quantileBands(size, places, { level, seed })[band];
  const from = blomQuantiles(places, size);
  const last = from.length - 1;
  const stretch = from[last] / theoretical[theoretical.length - 1];
  const low = new Float64Array(theoretical.length);
  const high = new Float64Array(theoretical.length);
  let k = 0;
  theoretical.forEach((z, i) => {
    const at = z * stretch;
    while (k < last - 1 && from[k + 1] < at) k++;
    const share = Math.min(1, Math.max(0, (at - from[k]) / (from[k + 1] - from[k])));
    low[i] = known.low[k] + share * (known.low[k + 1] - known.low[k]);
    high[i] = known.high[k] + share * (known.high[k + 1] - known.high[k]);
  });
  return { low, high };
}

/** Standard normal quantiles at Blom's positions of order statistics from 0. */
function blomQuantiles(places: Uint32Array, n: number): Float64Array {
  return Float64Array.from(places, (i) => normalQuantile((i + 0.625) / (n + 0.25)));
}

/** Order statistics that are drawn, from 0: all, or of many only some. */
function plotPlaces(n: number): Uint32Array {
  return n <= MOST_VALUES ? Uint32Array.from({ length: n }, (_, i) => i) : spacedPlaces(n);
}

/** Such as are evenly spaced on the axis of the plot, so that the tails, which tell most, keep every one of their values. */
function spacedPlaces(n: number): Uint32Array {
  const last = normalQuantile((n - 0.375) / (n + 0.25));
  const places = new Set<number>([0, n - 1]);
  for (let k = 1; k < STEPS; k++) {
    const z = last * ((2 * k) / STEPS - 1);
    places.add(Math.min(n - 1, Math.max(0, Math.round(normalUpperTail(-z) * (n + 0.25) - 0.625))));
  }
  return Uint32Array.from(places).sort();
}
