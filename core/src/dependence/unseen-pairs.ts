import { adjustPValues } from '../correlation/adjust-p-values';
import { pearson } from '../correlation/pearson';
import { spearman } from '../correlation/spearman';
import { distanceCorrelation } from './distance-correlation';
import { rankDependence } from './rank-dependence';

export interface UnseenPair {
  /** Places of the two columns, i before j. */
  readonly i: number;
  readonly j: number;
  readonly n: number;
  readonly r: number;
  readonly rP: number;
  readonly rho: number;
  readonly rhoP: number;
  readonly distance: number;
  readonly distanceP: number;
  /** The larger of both directions. */
  readonly xi: number;
  readonly xiP: number;
  /** Of any dependence: twice the smaller of the two, adjusted after Holm for all pairs. */
  readonly anyP: number;
  /** Neither r nor ρ is significant, and something is there. */
  readonly unseen: boolean;
}

/**
 * Pairs that no straight or monotone coefficient sees: p of r and of ρ above α, and p of distance correlation or ξ, adjusted
 * for their two and, after Holm (1979), for all pairs, at most α. p of distance correlation is a bound, larger than p.
 * Missing: NaN, each pair's complete rows.
 * @throws {RangeError} columns of unequal length.
 *
 * @example
 * unseenPairs([Float64Array.of(-3, -2, -1, 0, 1, 2, 3), Float64Array.of(9, 4, 1, 0, 1, 4, 9)]).length; // 1
 */
export function unseenPairs(
  columns: readonly Float64Array[],
  {
    alpha = 0.05,
    permutations = 999,
    seed = 1,
    onProgress,
  }: { alpha?: number; permutations?: number; seed?: number; onProgress?: (done: number, total: number) => void } = {},
): UnseenPair[] {
  const total = (columns.length * (columns.length - 1)) / 2;
  const found: Omit<UnseenPair, 'anyP' | 'unseen'>[] = [];
  for (let j = 1; j < columns.length; j++) {
    for (let i = 0; i < j; i++) {
      const [x, y] = [columns[i], columns[j]];
      const [r, rho] = [pearson(x, y), spearman(x, y, { p: 'approximate' })];
      // By shuffles the smallest p is one in a thousand, which no adjustment for many pairs leaves significant.
      const distance = distanceCorrelation(x, y, { p: 'bound' });
      const ranks = rankDependence(x, y, { permutations, seed });
      found.push({
        i,
        j,
        n: distance.n,
        r: r.coefficient,
        rP: r.pValue,
        rho: rho.coefficient,
        rhoP: rho.pValue,
        distance: distance.coefficient,
        distanceP: distance.pValue,
        xi: Math.max(ranks.yOnX, ranks.xOnY),
        xiP: ranks.pValue,
      });
      onProgress?.(found.length, total);
    }
  }
  const either = found.map(({ distanceP, xiP }) => eitherP(distanceP, xiP));
  const anyP = adjustPValues(either, 'holm');
  return found.map((pair, k) => ({ ...pair, anyP: anyP[k], unseen: pair.rP > alpha && pair.rhoP > alpha && anyP[k] <= alpha }));
}

/**
 * p of two tests of the same hypothesis, of which the smaller is taken: twice it, at most 1 (Bonferroni).
 *
 * @example
 * eitherP(0.2, 0.01); // 0.02
 */
export function eitherP(first: number, second: number): number {
  return Math.min(1, 2 * Math.min(first, second));
}
