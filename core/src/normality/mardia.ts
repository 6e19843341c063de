import { chiSquaredP } from '../distributions/chi-squared';
import { normalP } from '../distributions/tail-probability';
import { squaredLength } from './mahalanobis';
import type { NormalityUndefined } from './normality-test';
import { type Sphered, sphere } from './sphered';

export interface Mardia {
  readonly skewness: {
    readonly statistic: number;
    readonly df: number;
    readonly pValue: number;
    readonly log10P: number;
    readonly coefficient: number;
  };
  readonly kurtosis: { readonly statistic: number; readonly pValue: number; readonly log10P: number; readonly coefficient: number };
  readonly n: number;
  readonly undefinedBecause?: NormalityUndefined;
}

/**
 * Mardia's tests of joint skewness and kurtosis, listwise, with the covariance of divisor n.
 *
 * Source: Mardia (1970); small-sample factor of the skewness Mardia (1974), χ² on p(p + 1)(p + 2)/6 degrees of freedom;
 * kurtosis two-sided normal with its exact mean and variance under normality (Mardia 1974): the asymptotic ones reject in
 * under 1 % of samples of 20 where 5 % is meant. The skewness comes from third-moment sums where these are fewer than the pairs of rows,
 * and never needs memory for all pairs.
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * mardia([Float64Array.of(1, 2, 3, 4, 5, 6, 7, 9), Float64Array.of(2, 1, 4, 3, 6, 5, 8,
 *   7)]).kurtosis.coefficient; // 5.30855
 */
export function mardia(columns: readonly Float64Array[]): Mardia {
  const sphered = sphere(columns);
  if ('undefinedBecause' in sphered) {
    const none = { statistic: Number.NaN, df: Number.NaN, pValue: Number.NaN, log10P: Number.NaN, coefficient: Number.NaN };
    return { skewness: none, kurtosis: none, n: sphered.n, undefinedBecause: sphered.undefinedBecause };
  }
  const { n, p } = sphered;
  const b1 = skewnessOf(sphered);
  const b2 = kurtosisOf(sphered);
  const factor = ((p + 1) * (n + 1) * (n + 3)) / (n * ((n + 1) * (p + 1) - 6));
  const chi = (factor * n * b1) / 6;
  const df = (p * (p + 1) * (p + 2)) / 6;
  const expected = (p * (p + 2) * (n - 1)) / (n + 1);
  const variance = (8 * p * (p + 2) * (n - 3) * (n - p - 1) * (n - p + 1)) / ((n + 1) ** 2 * (n + 3) * (n + 5));
  const z = (b2 - expected) / Math.sqrt(variance);
  return {
    skewness: { statistic: chi, df, ...chiSquaredP(chi, df), coefficient: b1 },
    kurtosis: { statistic: z, ...normalP(z), coefficient: b2 },
    n,
  };
}

/** b₁ = n⁻²ΣᵢΣⱼ(n·qᵢ·qⱼ)³ over pairs of rows, or Σ over triples of columns of their squared third moments. */
function skewnessOf({ columns, n, p }: Sphered): number {
  const triples = (p * (p + 1) * (p + 2)) / 6;
  return triples * n <= (n * n * p) / 2 ? fromThirdMoments(columns, n) : fromPairs(columns, n);
}

function fromThirdMoments(columns: readonly Float64Array[], n: number): number {
  const p = columns.length;
  let b1 = 0;
  for (let a = 0; a < p; a++) {
    for (let b = a; b < p; b++) {
      for (let c = b; c < p; c++) {
        let sum = 0;
        for (let row = 0; row < n; row++) sum += columns[a][row] * columns[b][row] * columns[c][row];
        const orders = a === b && b === c ? 1 : a === b || b === c ? 3 : 6;
        b1 += orders * sum * sum;
      }
    }
  }
  return b1 * n;
}

function fromPairs(columns: readonly Float64Array[], n: number): number {
  let sum = 0;
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let dot = 0;
      for (const column of columns) dot += column[i] * column[j];
      sum += (i === j ? 1 : 2) * dot * dot * dot;
    }
  }
  return sum * n;
}

function kurtosisOf({ columns, n }: Sphered): number {
  let sum = 0;
  for (let row = 0; row < n; row++) sum += squaredLength(columns, row) ** 2;
  return sum * n;
}
