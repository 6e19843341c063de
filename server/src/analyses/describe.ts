import type { VariableDescription } from '@ivlen/contract';
import { describe, histogram } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { withNumbers } from './needed-variables';

const BINS = 30;

export const describeVariables: AnalysisModule<'describe'> = {
  needs: ({ variables }, all) => variables.map((id) => withNumbers(all, id)),
  run: ({ variables }, columns) => ({ kind: 'describe', variables: variables.map((id) => fullDescription(id, columnOf(columns, id))) }),
};

function fullDescription(id: string, x: Float64Array): VariableDescription {
  const d = describe(x);
  return {
    id,
    n: d.n,
    missing: d.missing,
    mean: finiteOrNull(d.mean),
    sd: finiteOrNull(d.sd),
    se: finiteOrNull(d.se),
    variance: finiteOrNull(d.variance),
    median: finiteOrNull(d.median),
    min: finiteOrNull(d.min),
    max: finiteOrNull(d.max),
    range: finiteOrNull(d.range),
    q1: finiteOrNull(d.q1),
    q3: finiteOrNull(d.q3),
    skewness: finiteOrNull(d.skewness),
    skewnessSe: finiteOrNull(d.skewnessSe),
    excessKurtosis: finiteOrNull(d.excessKurtosis),
    excessKurtosisSe: finiteOrNull(d.excessKurtosisSe),
    bins: [...histogram(x, { bins: BINS }).counts],
  };
}
