import type { Analysis, AnalysisResult, VariableDescription, VariableSummary } from '@ivlen/contract';
import { describe, histogram } from '@ivlen/core';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { byGroupOf } from './by-group-of';
import { cautionsOf } from './cautions-of';
import { correlate } from './correlate';
import { dependentOf } from './dependent-of';
import { describePair } from './describe-pair';
import { figure } from './figures';
import { findSuspicious } from './find-suspicious';
import { influenceOf } from './influence-of';
import { jointOf } from './joint-of';
import { lineOf } from './line-of';
import { missingValues } from './missing-values';
import { resample } from './resample';
import { scalesOf } from './scales-of';
import { shapeOf } from './shape-of';
import type { Tell } from './tell';

const SPARKLINE_BINS = 14;
const DESCRIPTION_BINS = 30;

/** Every analysis goes through here: a pure function of columns and request. */
export function analyse(analysis: Analysis, columns: AnalysisColumns, tell: Tell = () => {}): AnalysisResult {
  switch (analysis.kind) {
    case 'summary':
      return { kind: 'summary', variables: columns.variables.map((id, i) => summarize(id, columns, i)) };
    case 'correlation':
      return correlate(analysis, columns, tell);
    case 'pair':
      return describePair(analysis, columns);
    case 'describe':
      return { kind: 'describe', variables: analysis.variables.map((id) => fullDescription(id, columnOf(columns, id))) };
    case 'missing':
      return missingValues(columns);
    case 'suspicious':
      return findSuspicious(columns);
    case 'shape':
      return shapeOf(analysis, columns);
    case 'scales':
      return scalesOf(analysis, columns);
    case 'joint':
      return jointOf(analysis, columns);
    case 'line':
      return lineOf(analysis, columns);
    case 'influence':
      return influenceOf(analysis, columns);
    case 'by-group':
      return byGroupOf(analysis, columns);
    case 'resample':
      return resample(analysis, columns, tell);
    case 'dependent':
      return dependentOf(analysis, columns, tell);
    case 'cautions':
      return cautionsOf(analysis, columns, tell);
  }
}

function summarize(id: string, { values, numeric }: AnalysisColumns, i: number): VariableSummary {
  const sorted = (values[i] ?? new Float64Array(0)).filter((value) => value === value).sort();
  let distinct = 0;
  for (let row = 0; row < sorted.length; row++) if (row === 0 || sorted[row] !== sorted[row - 1]) distinct++;
  const bins = numeric[i] ? [...histogram(sorted, { bins: SPARKLINE_BINS }).counts] : [];
  return { id, n: sorted.length, missing: (values[i]?.length ?? 0) - sorted.length, distinct, bins };
}

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
    bins: [...histogram(x, { bins: DESCRIPTION_BINS }).counts],
  };
}
