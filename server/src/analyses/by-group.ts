import type { ByGroupResult, RequestOf } from '@ivlen/contract';
import { groupDisagreement, type WithinCorrelation, withinGroup } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf, valuesAt } from './analysis-columns';
import { correlationOf, testAsData } from './correlation-test';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable, findVariable } from './needed-variables';
import { pairRows } from './pair-rows';

/** The pair in each group, the groups compared, and what is left within them. */
export const byGroup: AnalysisModule<'by-group'> = {
  needs: ({ x, y, by }, all) => [...allCorrelatable(all, [x, y]), findVariable(all, by)],
  run: compareGroups,
};

function compareGroups(request: RequestOf<'by-group'>, columns: AnalysisColumns): ByGroupResult {
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
      ...withinAsData(within),
      spreadRatio: finiteOrNull(within.spreadRatio),
      meanOfZ: within.meanOfZ ? withinAsData(within.meanOfZ) : null,
    },
    homogeneity: { q: finiteOrNull(comparison.q), df: comparison.df, pValue: finiteOrNull(comparison.pValue) },
    reversed,
    hidden,
  };
}

function withinAsData({ coefficient, interval, pValue }: WithinCorrelation) {
  return { coefficient: finiteOrNull(coefficient), low: interval?.low ?? null, high: interval?.high ?? null, pValue: finiteOrNull(pValue) };
}
