import type { DependentResult, RequestOf } from '@ivlen/contract';
import { bootstrapDifference, COEFFICIENTS, compareOverlapping, testPair } from '@ivlen/core';
import type { AnalysisModule, Tell } from './analysis';
import { type AnalysisColumns, columnOf, valuesAt } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable } from './needed-variables';
import { pairRows } from './pair-rows';

const REPLICATES = 2000;

/** Two coefficients that share a variable, compared over the rows complete for all three. */
export const dependent: AnalysisModule<'dependent'> = {
  needs: ({ a, b, c }, all) => allCorrelatable(all, [a, b, c]),
  run: dependentOf,
  counts: 'samples',
};

function dependentOf({ a, b, c, method, level }: RequestOf<'dependent'>, columns: AnalysisColumns, tell: Tell): DependentResult {
  const { x, y, places } = pairRows({ x: a, y: b }, columns, [c]);
  const z = valuesAt(columnOf(columns, c), places);
  const n = x.length;
  const [ab, ac, bc] = [testPair(method, x, y), testPair(method, x, z), testPair(method, y, z)].map(({ coefficient }) => coefficient) as [
    number,
    number,
    number,
  ];
  const common = { kind: 'dependent' as const, n, ab: finiteOrNull(ab), ac: finiteOrNull(ac), bc: finiteOrNull(bc) };
  if ([ab, ac, bc].some(Number.isNaN)) return { ...common, williams: null, meng: null, interval: null };
  if (!COEFFICIENTS[method].dependentFormula) {
    const options = { method, level, replicates: REPLICATES, onProgress: (done: number) => tell(done, REPLICATES) };
    return { ...common, williams: null, meng: null, interval: bootstrapDifference(x, y, z, options).interval };
  }
  const { williams, meng, interval } = compareOverlapping({ rAB: ab, rAC: ac, rBC: bc, n }, { level });
  return {
    ...common,
    williams: { t: finiteOrNull(williams.t), df: williams.df, pValue: finiteOrNull(williams.pValue) },
    meng: { z: finiteOrNull(meng.z), pValue: finiteOrNull(meng.pValue) },
    interval,
  };
}
