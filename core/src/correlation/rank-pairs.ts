import { testKendall } from './kendall';
import type { ResolvedCorrelationOptions } from './options';
import { createRankColumn, createRankScratch } from './rank-column';
import { testSpearman } from './spearman';
import type { TestedPairs } from './tested-pairs';

/** Tests all pairs of columns by ranks; each column is sorted once. */
export function createRankPairs(columns: readonly Float64Array[], options: ResolvedCorrelationOptions): TestedPairs {
  const prepared = columns.map(createRankColumn);
  const scratch = createRankScratch(columns[0]?.length ?? 0);
  const test = options.method === 'kendall' ? testKendall : testSpearman;
  return {
    test: (i, j) => test(prepared[i], prepared[j], scratch, options),
    column: (i) => {
      const { order, dense } = prepared[i];
      return { present: order.length, constant: order.length === 0 || dense[order[order.length - 1]] === 0 };
    },
  };
}
