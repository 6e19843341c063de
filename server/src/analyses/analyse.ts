import type {
  Analysis,
  AnalysisResult,
  CorrelationRequest,
  CorrelationResult,
  PairRequest,
  PairResult,
  VariableSummary,
} from '@ivlen/contract';
import { correlationMatrix, type Description, describe, fittedLine, histogram, pearson } from '@ivlen/core';
import { figure, figures } from './figures';

/** The columns that an analysis needs, by variable, with how each is stored. */
export interface AnalysisColumns {
  readonly variables: readonly string[];
  readonly values: readonly Float64Array[];
  /** Whether the values are amounts, as opposed to codes or dates. */
  readonly numeric: readonly boolean[];
}

const SPARKLINE_BINS = 14;

/** Every analysis goes through here: a pure function of columns and request. */
export function analyse(analysis: Analysis, columns: AnalysisColumns): AnalysisResult {
  switch (analysis.kind) {
    case 'summary':
      return { kind: 'summary', variables: columns.variables.map((id, i) => summarize(id, columns, i)) };
    case 'correlation':
      return correlate(analysis, columns);
    case 'pair':
      return describePair(analysis, columns);
  }
}

function summarize(id: string, { values, numeric }: AnalysisColumns, i: number): VariableSummary {
  const sorted = (values[i] ?? new Float64Array(0)).filter((value) => value === value).sort();
  let distinct = 0;
  for (let row = 0; row < sorted.length; row++) if (row === 0 || sorted[row] !== sorted[row - 1]) distinct++;
  const bins = numeric[i] ? [...histogram(sorted, { bins: SPARKLINE_BINS }).counts] : [];
  return { id, n: sorted.length, missing: (values[i]?.length ?? 0) - sorted.length, distinct, bins };
}

function correlate({ variables, method, missing, alternative, level }: CorrelationRequest, columns: AnalysisColumns): CorrelationResult {
  const matrix = correlationMatrix(
    variables.map((id) => columnOf(columns, id)),
    { method, missing, alternative, level },
  );
  return {
    kind: 'correlation',
    variables,
    coefficient: figures(matrix.coefficient),
    pValue: figures(matrix.pValue),
    log10P: figures(matrix.log10P),
    n: [...matrix.n],
    low: figures(matrix.low),
    high: figures(matrix.high),
    undefinedBecause: [...matrix.undefinedBecause],
  };
}

function describePair(request: PairRequest, columns: AnalysisColumns): PairResult {
  const [x, y] = completeRows(request, columns);
  const test = pearson(x, y, { alternative: request.alternative, level: request.level });
  const line = fittedLine(x, y);
  const swapped = fittedLine(y, x);
  return {
    kind: 'pair',
    coefficient: figure(test.coefficient),
    n: test.n,
    pValue: figure(test.pValue),
    log10P: figure(test.log10P),
    t: figure(test.statistic?.value ?? Number.NaN),
    df: test.statistic?.df ?? null,
    interval: test.interval,
    degenerate: test.degenerate ?? false,
    undefinedBecause: test.undefinedBecause ?? null,
    line: { slope: figure(line.slope), intercept: figure(line.intercept) },
    swappedLine: { slope: figure(swapped.slope), intercept: figure(swapped.intercept) },
    x: shortDescription(describe(x)),
    y: shortDescription(describe(y)),
  };
}

/** The pair's rows that are used: complete for both, and under listwise deletion for the whole set. */
function completeRows({ x, y, completeFor }: PairRequest, columns: AnalysisColumns): [Float64Array, Float64Array] {
  const needed = [...new Set([x, y, ...completeFor])].map((id) => columnOf(columns, id));
  const isComplete = (_: number, row: number) => needed.every((values) => values[row] === values[row]);
  return [columnOf(columns, x).filter(isComplete), columnOf(columns, y).filter(isComplete)];
}

function columnOf({ variables, values }: AnalysisColumns, id: string): Float64Array {
  const column = values[variables.indexOf(id)];
  if (!column) throw new Error(`column ${id} was not loaded for the analysis`);
  return column;
}

function shortDescription({ n, mean, sd }: Description): PairResult['x'] {
  return { n, mean: figure(mean), sd: figure(sd) };
}
