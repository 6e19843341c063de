import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';
import { fisherInterval } from '../correlation/fisher-interval';
import { constantReason } from '../correlation/test-result';
import { normalDensity, normalQuantile, normalUpperTail } from '../distributions/normal';
import { normalP } from '../distributions/tail-probability';
import { invertPositiveDefinite } from '../linear-algebra/cholesky';
import { levelsOf } from './contingency';
import { informationOf, type LatentCorrelation, type LatentOptions, SEPARATED, undefinedLatent } from './latent-result';

const FEWEST_ROWS = 4;
const MOST_ROUNDS = 200;
const STILL = 1e-12;
/** Probabilities of rows that no slope makes likelier are rounding below this. */
const SMALLEST = 1e-300;

/**
 * Polyserial correlation of a quantity with an ordered variable: the correlation that makes the rows most likely if a normal
 * variable stands behind the levels, mean, SD, thresholds and coefficient jointly.
 * Source: Olsson, Drasgow & Dorans (1982), eq. 11–16. The likelihood splits into that of x, and that of the levels given x,
 * which is an ordered probit with slope β: ρ/√(1 − ρ²) = βσ. Variance of z from the observed information of both, times
 * n/(n − 3); p by the likelihood ratio against ρ = 0, times (n − 3)/n.
 * Missing: NaN, the pair's complete rows.
 * @param x the quantity
 * @param y the ordered variable; levels that nobody chose are none
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * polyserial(Float64Array.of(2.1, 3.4, 1.2, 5.6, 4.4, 6.1, 7.3, 3.9, 8, 6.6, 9.1, 7.7),
 *   Float64Array.of(0, 0, 0, 1, 0, 1, 1, 1, 2, 2, 2, 1)).coefficient; // 0.916684
 */
export function polyserial(
  x: Float64Array,
  y: Float64Array,
  { alternative = 'two-sided', level = 0.95 }: LatentOptions = {},
): LatentCorrelation {
  if (x.length !== y.length) throw new RangeError(`columns must have the same length; got ${x.length} and ${y.length}`);
  const complete = completePair(x, y);
  const n = complete.x.length;
  const { centred, constant } = centreColumn(complete.x);
  const levels = levelsOf(complete.y);
  const because = n < FEWEST_ROWS ? 'too-few-cases' : constantReason(constant, levels.length < 2);
  if (because) return undefinedLatent(n, because);
  const places = new Map(Array.from(levels, (value, place) => [value, place]));
  const steps = Int32Array.from(complete.y, (value) => places.get(value) ?? 0);
  const sd = Math.sqrt(centred.reduce((sum, value) => sum + value * value, 0) / n);
  const standard = centred.map((value) => value / sd);
  const start = startOf(steps, levels.length, n);
  const atNone = heightOf(standard, steps, start, 0);
  const tested = (sign: number, height: number) => {
    const z = sign * Math.sqrt(Math.max(0, 2 * (height - atNone)) * informationOf(n));
    return { z, ...normalP(z, alternative) };
  };
  const separation = separationOf(standard, steps, levels.length);
  if (separation) {
    const { end, height } = separation;
    const thresholds = [new Float64Array(0), start] as const;
    return { n, ...SEPARATED, coefficient: end, thresholds, rounds: 0, ...tested(end, height) };
  }
  const { cuts, slope, variance, height, converged, rounds } = climb(standard, steps, start);
  const root = Math.sqrt(1 + slope * slope);
  const coefficient = slope / root;
  // z = arsinh(βσ); σ has the variance σ²/(2n), apart from β.
  const raw = (variance + (slope * slope) / (2 * n)) / (root * root);
  const zVariance = raw / informationOf(n);
  const given = { r: coefficient, oneMinusAbs: 1 - Math.abs(coefficient) };
  return {
    n,
    ...tested(Math.sign(slope), height),
    // Of the variable behind, in its own units: the cuts of the probit have the rest's SD as theirs.
    thresholds: [new Float64Array(0), cuts.map((cut) => cut / root)],
    rounds,
    coefficient,
    se: Math.sqrt(raw) * (1 - coefficient * coefficient),
    zVariance,
    interval: fisherInterval(given, zVariance, { alternative, level }, 'likelihood'),
    converged,
  };
}

/**
 * Whether the levels stand one after the other along x, in rising or falling order, with at most a value of x between them
 * that two share: the slope then runs without end (Albert & Anderson 1984). The likelihood it runs to is that of the shares
 * of the levels at each shared value.
 */
function separationOf(values: Float64Array, steps: Int32Array, levels: number): { end: -1 | 1; height: number } | null {
  const [low, high] = [new Float64Array(levels).fill(Number.POSITIVE_INFINITY), new Float64Array(levels).fill(Number.NEGATIVE_INFINITY)];
  values.forEach((value, i) => {
    low[steps[i]] = Math.min(low[steps[i]], value);
    high[steps[i]] = Math.max(high[steps[i]], value);
  });
  const rises = low.every((value, k) => k === 0 || high[k - 1] <= value);
  const falls = high.every((value, k) => k === 0 || value <= low[k - 1]);
  if (!rises && !falls) return null;
  const [here, both] = [new Map<string, number>(), new Map<number, number>()];
  values.forEach((value, i) => {
    const key = `${value} ${steps[i]}`;
    here.set(key, (here.get(key) ?? 0) + 1);
    both.set(value, (both.get(value) ?? 0) + 1);
  });
  let height = 0;
  for (const [key, count] of here) height += count * Math.log(count / (both.get(Number.parseFloat(key)) ?? count));
  return { end: rises ? 1 : -1, height };
}

/** Thresholds of the margin. */
function startOf(steps: Int32Array, levels: number, n: number): Float64Array {
  const counts = new Float64Array(levels);
  for (const step of steps) counts[step]++;
  let below = 0;
  return Float64Array.from({ length: levels - 1 }, (_, k) => {
    below += counts[k];
    return normalQuantile(below / n);
  });
}

/** The probability of a row's level and the densities at its two limits. */
function rowOf(value: number, step: number, cuts: Float64Array, slope: number) {
  const high = step < cuts.length ? cuts[step] - slope * value : Number.POSITIVE_INFINITY;
  const low = step > 0 ? cuts[step - 1] - slope * value : Number.NEGATIVE_INFINITY;
  const probability = low > 0 ? normalUpperTail(low) - normalUpperTail(high) : normalUpperTail(-high) - normalUpperTail(-low);
  return { high, low, probability: Math.max(SMALLEST, probability), atHigh: densityAt(high), atLow: densityAt(low) };
}

function densityAt(limit: number): number {
  return Number.isFinite(limit) ? normalDensity(limit) : 0;
}

function heightOf(values: Float64Array, steps: Int32Array, cuts: Float64Array, slope: number): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += Math.log(rowOf(values[i], steps[i], cuts, slope).probability);
  return sum;
}

/** Newton’s method with halved steps; the likelihood has one top (Burridge 1981). */
function climb(values: Float64Array, steps: Int32Array, start: Float64Array) {
  let [cuts, slope] = [start, 0];
  let height = heightOf(values, steps, cuts, slope);
  let [variance, converged, rounds] = [Number.NaN, false, 0];
  const size = start.length + 1;
  while (rounds < MOST_ROUNDS && !converged) {
    rounds++;
    const { score, information } = derivatives(values, steps, cuts, slope);
    const inverse = invertPositiveDefinite(information, size);
    if (!inverse) break;
    variance = inverse[size * size - 1];
    const step = Float64Array.from({ length: size }, (_, k) => {
      let sum = 0;
      for (let l = 0; l < size; l++) sum += inverse[k * size + l] * score[l];
      return sum;
    });
    let taken = 1;
    for (; taken > 1e-8; taken /= 2) {
      const next = cuts.map((cut, k) => cut + taken * step[k]);
      if (!next.every((cut, k) => k === 0 || cut > next[k - 1])) continue;
      const steeper = slope + taken * step[size - 1];
      const higher = heightOf(values, steps, next, steeper);
      if (higher >= height - Math.abs(height) * 1e-15) {
        [cuts, slope, height] = [next, steeper, higher];
        break;
      }
    }
    converged = taken <= 1e-8 || step.every((change) => Math.abs(change * taken) <= STILL * (1 + Math.abs(slope)));
  }
  return { cuts, slope, variance, height, converged, rounds };
}

/** Score and observed information of the cuts and, last, the slope. */
function derivatives(values: Float64Array, steps: Int32Array, cuts: Float64Array, slope: number) {
  const size = cuts.length + 1;
  const last = size - 1;
  const [score, information] = [new Float64Array(size), new Float64Array(size * size)];
  const at = (k: number, l: number, value: number) => {
    information[k * size + l] += value;
    if (k !== l) information[l * size + k] += value;
  };
  for (let i = 0; i < values.length; i++) {
    const [value, step] = [values[i], steps[i]];
    const { high, low, probability, atHigh, atLow } = rowOf(value, step, cuts, slope);
    const [byHigh, byLow] = [atHigh / probability, -atLow / probability];
    const bySlope = -value * (byHigh + byLow);
    const bend = (limit: number, density: number) => (Number.isFinite(limit) ? (-limit * density) / probability : 0);
    const [bendHigh, bendLow] = [bend(high, atHigh), -bend(low, atLow)];
    score[last] += bySlope;
    at(last, last, bySlope * bySlope - value * value * (bendHigh + bendLow));
    if (step < cuts.length) {
      score[step] += byHigh;
      at(step, step, byHigh * byHigh - bendHigh);
      at(step, last, byHigh * bySlope + value * bendHigh);
    }
    if (step > 0) {
      score[step - 1] += byLow;
      at(step - 1, step - 1, byLow * byLow - bendLow);
      at(step - 1, last, byLow * bySlope + value * bendLow);
    }
    if (step > 0 && step < cuts.length) at(step - 1, step, byHigh * byLow);
  }
  return { score, information };
}
