import type { ResolvedCorrelationOptions } from './options';
import { createRankColumn, createRankScratch, type RankColumn, type RankScratch } from './rank-column';
import type { TestedPairs } from './tested-pairs';
import type { CorrelationTest } from './types';

/** The test of two columns that are sorted already. */
type RankTest = (a: RankColumn, b: RankColumn, scratch: RankScratch, options: ResolvedCorrelationOptions) => CorrelationTest;

/** Tests pairs of columns by ranks; each column is sorted once. */
export function rankPairsBy(test: RankTest) {
  return (columns: readonly Float64Array[], options: ResolvedCorrelationOptions): TestedPairs => {
    const made: RankColumn[] = [];
    const prepared = (i: number) => {
      made[i] ??= createRankColumn(columns[i]);
      return made[i];
    };
    const scratch = createRankScratch(columns[0]?.length ?? 0);
    return {
      test: (i, j) => test(prepared(i), prepared(j), scratch, options),
      column: (i) => {
        const { order, dense } = prepared(i);
        return { present: order.length, constant: order.length === 0 || dense[order[order.length - 1]] === 0 };
      },
    };
  };
}
