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

/** Shuffles by which the smallest p is this much below what Holm’s adjustment asks of the surest pair. */
const BELOW_THE_LEVEL = 4;
const MOST_SHUFFLES = 199_999;
/** As extreme shuffles at which a pair is known not to be significant; p has a relative error of a fifth then. */
const ENOUGH = 25;

/**
 * Pairs that no straight or monotone coefficient sees: p of r and of ρ above α, and p of distance correlation or ξ, adjusted
 * for their two and, after Holm (1979), for all pairs, at most α. p of distance correlation is a bound, larger than p, from
 * 30 rows on; p by shuffles (distance correlation below 30 rows, ξ below 50) takes as many as the adjustment for all pairs
 * asks for, up to 199,999, and ends early where nothing is there. Missing: NaN, each pair's complete rows.
 * @param options.permutations shuffles at least; default 999
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
  // A pair’s p is doubled twice on its way to the adjusted one: of two coefficients, and of two directions of ξ.
  const asked = Math.ceil((4 * BELOW_THE_LEVEL * total) / alpha);
  const shuffles = { permutations: Math.min(MOST_SHUFFLES, Math.max(permutations, asked)), seed, enough: ENOUGH };
  for (let j = 1; j < columns.length; j++) {
    for (let i = 0; i < j; i++) {
      const [x, y] = [columns[i], columns[j]];
      const [r, rho] = [pearson(x, y), spearman(x, y, { p: 'approximate' })];
      const distance = distanceCorrelation(x, y, { p: 'bound', ...shuffles });
      const ranks = rankDependence(x, y, shuffles);
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
 * p of two tests of the same hypothesis, of which the smaller is taken: twice it, at most 1 (Bonferroni). Where one of them
 * has none, p of the other.
 *
 * @example
 * eitherP(0.2, 0.01); // 0.02
 */
export function eitherP(first: number, second: number): number {
  if (Number.isNaN(first)) return second;
  return Number.isNaN(second) ? first : Math.min(1, 2 * Math.min(first, second));
}
