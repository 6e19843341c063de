import type { VariableDescription } from '@ivlen/contract';
import { describe, histogram } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { columnOf } from './analysis-columns';
import { figure } from './figures';
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
    mean: figure(d.mean),
    sd: figure(d.sd),
    se: figure(d.se),
    variance: figure(d.variance),
    median: figure(d.median),
    min: figure(d.min),
    max: figure(d.max),
    range: figure(d.range),
    q1: figure(d.q1),
    q3: figure(d.q3),
    skewness: figure(d.skewness),
    skewnessSe: figure(d.skewnessSe),
    excessKurtosis: figure(d.excessKurtosis),
    excessKurtosisSe: figure(d.excessKurtosisSe),
    bins: [...histogram(x, { bins: BINS }).counts],
  };
}
