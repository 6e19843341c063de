import type { RepeatedRowsResult, RequestOf } from '@ivlen/contract';
import { betweenGroups, byMethod, clusterBootstrap, compareSlopes, withinGroup } from '@ivlen/core';
import type { AnalysisModule, Tell } from './analysis';
import { type AnalysisColumns, columnOf, valuesAt } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable, findVariable } from './needed-variables';
import { pairRows } from './pair-rows';

/** A pair inside the cases that an identifier names, between them, and with them drawn whole. */
export const repeatedRows: AnalysisModule<'repeated-rows'> = {
  needs: ({ x, y, by }, all) => [...allCorrelatable(all, [x, y]), findVariable(all, by)],
  run: repeatedRowsOf,
  counts: 'samples',
};

function repeatedRowsOf(request: RequestOf<'repeated-rows'>, columns: AnalysisColumns, tell: Tell): RepeatedRowsResult {
  const { by, alternative, level, replicates, seed } = request;
  const { x, y, places } = pairRows(request, columns, [by]);
  const labels = valuesAt(columnOf(columns, by), places);
  const sizes = new Map<number, number>();
  for (const label of labels) sizes.set(label, (sizes.get(label) ?? 0) + 1);
  const several = [...sizes.values()].filter((size) => size > 1);
  const within = withinGroup(x, y, labels, { method: 'pearson', alternative, level });
  const slopes = compareSlopes(x, y, labels, { level });
  const { weighted } = betweenGroups(x, y, labels, { alternative });
  let drawn = 0;
  const whole = byMethod((method) => {
    const before = drawn;
    const { coefficient, interval } = clusterBootstrap(x, y, labels, {
      method,
      replicates,
      seed,
      level,
      onProgress: (done) => tell(before + done, 3 * replicates),
    });
    drawn = before + replicates;
    return { coefficient: finiteOrNull(coefficient), interval };
  });
  return {
    kind: 'repeated-rows',
    n: x.length,
    identifiers: sizes.size,
    repeating: several.length,
    repeatedRows: several.reduce((sum, size) => sum + size, 0),
    within: {
      coefficient: finiteOrNull(within.coefficient),
      df: within.statistic?.df ?? null,
      pValue: finiteOrNull(within.pValue),
      interval: within.interval,
    },
    slopes: { f: finiteOrNull(slopes.f), df: slopes.df, dfResidual: slopes.dfResidual, pValue: finiteOrNull(slopes.pValue) },
    between: { coefficient: finiteOrNull(weighted.coefficient), df: weighted.df, pValue: finiteOrNull(weighted.pValue) },
    whole,
    replicates,
    seed,
  };
}
