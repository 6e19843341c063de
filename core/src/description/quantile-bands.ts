import { normalDensity, normalQuantile } from '../distributions/normal';
import { Random } from '../random/random';

export interface Band {
  readonly low: Float64Array;
  readonly high: Float64Array;
}

export interface QuantileBands {
  readonly simultaneous: Band;
  readonly pointwise: Band;
}

/**
 * The local level is near .0018 at n = 150, half of it in each tail: fewer samples than this would leave it to a handful of
 * extremes. With 2,000 samples 7 % of normal samples left a band that promised 5 %.
 */
const SAMPLES = 20_000;
/** Up to here all values of a sample are drawn. */
const MOST_DRAWN = 1000;
const MOST_KEPT = 64;
const kept = new Map<string, QuantileBands>();

/** Bands for order statistics (from 0, ascending) of standardized normal samples of size n. */
export function quantileBands(n: number, places: Uint32Array, { level, seed }: { level: number; seed: number }): QuantileBands {
  const key = `${n} ${level} ${seed}`;
  const known = kept.get(key);
  if (known) return known;
  if (kept.size >= MOST_KEPT) kept.clear();
  const bands = computeBands(n, places, level, seed);
  kept.set(key, bands);
  return bands;
}

/** The smallest and the largest values at a place, each from the outermost inwards. */
interface Tails {
  readonly low: Float64Array;
  readonly high: Float64Array;
}

function computeBands(n: number, places: Uint32Array, level: number, seed: number): QuantileBands {
  const random = new Random(seed);
  const points = places.length;
  // By place, then by sample: the tails of each place are sorted on their own.
  const byPlace = Array.from({ length: points }, () => new Float64Array(SAMPLES));
  const draw = n <= MOST_DRAWN ? drawAll : drawSpaced;
  const sample = new Float64Array(points);
  for (let b = 0; b < SAMPLES; b++) {
    draw(random, n, places, sample);
    for (let k = 0; k < points; k++) byPlace[k][b] = sample[k];
  }
  // One place alone makes so many samples as extreme as the level allows; ranks nearer to the middle decide nothing.
  const most = Math.ceil(((1 - level) / 2) * (SAMPLES + 1)) + 2;
  const scratch = new Float64Array(SAMPLES);
  const tails = byPlace.map((values): Tails => ({ low: smallest(values, most, 1, scratch), high: smallest(values, most, -1, scratch) }));
  return {
    pointwise: bandAt(tails, ((1 - level) / 2) * (SAMPLES + 1)),
    simultaneous: bandAt(tails, localRank(byPlace, tails, level)),
  };
}

/**
 * The `most` smallest values, ascending; with sign −1 the largest, descending. Selection by halves (Hoare 1961), so that the
 * rest need not be sorted.
 */
function smallest(values: Float64Array, most: number, sign: 1 | -1, scratch: Float64Array): Float64Array {
  for (let i = 0; i < values.length; i++) scratch[i] = sign * values[i];
  let [from, to] = [0, values.length - 1];
  while (from < to) {
    const pivot = scratch[(from + to) >> 1];
    let [i, j] = [from, to];
    while (i <= j) {
      while (scratch[i] < pivot) i++;
      while (scratch[j] > pivot) j--;
      if (i > j) break;
      const held = scratch[i];
      scratch[i++] = scratch[j];
      scratch[j--] = held;
    }
    if (most <= j + 1) to = j;
    else if (most > i) from = i;
    else break;
  }
  const found = scratch.slice(0, most).sort();
  for (let i = 0; i < most; i++) found[i] *= sign;
  return found;
}

/** All n values, standardized and sorted. */
function drawAll(random: Random, n: number, _places: Uint32Array, into: Float64Array): void {
  let sum = 0;
  for (let i = 0; i < n; i++) {
    into[i] = random.normal();
    sum += into[i];
  }
  let squares = 0;
  for (let i = 0; i < n; i++) {
    into[i] -= sum / n;
    squares += into[i] * into[i];
  }
  const sd = Math.sqrt(squares / (n - 1));
  for (let i = 0; i < n; i++) into[i] /= sd;
  into.sort();
}

/**
 * Only the order statistics wanted: uniform spacings are gamma variates over their sum (Devroye 1986, ch. V.3). What lies
 * between two of them enters mean and SD by its conditional expectation.
 */
function drawSpaced(random: Random, n: number, places: Uint32Array, into: Float64Array): void {
  const points = places.length;
  const sums = new Float64Array(points + 1);
  let sum = 0;
  for (let k = 0; k <= points; k++) {
    const from = k === 0 ? -1 : places[k - 1];
    const to = k === points ? n : places[k];
    sum += random.gamma(to - from);
    sums[k] = sum;
  }
  let [first, second] = [0, 0];
  let [z, u, a] = [Number.NaN, Number.NaN, Number.NaN];
  for (let k = 0; k < points; k++) {
    const nextU = sums[k] / sum;
    const nextZ = normalQuantile(nextU);
    const between = k === 0 ? 0 : places[k] - places[k - 1] - 1;
    const b = normalDensity(nextZ);
    if (between > 0) {
      first += (between * (a - b)) / (nextU - u);
      second += between * (1 + (z * a - nextZ * b) / (nextU - u));
    }
    first += nextZ;
    second += nextZ * nextZ;
    into[k] = nextZ;
    z = nextZ;
    u = nextU;
    a = b;
  }
  const mean = first / n;
  const sd = Math.sqrt((second - n * mean * mean) / (n - 1));
  for (let k = 0; k < points; k++) into[k] = (into[k] - mean) / sd;
}

/**
 * The rank, the same at every place, within which the wanted share of whole samples stays (equal local levels).
 * Each sample is as extreme as its most extreme place.
 */
function localRank(byPlace: readonly Float64Array[], tails: readonly Tails[], level: number): number {
  const extremes = new Float64Array(SAMPLES).fill(SAMPLES);
  byPlace.forEach((values, k) => {
    const { low, high } = tails[k];
    const last = low.length - 1;
    for (let b = 0; b < SAMPLES; b++) {
      const value = values[b];
      if (value <= low[last]) extremes[b] = Math.min(extremes[b], rankIn(low, value, 1));
      else if (value >= high[last]) extremes[b] = Math.min(extremes[b], rankIn(high, value, -1));
    }
  });
  extremes.sort();
  return Math.max(1, extremes[Math.floor((1 - level) * SAMPLES)]);
}

/** The rank of a value, from 1, counted from the outermost inwards. */
function rankIn(tail: Float64Array, value: number, sign: 1 | -1): number {
  let low = 0;
  let high = tail.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sign * tail[middle] < sign * value) low = middle + 1;
    else high = middle;
  }
  return low + 1;
}

/** The values at a rank (from 1) from either end at each place; between ranks by interpolation. */
function bandAt(tails: readonly Tails[], rank: number): Band {
  const at = (values: Float64Array) => {
    const below = Math.min(values.length - 1, Math.max(0, Math.floor(rank - 1)));
    const above = Math.min(values.length - 1, below + 1);
    return values[below] + (rank - 1 - below) * (values[above] - values[below]);
  };
  return { low: Float64Array.from(tails, ({ low }) => at(low)), high: Float64Array.from(tails, ({ high }) => at(high)) };
}
