import { centreColumn } from '../columns/centre';
import { assertLevel } from '../correlation/options';
import { normalQuantile } from '../distributions/normal';
import { sortOrder } from '../ranks/sort-order';
import { quantileBands } from './quantile-bands';

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

/** Beyond this many values the plot has this many points. */
const MOST_POINTS = 1000;

/**
 * Normal quantile plot with a band that shows what a normal sample of this size does.
 *
 * Source: positions (i − 3/8)/(n + 1/4), Blom (1958); simultaneous band of equal local levels, Aldor-Noiman et al. (2013),
 * from 2,000 seeded standardized normal samples, since mean and SD are estimated. Computed once for each n and kept.
 * Missing values (NaN) are left out. Fewer than three values or a constant give empty arrays.
 * @throws {RangeError} a level, a seed or a band that does not exist.
 */
export function normalQuantiles(
  x: Float64Array,
  { level = 0.95, seed = 1, band = 'simultaneous' }: NormalQuantileOptions = {},
): NormalQuantiles {
  assertLevel(level);
  if (band !== 'simultaneous' && band !== 'pointwise') throw new RangeError(`band must be simultaneous or pointwise; got ${String(band)}`);
  const order = sortOrder(x);
  const n = order.length;
  const values = Float64Array.from(order, (row) => x[row]);
  const { centred, constant } = centreColumn(values);
  const none = new Float64Array(0);
  if (n < 3 || constant) {
    return { theoretical: none, sample: none, low: none, high: none, rows: new Uint32Array(0), outside: [], band, level, seed };
  }
  let squares = 0;
  for (const deviation of centred) squares += deviation * deviation;
  const sd = Math.sqrt(squares / (n - 1));
  const places = plotPlaces(n);
  const { low, high } = quantileBands(n, places, { level, seed })[band];
  const sample = Float64Array.from(places, (i) => centred[i] / sd);
  const rows = Uint32Array.from(places, (i) => order[i]);
  const outside = [...rows].filter((_, k) => sample[k] < low[k] || sample[k] > high[k]);
  return {
    theoretical: Float64Array.from(places, (i) => normalQuantile((i + 0.625) / (n + 0.25))),
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

/** Order statistics that are drawn, from 0: all, or evenly spaced ones with both ends. */
function plotPlaces(n: number): Uint32Array {
  const points = Math.min(n, MOST_POINTS);
  return Uint32Array.from({ length: points }, (_, k) => Math.round((k * (n - 1)) / (points - 1)));
}
