import { testKendall } from './kendall';
import type { ResolvedCorrelationOptions } from './options';
import { createRankColumn, createRankScratch } from './rank-column';
import { testSpearman } from './spearman';
import type { CorrelationTest } from './types';

/** Tests all pairs of columns by ranks; each column is sorted once. */
export function createRankPairs(columns: readonly Float64Array[], options: ResolvedCorrelationOptions) {
  const prepared = columns.map(createRankColumn);
  const scratch = createRankScratch(columns[0]?.length ?? 0);
  const test = options.method === 'kendall' ? testKendall : testSpearman;
  return (i: number, j: number): CorrelationTest => test(prepared[i], prepared[j], scratch, options);
}
