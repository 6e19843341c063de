import { normalP } from '../distributions/tail-probability';
import { Random } from '../random/random';
import { squaredLength } from './mahalanobis';
import type { NormalityTest } from './normality-test';
import { sphere } from './sphered';

export interface HenzeZirkler extends NormalityTest {
  /** Set where a seeded sample of the rows was tested instead of all. */
  readonly sampledFrom?: number;
}

const MOST_ROWS = 5000;
const SEED = 1;

/**
 * Henze–Zirkler test of joint normality, listwise, with the covariance of divisor n; lognormal p.
 *
 * Source: Henze & Zirkler (1990), β = ((2p + 1)n/4)^(1/(p + 4))/√2, moments their theorem 3.1. Above 5,000 complete
 * rows a seeded sample of 5,000 is tested, and `sampledFrom` says so.
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * henzeZirkler([Float64Array.of(1, 2, 3, 4, 5, 6, 7, 9), Float64Array.of(2, 1, 4, 3, 6, 5, 8, 7)]).n; // 8
 */
export function henzeZirkler(columns: readonly Float64Array[]): HenzeZirkler {
  const all = sphere(columns);
  if ('undefinedBecause' in all)
    return { statistic: Number.NaN, pValue: Number.NaN, log10P: Number.NaN, n: all.n, undefinedBecause: all.undefinedBecause };
  const sphered = all.n > MOST_ROWS ? sphere(sampleRows(all.units)) : all;
  if ('undefinedBecause' in sphered)
    return { statistic: Number.NaN, pValue: Number.NaN, log10P: Number.NaN, n: sphered.n, undefinedBecause: sphered.undefinedBecause };
  const { n, p } = sphered;
  const beta2 = (((2 * p + 1) * n) / 4) ** (2 / (p + 4)) / 2;
  const lengths = Float64Array.from({ length: n }, (_, i) => squaredLength(sphered.columns, i) * n);
  const [pairs, singles] = [
    sumOverPairs(sphered.columns, beta2 * n),
    lengths.reduce((sum, d) => sum + Math.exp((-beta2 * d) / (2 * (1 + beta2))), 0),
  ];
  const statistic = pairs / n - 2 * (1 + beta2) ** (-p / 2) * singles + n * (1 + 2 * beta2) ** (-p / 2);
  const { mean, variance } = lognormalMoments(beta2, p);
  const sigma2 = Math.log1p(variance / mean ** 2);
  const mu = Math.log(mean) - sigma2 / 2;
  const tail = normalP((Math.log(statistic) - mu) / Math.sqrt(sigma2), 'greater');
  return { statistic, ...tail, n, ...(all.n > MOST_ROWS ? { sampledFrom: all.n } : {}) };
}

function sumOverPairs(columns: readonly Float64Array[], scaledBeta2: number): number {
  const n = columns[0].length;
  let sum = n;
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < i; j++) {
      let distance = 0;
      for (const column of columns) distance += (column[i] - column[j]) ** 2;
      sum += 2 * Math.exp((-scaledBeta2 * distance) / 2);
    }
  }
  return sum;
}

/** Mean and variance of the statistic under normality (theorem 3.1). */
function lognormalMoments(b: number, p: number): { mean: number; variance: number } {
  const a = 1 + 2 * b;
  const w = (1 + b) * (1 + 3 * b);
  const [b2, b4] = [b * b, b ** 4];
  const mean = 1 - a ** (-p / 2) * (1 + (p * b) / a + (p * (p + 2) * b2) / (2 * a * a));
  const variance =
    2 * (1 + 4 * b) ** (-p / 2) +
    2 * a ** -p * (1 + (2 * p * b2) / (a * a) + (3 * p * (p + 2) * b4) / (4 * a ** 4)) -
    4 * w ** (-p / 2) * (1 + (3 * p * b2) / (2 * w) + (p * (p + 2) * b4) / (2 * w * w));
  return { mean, variance };
}

function sampleRows(columns: readonly Float64Array[]): Float64Array[] {
  const rows = Int32Array.from({ length: columns[0].length }, (_, i) => i);
  new Random(SEED).shuffle(rows);
  return columns.map((column) => Float64Array.from(rows.subarray(0, MOST_ROWS), (row) => column[row]));
}
