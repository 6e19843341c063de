import type { VariableSummary } from '@ivlen/contract';
import { histogram } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import type { AnalysisColumns } from './analysis-columns';

const SPARKLINE_BINS = 14;

export const summary: AnalysisModule<'summary'> = {
  needs: (_, all) => [...all],
  run: (_, columns) => ({ kind: 'summary', variables: columns.variables.map((id, i) => summarize(id, columns, i)) }),
};

function summarize(id: string, { values, numeric }: AnalysisColumns, i: number): VariableSummary {
  const sorted = (values[i] ?? new Float64Array(0)).filter((value) => value === value).sort();
  let distinct = 0;
  for (let row = 0; row < sorted.length; row++) if (row === 0 || sorted[row] !== sorted[row - 1]) distinct++;
  const bins = numeric[i] ? [...histogram(sorted, { bins: SPARKLINE_BINS }).counts] : [];
  return { id, n: sorted.length, missing: (values[i]?.length ?? 0) - sorted.length, distinct, bins };
}
