import { type RankColumn, rankColumn } from '../ranks/rank-column';
import type { ResolvedCorrelationOptions } from './options';
import type { PreparedColumns } from './prepared-columns';
import { createRankScratch, type RankScratch } from './rank-scratch';
import type { TestedPairs } from './tested-pairs';
import type { CorrelationTest } from './types';

/** The test of two columns that are sorted already. */
export type RankTest<C extends RankColumn> = (a: C, b: C, scratch: RankScratch, options: ResolvedCorrelationOptions) => CorrelationTest;

/** Tests pairs of columns by ranks; each column is sorted once, and `made` ready once for all its pairs. */
export function rankPairsBy<C extends RankColumn>(make: (column: RankColumn) => C, test: RankTest<C>) {
  return (columns: readonly Float64Array[], options: ResolvedCorrelationOptions, { ranked }: PreparedColumns): TestedPairs => {
    const made = new Map<number, C>();
    const madeAt = (i: number) => {
      const column = made.get(i) ?? make(ranked?.[i] ?? rankColumn(columns[i]));
      made.set(i, column);
      return column;
    };
    let scratch: RankScratch | null = null;
    return {
      test: (i, j) => {
        scratch ??= createRankScratch(columns[0].length);
        return test(madeAt(i), madeAt(j), scratch, options);
      },
    };
  };
}
