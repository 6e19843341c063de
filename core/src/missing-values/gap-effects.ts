import { pearson } from '../correlation/pearson';
import type { Interval } from '../correlation/types';
import { describe } from '../description/describe';
import { type LittleTest, littleTest } from './little-test';
import { maximumLikelihood, testLikelihood } from './maximum-likelihood';

export interface GapEffects {
  /** Rows with any of the values, and those with all. */
  readonly n: number;
  readonly completeRows: number;
  /** Of EM. */
  readonly iterations: number;
  readonly converged: boolean;
  readonly little: LittleTest;
  readonly variables: readonly {
    readonly n: number;
    readonly mean: number;
    readonly sd: number;
    readonly likelyMean: number;
    /** With divisor n − 1, so that without gaps it is the SD. */
    readonly likelySd: number;
  }[];
  /** Every two, i before j. */
  readonly pairs: readonly GapEffect[];
}

/** Pearson’s r of two columns by three ways. */
export interface GapEffect {
  readonly i: number;
  readonly j: number;
  readonly pairwise: number;
  readonly pairwiseN: number;
  readonly listwise: number;
  readonly likely: number;
  readonly likelyInterval: Interval | null;
  readonly likelyP: number;
  /** The highest of the three minus the lowest, of those that there are; NaN where there are not two. */
  readonly apart: number;
}

/**
 * What missing values may do: means, SDs and Pearson’s r of what is there, of complete rows, and by maximum likelihood; and
 * whether values are missing completely at random. See `maximumLikelihood` and `littleTest` for what they suppose and where
 * they come from.
 * Missing: NaN.
 * @throws {RangeError} columns of unequal length, or none.
 *
 * @example
 * gapEffects([Float64Array.of(1, 2, 3, 4, 5, NaN), Float64Array.of(2, 1, 4, 3, 6, 5)]).completeRows; // 5
 */
export function gapEffects(
  columns: readonly Float64Array[],
  { onProgress }: { onProgress?: (done: number, total: number) => void } = {},
): GapEffects {
  const found = maximumLikelihood(columns);
  const complete = columns[0].map((_, row) => (columns.every((column) => column[row] === column[row]) ? 1 : 0));
  const whole = columns.map((column) => column.filter((_, row) => complete[row] === 1));
  const total = (columns.length * (columns.length - 1)) / 2;
  const pairs: GapEffect[] = [];
  for (let i = 0; i < columns.length; i++) {
    for (let j = i + 1; j < columns.length; j++) {
      const pairwise = pearson(columns[i], columns[j]);
      const listwise = pearson(whole[i], whole[j]).coefficient;
      const likely = testLikelihood(found, i, j);
      pairs.push({
        i,
        j,
        pairwise: pairwise.coefficient,
        pairwiseN: pairwise.n,
        listwise,
        likely: likely.coefficient,
        likelyInterval: likely.interval,
        likelyP: likely.pValue,
        apart: apart([pairwise.coefficient, listwise, likely.coefficient]),
      });
      onProgress?.(pairs.length, total);
    }
  }
  return {
    n: found.n,
    completeRows: whole[0].length,
    iterations: found.iterations,
    converged: found.converged,
    little: littleTest(columns),
    variables: columns.map((column, j) => {
      const { n, mean, sd } = describe(column);
      return { n, mean, sd, likelyMean: found.means[j], likelySd: found.sds[j] * Math.sqrt(found.n / (found.n - 1)) };
    }),
    pairs,
  };
}

function apart(ways: readonly number[]): number {
  const known = ways.filter((value) => value === value);
  if (known.length < 2) return Number.NaN;
  return known.reduce((a, b) => Math.max(a, b)) - known.reduce((a, b) => Math.min(a, b));
}
