import { chiSquaredP } from '../distributions/chi-squared';
import { NO_PROBABILITY } from '../distributions/tail-probability';
import { invertPositiveDefinite } from '../linear-algebra/cholesky';
import { assertColumns } from './assert-columns';
import { estimate } from './maximum-likelihood';
import { patternsOf, submatrix } from './patterns';

export interface LittleTest {
  /** d²; NaN where there is nothing to test. */
  readonly statistic: number;
  readonly df: number;
  readonly pValue: number;
  readonly log10P: number;
  /** Patterns of what is missing, and the rows that have any value. */
  readonly patterns: number;
  readonly n: number;
  readonly converged: boolean;
}

/**
 * Are values missing completely at random, as far as the means of what is there can tell? d² of the patterns' means about the
 * maximum likelihood means, χ² on Σpⱼ − p degrees of freedom, covariances with divisor n − 1.
 * Source: Little (1988), eq. 5. A test of means only: it does not see patterns that differ in spread, and with few rows of a
 * pattern it sees little at all.
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * littleTest([Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12),
 *   Float64Array.of(2, 1, 4, 3, 7, 5, 6, 9, NaN, NaN, NaN, NaN)]).pValue; // 0.00657841
 */
export function littleTest(columns: readonly Float64Array[]): LittleTest {
  assertColumns(columns);
  const p = columns.length;
  const patterns = patternsOf(columns);
  const { means, sds, coefficient, n, converged } = estimate(columns, {}, false);
  const df = patterns.reduce((sum, { observed }) => sum + observed.length, 0) - p;
  const facts = { df, patterns: patterns.length, n, converged };
  if (!(df > 0) || Number.isNaN(means[0])) return { statistic: Number.NaN, ...facts, ...NO_PROBABILITY };
  const sd = sds.map((value) => value * Math.sqrt(n / (n - 1)));
  let statistic = 0;
  for (const { observed, rows } of patterns) {
    const inverse = invertPositiveDefinite(submatrix(coefficient, p, observed), observed.length);
    if (!inverse) return { statistic: Number.NaN, ...facts, ...NO_PROBABILITY };
    const apart = observed.map((j) => {
      let sum = 0;
      for (const row of rows) sum += (columns[j][row] - means[j]) / sd[j];
      return sum / rows.length;
    });
    let distance = 0;
    for (let a = 0; a < apart.length; a++)
      for (let b = 0; b < apart.length; b++) distance += apart[a] * inverse[a * apart.length + b] * apart[b];
    statistic += rows.length * distance;
  }
  return { statistic, ...facts, ...chiSquaredP(statistic, df) };
}
