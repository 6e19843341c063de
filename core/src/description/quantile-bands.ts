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

const SAMPLES = 2000;
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

function computeBands(n: number, places: Uint32Array, level: number, seed: number): QuantileBands {
  const random = new Random(seed);
  const points = places.length;
  // By place, then by sample: each place is sorted on its own.
  const byPlace = Array.from({ length: points }, () => new Float64Array(SAMPLES));
  const draw = n <= MOST_DRAWN ? drawAll : drawSpaced;
  const sample = new Float64Array(points);
  for (let b = 0; b < SAMPLES; b++) {
    draw(random, n, places, sample);
    for (let k = 0; k < points; k++) byPlace[k][b] = sample[k];
  }
  const sorted = byPlace.map((values) => values.slice().sort());
  const tail = (1 - level) / 2;
  return { pointwise: bandAt(sorted, tail * (SAMPLES + 1)), simultaneous: bandAt(sorted, localRank(byPlace, sorted, level)) };
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
function localRank(byPlace: readonly Float64Array[], sorted: readonly Float64Array[], level: number): number {
  const extremes = new Float64Array(SAMPLES).fill(SAMPLES);
  // One place alone makes so many samples this extreme; ranks nearer to the middle cannot decide.
  const most = Math.ceil(((1 - level) * SAMPLES) / 2) + 1;
  byPlace.forEach((values, k) => {
    const [low, high] = [sorted[k][most], sorted[k][SAMPLES - 1 - most]];
    for (let b = 0; b < SAMPLES; b++) {
      if (values[b] > low && values[b] < high) continue;
      const rank = lowerBound(sorted[k], values[b]) + 1;
      extremes[b] = Math.min(extremes[b], rank, SAMPLES + 1 - rank);
    }
  });
  extremes.sort();
  return Math.max(1, extremes[Math.floor((1 - level) * SAMPLES)]);
}

function lowerBound(sorted: Float64Array, value: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle] < value) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The values at a rank (from 1) from either end at each place; between ranks by interpolation. */
function bandAt(sorted: readonly Float64Array[], rank: number): Band {
  const at = (values: Float64Array, place: number) => {
    const below = Math.min(SAMPLES - 1, Math.max(0, Math.floor(place)));
    const above = Math.min(SAMPLES - 1, below + 1);
    return values[below] + (place - below) * (values[above] - values[below]);
  };
  return {
    low: Float64Array.from(sorted, (values) => at(values, rank - 1)),
    high: Float64Array.from(sorted, (values) => at(values, SAMPLES - rank)),
  };
}
