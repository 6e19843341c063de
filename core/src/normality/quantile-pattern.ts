import type { Density } from '../description/density';
import type { NormalQuantiles } from '../description/normal-quantiles';
import { normalUpperTail } from '../distributions/normal';

/**
 * What the points of a normal quantile plot do: stay inside the band; show steps; a single far value; a long tail on one
 * side, on both; tails that end early; two humps.
 */
export type QuantilePattern =
  | 'inside'
  | 'steps'
  | 'outlier-high'
  | 'outlier-low'
  | 'right-tail'
  | 'left-tail'
  | 'heavy-tails'
  | 'light-tails'
  | 'two-humps'
  | 'irregular';

/** Different values up to this many, and fewer than a fifth of the cases, make steps. */
const MOST_STEPS = 15;
const STEP_SHARE = 0.2;
/** The outermost values of each side tell of its tail. */
const TAIL_SHARE = 0.03;
const FEWEST_TAIL_POINTS = 2;
/** A valley must fall below this share of the lower of its two humps. */
const VALLEY_DEPTH = 0.65;
const LOWEST_HUMP = 0.15;

/**
 * Names the pattern of a normal quantile plot, to be put into words.
 * @param options.distinct how many different values there are
 * @param options.density the kernel density of the same values, for humps
 *
 * @example
 * ((x) => quantilePattern(normalQuantiles(x), { distinct: 60, density: density(x) }))(Float64Array.from({ length: 60 },
 *   (_, i) => (i - 29.5) ** 3)); // 'heavy-tails'
 */
export function quantilePattern(plot: NormalQuantiles, { distinct, density }: { distinct: number; density: Density }): QuantilePattern {
  const n = plot.sample.length;
  if (n === 0 || plot.outside.length === 0) return 'inside';
  if (distinct <= MOST_STEPS && distinct < n * STEP_SHARE) return 'steps';
  const outlier = singleOutlier(plot);
  if (outlier) return outlier;
  if (humps(density) > 1) return 'two-humps';
  const [low, high] = [tailBend(plot, -1), tailBend(plot, 1)];
  if (low > 0 && high < 0) return 'light-tails';
  if (low < 0 && high > 0) return 'heavy-tails';
  if (low > 0 && high > 0) return 'right-tail';
  if (low < 0 && high < 0) return 'left-tail';
  return 'irregular';
}

/** All points outside are one at an end, and the next point inside is nearer to the middle by more than one SD. */
function singleOutlier({ sample, low, high }: NormalQuantiles): 'outlier-high' | 'outlier-low' | null {
  const n = sample.length;
  const isOutside = (i: number) => sample[i] < low[i] || sample[i] > high[i];
  let outside = 0;
  for (let i = 0; i < n; i++) if (isOutside(i)) outside++;
  // One far value presses the SD up, so that some others leave the band, too; a gap of three SDs tells it apart.
  if (sample[n - 1] - sample[n - 2] > 3) return 'outlier-high';
  if (sample[1] - sample[0] > 3) return 'outlier-low';
  if (outside !== 1) return null;
  if (isOutside(n - 1) && sample[n - 1] - sample[n - 2] > 1) return 'outlier-high';
  return isOutside(0) && sample[1] - sample[0] > 1 ? 'outlier-low' : null;
}

/**
 * By how much the outermost values of one side lie above (positive) or below the line on average. Points stand for as many
 * values as their distance on the axis says: in large samples they are evenly spaced there.
 */
function tailBend({ theoretical, sample }: NormalQuantiles, side: -1 | 1): number {
  const n = sample.length;
  let [sum, weights] = [0, 0];
  let share = 0;
  for (let k = 0; k < n && (k < FEWEST_TAIL_POINTS || share < TAIL_SHARE); k++) {
    const i = side < 0 ? k : n - 1 - k;
    const beyond = normalUpperTail(Math.abs(theoretical[i]));
    sum += (beyond - share) * (sample[i] - theoretical[i]);
    weights += beyond - share;
    share = beyond;
  }
  return sum / weights;
}

function humps({ density }: Density): number {
  const highest = density.reduce((most, value) => Math.max(most, value), 0);
  let found = 0;
  let lastPeak = 0;
  let valley = Number.POSITIVE_INFINITY;
  for (let i = 1; i < density.length - 1; i++) {
    const value = density[i];
    valley = Math.min(valley, value);
    if (value < LOWEST_HUMP * highest || value < density[i - 1] || value <= density[i + 1]) continue;
    if (found === 0 || valley < VALLEY_DEPTH * Math.min(lastPeak, value)) {
      found++;
      lastPeak = value;
    } else lastPeak = Math.max(lastPeak, value);
    valley = value;
  }
  return found;
}
