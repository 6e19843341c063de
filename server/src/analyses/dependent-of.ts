import type { Analysis, DependentResult } from '@ivlen/contract';
import { bootstrapDifference, compareOverlapping, kendall, pearson, spearman } from '@ivlen/core';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { figure } from './figures';
import { pairRows, valuesAt } from './pair-rows';
import type { Tell } from './tell';

const PAIR = { pearson, spearman, kendall };
const REPLICATES = 2000;

/** Two coefficients that share a variable, compared over the rows complete for all three. */
export function dependentOf(
  { a, b, c, method, level }: Extract<Analysis, { kind: 'dependent' }>,
  columns: AnalysisColumns,
  tell: Tell,
): DependentResult {
  const { x, y, places } = pairRows({ x: a, y: b, completeFor: [c] }, columns);
  const z = valuesAt(columnOf(columns, c), places);
  const n = x.length;
  const [ab, ac, bc] = [PAIR[method](x, y), PAIR[method](x, z), PAIR[method](y, z)].map(({ coefficient }) => coefficient) as [
    number,
    number,
    number,
  ];
  const common = { kind: 'dependent' as const, n, ab: figure(ab), ac: figure(ac), bc: figure(bc) };
  if ([ab, ac, bc].some(Number.isNaN)) return { ...common, williams: null, meng: null, interval: null };
  if (method !== 'pearson') {
    const options = { method, level, replicates: REPLICATES, onProgress: (done: number) => tell(done, REPLICATES) };
    return { ...common, williams: null, meng: null, interval: bootstrapDifference(x, y, z, options).interval };
  }
  const { williams, meng, interval } = compareOverlapping({ rAB: ab, rAC: ac, rBC: bc, n }, { level });
  return {
    ...common,
    williams: { t: figure(williams.t), df: williams.df, pValue: figure(williams.pValue) },
    meng: { z: figure(meng.z), pValue: figure(meng.pValue) },
    interval,
  };
}
