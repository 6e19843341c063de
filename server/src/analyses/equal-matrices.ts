import type { EqualMatricesResult, RequestOf } from '@ivlen/contract';
import { compareMatrices, correlationMatrix } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf, valuesAt } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { groupingOf, groupLabels } from './group-labels';
import { allCorrelatable } from './needed-variables';

/** Whether the matrices of the groups are equal as a whole. */
export const equalMatrices: AnalysisModule<'equal-matrices'> = {
  needs: ({ variables, groups }, all) => [...allCorrelatable(all, variables), groupingOf(groups, all)],
  run: compareWholes,
};

function compareWholes({ variables, groups: of }: RequestOf<'equal-matrices'>, columns: AnalysisColumns): EqualMatricesResult {
  const values = variables.map((id) => columnOf(columns, id));
  const { labels } = groupLabels(of, columns);
  const present = [...new Set(labels)].filter((label) => label === label).sort((a, b) => a - b);
  const complete = Uint32Array.from(labels.keys()).filter((row) => values.every((column) => column[row] === column[row]));
  const matrices = present.map((label) => {
    const rows = complete.filter((row) => labels[row] === label);
    const { coefficient } = correlationMatrix(
      values.map((column) => valuesAt(column, rows)),
      { method: 'pearson', missing: 'pairwise' },
    );
    return { matrix: coefficient, n: rows.length };
  });
  const n = matrices.map((matrix) => matrix.n);
  const none = { kind: 'equal-matrices' as const, n, statistic: null, df: 0, pValue: null, rejectsTooOften: false };
  if (matrices.length < 2) return { ...none, because: 'too-few-groups' };
  if (matrices.some((matrix) => matrix.n > variables.length && matrix.matrix.some(Number.isNaN))) return { ...none, because: 'constant' };
  const { statistic, df, pValue, rejectsTooOften, undefinedBecause } = compareMatrices(matrices);
  return {
    ...none,
    statistic: finiteOrNull(statistic),
    df,
    pValue: finiteOrNull(pValue),
    rejectsTooOften,
    because: undefinedBecause ?? null,
  };
}
