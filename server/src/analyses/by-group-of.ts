import type { Analysis, ByGroupResult } from '@ivlen/contract';
import { groupDisagreement, withinGroup } from '@ivlen/core';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { correlationOf, testAsData } from './correlation-test';
import { figure } from './figures';
import { pairRows, valuesAt } from './pair-rows';

/** The pair in each group, the groups compared, and what is left within them. */
export function byGroupOf(request: Extract<Analysis, { kind: 'by-group' }>, columns: AnalysisColumns): ByGroupResult {
  const { method, alternative, level } = request;
  const { x, y, places } = pairRows(request, columns);
  const labels = valuesAt(columnOf(columns, request.by), places);
  const values = [...new Set(labels)].filter((value) => value === value).sort((a, b) => a - b);
  const of = (keep: (label: number) => boolean) => {
    const kept = (column: Float64Array) => column.filter((_, i) => keep(labels[i] ?? Number.NaN));
    return testAsData(correlationOf(method, kept(x), kept(y), [], { alternative, level, interval: 'default' }));
  };
  const { comparison, reversed, hidden } = groupDisagreement(x, y, labels, { method });
  const within = withinGroup(x, y, labels, { method, alternative, level });
  return {
    kind: 'by-group',
    groups: values.map((value) => ({ value, test: of((label) => label === value) })),
    whole: of(() => true),
    within: {
      coefficient: figure(within.coefficient),
      low: within.interval?.low ?? null,
      high: within.interval?.high ?? null,
      pValue: figure(within.pValue),
    },
    homogeneity: { q: figure(comparison.q), df: comparison.df, pValue: figure(comparison.pValue) },
    reversed,
    hidden,
  };
}
