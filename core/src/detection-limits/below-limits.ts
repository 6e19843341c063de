import { centreColumn } from '../columns/centre';
import { fisherInterval } from '../correlation/fisher-interval';
import { METHODS } from '../correlation/methods';
import type { Alternative, CorrelationOptions, CorrelationTest, Interval, Method } from '../correlation/types';
import { NO_PROBABILITY, normalP } from '../distributions/tail-probability';
import { informationOf } from '../latent/latent-result';
import { invertPositiveDefinite } from '../linear-algebra/cholesky';
import { type CensoredColumn, type CensoredPoint, censoredLikelihood } from './censored-rows';

/** A measured variable of which some values are known only to lie below a limit. */
export interface LimitedColumn {
  /** NaN is missing. Where a value is below a limit, what stands here does not count. */
  readonly values: Float64Array;
  /** By row the limit that the value lies below; NaN where it was measured. */
  readonly limits: Float64Array;
}

export interface BelowLimitsOptions {
  /** Whether a variable is taken as lognormal: the coefficient is then of its logarithm. Default false, false. */
  logs?: readonly [boolean, boolean];
  alternative?: Alternative;
  level?: number;
}

export type LimitsUndefined = 'too-few-cases' | 'too-few-measured' | 'not-positive' | 'does-not-settle';

export interface BelowLimits {
  /** Of the logarithms where these were asked for. */
  readonly coefficient: number;
  readonly n: number;
  /** Rows below the limit of x, of y, of both. */
  readonly below: readonly [number, number, number];
  readonly means: readonly [number, number];
  /** Divisor n: the maximum likelihood estimates. */
  readonly sds: readonly [number, number];
  readonly zVariance: number;
  readonly pValue: number;
  readonly log10P: number;
  readonly interval: Interval | null;
  readonly rounds: number;
  readonly converged: boolean;
  readonly undefinedBecause?: LimitsUndefined;
}

const FEWEST_ROWS = 4;
/** Distinct values that must have been measured of each variable; of fewer its SD can be anything. */
const FEWEST_MEASURED = 3;
const MOST_ROUNDS = 200;
const STILL = 1e-9;
/** A coefficient this far is on its way to ±1. */
const FURTHEST_Z = 6;
/** Step of the differences of slopes: the cube root of rounding, on standardized values. */
const STEP = 1e-5;

/**
 * Correlation of two variables of which some values lie below a limit, by maximum likelihood under joint normality, of values
 * or of their logarithms; limits by row.
 * Source: Lyles, Williams & Chuachoowong (2001); observed information times (n − 3)/n, on the scale of Fisher's z.
 * Missing: NaN in `values` where no limit stands; rows complete for both count.
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * belowLimits({ values: Float64Array.of(1, 2, 3, 4, 5, 6), limits: Float64Array.of(1.5, NaN, NaN, NaN, NaN, NaN) },
 *   { values: Float64Array.of(2, 1, 4, 3, 6, 5), limits: new Float64Array(6).fill(NaN) }).coefficient; // 0.82079
 */
export function belowLimits(
  x: LimitedColumn,
  y: LimitedColumn,
  { logs = [false, false], alternative = 'two-sided', level = 0.95 }: BelowLimitsOptions = {},
): BelowLimits {
  const lengths = [x.values.length, x.limits.length, y.values.length, y.limits.length];
  if (lengths.some((length) => length !== lengths[0])) throw new RangeError(`columns must have the same length; got ${lengths.join(', ')}`);
  const rows = completeRows(x, y);
  const [a, b] = [censored(x, rows, logs[0]), censored(y, rows, logs[1])];
  const below = [count(a), count(b), a.below.reduce((sum, is, i) => sum + (is & b.below[i]), 0)] as const;
  const because = unusable(a, b);
  if (because) return undefinedLimits(rows.length, below, because);
  const [scaleX, scaleY] = [scaleOf(a), scaleOf(b)];
  const found = climb(standardized(a, scaleX), standardized(b, scaleY));
  if (!found) return undefinedLimits(rows.length, below, 'does-not-settle');
  const [meanX, meanY, logSdX, logSdY, z] = found.point;
  const zVariance = found.variance / informationOf(rows.length);
  const coefficient = Math.tanh(z);
  return {
    coefficient,
    n: rows.length,
    below,
    means: [scaleX.middle + scaleX.sd * meanX, scaleY.middle + scaleY.sd * meanY],
    sds: [scaleX.sd * Math.exp(logSdX), scaleY.sd * Math.exp(logSdY)],
    zVariance,
    ...normalP(z / Math.sqrt(zVariance), alternative),
    interval: fisherInterval({ r: coefficient, oneMinusAbs: 1 - Math.abs(coefficient) }, zVariance, { alternative, level }, 'likelihood'),
    rounds: found.rounds,
    converged: true,
  };
}

/**
 * A coefficient of ranks with all values below the highest limit tied, which is what is known of their order where limits
 * differ.
 * @param method one of ranks: 'spearman' or 'kendall'
 * @throws {RangeError} Pearson's r, columns of unequal length.
 *
 * @example
 * tiedBelowLimits({ values: Float64Array.of(1, 2, 3, 4), limits: Float64Array.of(1.5, NaN, NaN, NaN) },
 *   { values: Float64Array.of(1, 3, 2, 4), limits: new Float64Array(4).fill(NaN) }, 'spearman').coefficient; // 0.8
 */
export function tiedBelowLimits(
  x: LimitedColumn,
  y: LimitedColumn,
  method: Exclude<Method, 'pearson'>,
  options?: CorrelationOptions,
): CorrelationTest {
  if (METHODS[method].looksAt !== 'ranks') throw new RangeError(`method must be one of ranks; got ${method}`);
  return METHODS[method].test(tied(x), tied(y), options);
}

/** All that lies below the highest limit at one value under it; what was measured below it too, since its place among the others is not known. */
function tied({ values, limits }: LimitedColumn): Float64Array {
  const highest = limits.reduce((most, limit) => (limit > most ? limit : most), Number.NEGATIVE_INFINITY);
  return values.map((value, i) =>
    limits[i] === limits[i] || value < highest ? (value === value || limits[i] === limits[i] ? below(highest) : value) : value,
  );
}

/** A value just under a limit: which one does not matter to ranks. */
function below(limit: number): number {
  return limit - Math.max(Math.abs(limit) * 2 ** -52, Number.MIN_VALUE);
}

function completeRows(x: LimitedColumn, y: LimitedColumn): number[] {
  const known = ({ values, limits }: LimitedColumn, i: number) => values[i] === values[i] || limits[i] === limits[i];
  return Array.from(x.values, (_, i) => i).filter((i) => known(x, i) && known(y, i));
}

function censored({ values, limits }: LimitedColumn, rows: readonly number[], log: boolean): CensoredColumn {
  const isBelow = Uint8Array.from(rows, (i) => (limits[i] === limits[i] ? 1 : 0));
  const taken = Float64Array.from(rows, (i, k) => (isBelow[k] === 1 ? limits[i] : values[i]));
  return { values: log ? taken.map(Math.log) : taken, below: isBelow };
}

function count({ below: is }: CensoredColumn): number {
  return is.reduce((sum, one) => sum + one, 0);
}

function unusable(a: CensoredColumn, b: CensoredColumn): LimitsUndefined | null {
  if ([a, b].some(({ values }) => values.some((value) => !Number.isFinite(value)))) return 'not-positive';
  if (a.values.length < FEWEST_ROWS) return 'too-few-cases';
  const measured = ({ values, below: is }: CensoredColumn) => new Set(values.filter((_, i) => is[i] === 0)).size;
  return measured(a) < FEWEST_MEASURED || measured(b) < FEWEST_MEASURED ? 'too-few-measured' : null;
}

interface Scale {
  readonly middle: number;
  readonly sd: number;
}

/** Of values and limits alike: a place to start from. */
function scaleOf({ values }: CensoredColumn): Scale {
  const { mean, centred, scale } = centreColumn(values);
  return { middle: mean, sd: Math.sqrt(centred.reduce((sum, value) => sum + value * value, 0) / values.length) / scale };
}

function standardized({ values, below: is }: CensoredColumn, { middle, sd }: Scale): CensoredColumn {
  return { values: values.map((value) => (value - middle) / sd), below: is };
}

/** Newton’s method on the slopes, with halved steps; null where it does not settle. */
function climb(x: CensoredColumn, y: CensoredColumn) {
  const product = x.values.reduce((sum, value, i) => sum + value * y.values[i], 0) / x.values.length;
  let point: CensoredPoint = [0, 0, 0, 0, Math.atanh(Math.max(-0.95, Math.min(0.95, product)))];
  let here = censoredLikelihood(x, y, point);
  for (let rounds = 1; rounds <= MOST_ROUNDS; rounds++) {
    const information = informationAt(x, y, point);
    const inverse = invertPositiveDefinite(information, 5);
    const step = Float64Array.from({ length: 5 }, (_, k) => {
      // Where the top is not near, up the slope by itself.
      if (!inverse) return here.slopes[k] / Math.max(1, Math.abs(information[k * 5 + k]));
      let sum = 0;
      for (let l = 0; l < 5; l++) sum += inverse[k * 5 + l] * here.slopes[l];
      return sum;
    });
    let taken = 1;
    for (; taken > 1e-10; taken /= 2) {
      const next = point.map((value, k) => value + taken * step[k]) as unknown as CensoredPoint;
      if (Math.abs(next[4]) > FURTHEST_Z) continue;
      const there = censoredLikelihood(x, y, next);
      if (there.height >= here.height - Math.abs(here.height) * 1e-14) {
        [point, here] = [next, there];
        break;
      }
    }
    const still = step.every((change) => Math.abs(change) <= STILL);
    if (still || taken <= 1e-10) {
      const last = invertPositiveDefinite(informationAt(x, y, point), 5);
      const variance = last ? last[24] : Number.NaN;
      return last && variance > 0 && here.slopes.every((slope) => Math.abs(slope) < 1e-3 * x.values.length)
        ? { point, variance, rounds }
        : null;
    }
  }
  return null;
}

/** Minus the second derivatives, by central differences of the slopes. */
function informationAt(x: CensoredColumn, y: CensoredColumn, point: CensoredPoint): Float64Array {
  const information = new Float64Array(25);
  for (let k = 0; k < 5; k++) {
    const at = (by: number) =>
      censoredLikelihood(x, y, point.map((value, l) => value + (l === k ? by : 0)) as unknown as CensoredPoint).slopes;
    const [up, down] = [at(STEP), at(-STEP)];
    for (let l = 0; l < 5; l++) information[k * 5 + l] = (down[l] - up[l]) / (2 * STEP);
  }
  for (let k = 0; k < 5; k++) {
    for (let l = 0; l < k; l++) information[k * 5 + l] = information[l * 5 + k] = (information[k * 5 + l] + information[l * 5 + k]) / 2;
  }
  return information;
}

function undefinedLimits(n: number, rowsBelow: BelowLimits['below'], undefinedBecause: LimitsUndefined): BelowLimits {
  return {
    coefficient: Number.NaN,
    n,
    below: rowsBelow,
    means: [Number.NaN, Number.NaN],
    sds: [Number.NaN, Number.NaN],
    zVariance: Number.NaN,
    ...NO_PROBABILITY,
    interval: null,
    rounds: 0,
    converged: false,
    undefinedBecause,
  };
}
