import { centreColumn } from '../columns/centre';
import { presentValues } from '../columns/complete-rows';
import { fisherInterval } from '../correlation/fisher-interval';
import { pearson } from '../correlation/pearson';
import type { Alternative, Interval } from '../correlation/types';
import { studentP } from '../distributions/student-t';
import { normalP } from '../distributions/tail-probability';
import { invertPositiveDefinite } from '../linear-algebra/cholesky';
import { assertColumns } from './assert-columns';
import { zVariances } from './observed-information';
import { missingGivenRest, type Pattern, patternsOf } from './patterns';

export interface MaximumLikelihoodOptions {
  /** Most rounds of EM. Default 5,000. */
  iterations?: number;
}

/** Means, SDs and coefficients that make the values there are most likely, under joint normality. */
export interface MaximumLikelihood {
  /** By variable. */
  readonly means: Float64Array;
  /** Divisor n: the maximum likelihood estimates. */
  readonly sds: Float64Array;
  /** Their squares, which leave the range of numbers for values above 1e154 or below 1e−162. */
  readonly variances: Float64Array;
  /** size × size, row-major. */
  readonly coefficient: Float64Array;
  /** Variance of Fisher's z of each pair: 1/(I − 3), I the observed information of z, in rows; NaN where there is none. */
  readonly zVariance: Float64Array;
  /** Degrees of freedom of that variance: (I − 3)/(1 − I/n), infinite where nothing of the pair is missing. */
  readonly zDf: Float64Array;
  /** Rows with at least one value. */
  readonly n: number;
  readonly iterations: number;
  readonly converged: boolean;
  /** The likelihood has no top: rows shared by some variables lie on a line or a plane, so that it grows without end. */
  readonly degenerate?: true;
  /** Why there is nothing: a variable does not vary, or too few rows. */
  readonly undefinedBecause?: 'constant' | 'too-few-cases';
}

const MOST_ITERATIONS = 5000;
/** A round that moves no standardized mean or covariance by more than this is the last. */
const STILL = 1e-11;
const FEWEST_ROWS = 4;
/** Of Fisher’s 1/(n − 3). */
const FISHERS = 3;
/** A share of the information that is lost below this is rounding. */
const NOTHING_MISSING = 1e-7;

/**
 * Maximum likelihood under joint normality with missing values, by EM over the patterns of what is missing (Dempster, Laird &
 * Rubin 1977; Little & Rubin 2002, section 11.2). Assumes that whether a value is missing depends on what is there, not on
 * the value itself (missing at random). Variances of z from the observed information I of means and covariances, 1/(I − 3), so
 * that without missing values they are Fisher's. With them the variance is uncertain too: tests and intervals are by t on
 * (I − 3)/(1 − I/n) degrees of freedom, our choice by simulation (the normal quantile rejects in 7 to 11 % of samples of 20).
 * Missing: NaN; rows of nothing are left out. Where EM does not settle, `converged` is false and what it came to is given;
 * where there is nothing to settle at, since shared rows lie on a line or a plane, it is `degenerate`.
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * maximumLikelihood([Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12),
 *   Float64Array.of(2, 1, 4, 3, 7, 5, 6, 9, NaN, NaN, NaN, NaN)]).means[1]; // 6.55357
 */
export function maximumLikelihood(columns: readonly Float64Array[], options: MaximumLikelihoodOptions = {}): MaximumLikelihood {
  return estimate(columns, options, true);
}

/** The same. @param withVariances whether the variances of z are wanted, which take longer than all else */
export function estimate(
  columns: readonly Float64Array[],
  { iterations = MOST_ITERATIONS }: MaximumLikelihoodOptions,
  withVariances: boolean,
): MaximumLikelihood {
  assertColumns(columns);
  const p = columns.length;
  const patterns = patternsOf(columns);
  const n = patterns.reduce((sum, { rows }) => sum + rows.length, 0);
  const scales = columns.map(scaleOf);
  if (n < FEWEST_ROWS) return nothing(p, n, 'too-few-cases');
  if (scales.some(({ constant }) => constant)) return nothing(p, n, 'constant');
  // On standardized values, so that one tolerance serves all.
  const scaled = columns.map((column, j) => column.map((value) => (value - scales[j].middle) / scales[j].sd));
  const { mean, covariance, rounds, converged } = settle(scaled, patterns, n, iterations);
  const sd = Float64Array.from({ length: p }, (_, j) => Math.sqrt(covariance[j * p + j]));
  const coefficient = covariance.map((value, at) => {
    const [i, j] = [Math.floor(at / p), at % p];
    return i === j ? 1 : Math.max(-1, Math.min(1, value / (sd[i] * sd[j])));
  });
  const sds = sd.map((value, j) => value * scales[j].sd);
  const degenerate = isSingular(coefficient, p) || sharesLine(columns, coefficient);
  const information =
    withVariances && !degenerate
      ? zVariances(scaled, patterns, mean, covariance).map((variance) => 1 / variance)
      : new Float64Array(p * p).fill(Number.NaN);
  return {
    means: mean.map((value, j) => scales[j].middle + value * scales[j].sd),
    sds,
    variances: sds.map((value) => value * value),
    coefficient,
    zVariance: information.map((rows) => (rows > FISHERS ? 1 / (rows - FISHERS) : Number.NaN)),
    zDf: information.map((rows) => {
      const missing = 1 - rows / n;
      return missing > NOTHING_MISSING ? (rows - FISHERS) / missing : Number.isNaN(rows) ? Number.NaN : Number.POSITIVE_INFINITY;
    }),
    n,
    iterations: rounds,
    converged: converged && !degenerate,
    ...(degenerate ? { degenerate } : {}),
  };
}

/** Of a variance of 1, what the others leave where they determine it but for rounding. */
const NOTHING_LEFT = 1e-13;
/** A coefficient this near to ±1 may be of shared rows on a line. */
const NEAR_A_LINE = 1e-6;

function isSingular(coefficient: Float64Array, p: number): boolean {
  const inverse = invertPositiveDefinite(coefficient, p);
  return inverse === null || Array.from({ length: p }, (_, j) => inverse[j * p + j]).some((inflation) => !(inflation * NOTHING_LEFT < 1));
}

/** Whether some pair's shared rows lie exactly on a line, which EM comes ever nearer to and never reaches. */
function sharesLine(columns: readonly Float64Array[], coefficient: Float64Array): boolean {
  const p = columns.length;
  return columns.some((x, i) =>
    columns.some((y, j) => j < i && 1 - Math.abs(coefficient[i * p + j]) < NEAR_A_LINE && Math.abs(pearson(x, y).coefficient) === 1),
  );
}

export interface LikelihoodTest {
  readonly coefficient: number;
  readonly n: number;
  readonly pValue: number;
  readonly log10P: number;
  readonly z: number;
  /** Of Student’s t, which z is judged by; infinite where nothing is missing. */
  readonly df: number;
  readonly interval: Interval | null;
  readonly converged: boolean;
}

/**
 * The test and interval of one pair of what maximum likelihood gave, on the scale of z: normal without missing values, else by t.
 * @param i,j places of the two variables
 *
 * @example
 * testLikelihood(maximumLikelihood([Float64Array.of(1, 2, 3, 4, 5, 6), Float64Array.of(2, 1, 4, 3, 5, 7)]), 0, 1).z; // 2.46928
 */
export function testLikelihood(
  found: MaximumLikelihood,
  i: number,
  j: number,
  { alternative = 'two-sided', level = 0.95 }: { alternative?: Alternative; level?: number } = {},
): LikelihoodTest {
  const at = i * found.means.length + j;
  const [coefficient, variance, df] = [found.coefficient[at], found.zVariance[at], found.zDf[at]];
  const given = { r: coefficient, oneMinusAbs: 1 - Math.abs(coefficient) };
  const z = Math.atanh(coefficient) / Math.sqrt(variance);
  return {
    coefficient,
    n: found.n,
    z,
    df,
    ...(df === Number.POSITIVE_INFINITY ? normalP(z, alternative) : studentP(z, df, alternative)),
    interval: fisherInterval(given, variance, { alternative, level }, 'maximum-likelihood', df),
    converged: found.converged,
  };
}

function scaleOf(column: Float64Array): { middle: number; sd: number; constant: boolean } {
  const present = presentValues(column);
  const { mean, centred, scale, constant } = centreColumn(present);
  const squares = centred.reduce((sum, value) => sum + value * value, 0);
  return { middle: mean, sd: Math.sqrt(squares / present.length) / scale, constant: constant || present.length < 2 };
}

/** A pattern with the sums and products of what is there, which is all that EM asks of its rows. */
interface SummedPattern extends Pattern {
  readonly sums: Float64Array;
  readonly products: Float64Array;
}

function summed(columns: readonly Float64Array[], pattern: Pattern): SummedPattern {
  const { observed, rows } = pattern;
  const q = observed.length;
  const [sums, products] = [new Float64Array(q), new Float64Array(q * q)];
  for (const row of rows) {
    for (let a = 0; a < q; a++) {
      const value = columns[observed[a]][row];
      sums[a] += value;
      for (let b = 0; b <= a; b++) products[a * q + b] += value * columns[observed[b]][row];
    }
  }
  for (let a = 0; a < q; a++) for (let b = 0; b < a; b++) products[b * q + a] = products[a * q + b];
  return { ...pattern, sums, products };
}

function settle(columns: readonly Float64Array[], patterns: readonly Pattern[], n: number, most: number) {
  const p = columns.length;
  const sums = patterns.map((pattern) => summed(columns, pattern));
  let mean = new Float64Array(p);
  let covariance = new Float64Array(p * p);
  for (let j = 0; j < p; j++) covariance[j * p + j] = 1;
  for (let rounds = 1; rounds <= most; rounds++) {
    const next = round(sums, n, mean, covariance);
    if (!next) return { mean, covariance, rounds, converged: false };
    let moved = 0;
    for (let j = 0; j < p; j++) moved = Math.max(moved, Math.abs(next.mean[j] - mean[j]));
    for (let at = 0; at < p * p; at++) moved = Math.max(moved, Math.abs(next.covariance[at] - covariance[at]));
    ({ mean, covariance } = next);
    if (moved <= STILL) return { mean, covariance, rounds, converged: true };
  }
  return { mean, covariance, rounds: most, converged: false };
}

/** One round: what is missing is expected from what is there, and means and covariances follow. */
function round(patterns: readonly SummedPattern[], n: number, mean: Float64Array, covariance: Float64Array) {
  const p = mean.length;
  const [sums, products] = [new Float64Array(p), new Float64Array(p * p)];
  const precision = invertPositiveDefinite(covariance, p);
  if (!precision) return null;
  for (const pattern of patterns) {
    const { observed, missing } = pattern;
    const q = observed.length;
    const given = missingGivenRest(precision, p, pattern);
    if (!given) return null;
    const { weights, rest } = given;
    const about = aboutMeans(pattern, mean);
    for (let a = 0; a < q; a++) {
      sums[observed[a]] += about.sums[a];
      for (let b = 0; b < q; b++) products[observed[a] * p + observed[b]] += about.products[a * q + b];
    }
    for (let m = 0; m < missing.length; m++) {
      for (let a = 0; a < q; a++) {
        sums[missing[m]] += weights[m * q + a] * about.sums[a];
        let product = 0;
        for (let b = 0; b < q; b++) product += weights[m * q + b] * about.products[b * q + a];
        products[missing[m] * p + observed[a]] += product;
        products[observed[a] * p + missing[m]] += product;
        for (let k = 0; k < missing.length; k++) products[missing[m] * p + missing[k]] += product * weights[k * q + a];
      }
    }
    for (let m = 0; m < missing.length; m++) {
      for (let k = 0; k < missing.length; k++) products[missing[m] * p + missing[k]] += pattern.rows.length * rest[m * missing.length + k];
    }
  }
  const shift = sums.map((sum) => sum / n);
  const next = new Float64Array(p * p);
  for (let i = 0; i < p; i++) {
    for (let j = 0; j <= i; j++) next[i * p + j] = next[j * p + i] = products[i * p + j] / n - shift[i] * shift[j];
  }
  return { mean: mean.map((value, j) => value + shift[j]), covariance: next };
}

/** Sums and products of a pattern's rows about the present means. */
function aboutMeans({ observed, rows, sums, products }: SummedPattern, mean: Float64Array) {
  const q = observed.length;
  const n = rows.length;
  const about = products.slice();
  for (let a = 0; a < q; a++) {
    for (let b = 0; b < q; b++) {
      const [ma, mb] = [mean[observed[a]], mean[observed[b]]];
      about[a * q + b] += n * ma * mb - ma * sums[b] - mb * sums[a];
    }
  }
  return { sums: sums.map((sum, a) => sum - n * mean[observed[a]]), products: about };
}

function nothing(p: number, n: number, undefinedBecause: 'constant' | 'too-few-cases'): MaximumLikelihood {
  const none = (length: number) => new Float64Array(length).fill(Number.NaN);
  return {
    means: none(p),
    sds: none(p),
    variances: none(p),
    coefficient: none(p * p),
    zVariance: none(p * p),
    zDf: none(p * p),
    n,
    iterations: 0,
    converged: false,
    undefinedBecause,
  };
}
