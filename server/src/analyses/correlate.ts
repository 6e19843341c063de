import { type CorrelationRequest, type CorrelationResult, methodForPair } from '@ivlen/contract';
import { type CorrelationTest, correlationMatrix, kendall, pearson, spearman } from '@ivlen/core';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { figure, figures } from './figures';

const PAIR = { pearson, spearman, kendall };

/** The matrix by the method of all pairs, and the pairs of those variables that have a method of their own by that. */
export function correlate(request: CorrelationRequest, columns: AnalysisColumns): CorrelationResult {
  const { variables, method, byVariable, missing, alternative, level } = request;
  const values = usedRows(
    variables.map((id) => columnOf(columns, id)),
    missing,
  );
  const matrix = correlationMatrix(values, { method, missing, alternative, level });
  const size = variables.length;
  const result: CorrelationResult = {
    kind: 'correlation',
    variables,
    methods: variables.flatMap((a) => variables.map((b) => (a === b ? method : methodForPair(method, byVariable, a, b)))),
    coefficient: figures(matrix.coefficient),
    pValue: figures(matrix.pValue),
    log10P: figures(matrix.log10P),
    n: [...matrix.n],
    low: figures(matrix.low),
    high: figures(matrix.high),
    undefinedBecause: [...matrix.undefinedBecause],
  };
  for (let i = 0; i < size; i++) {
    for (let j = 0; j < i; j++) {
      const own = result.methods[i * size + j] ?? method;
      const [x, y] = [values[i], values[j]];
      if (own === method || !x || !y) continue;
      write(result, i * size + j, PAIR[own](x, y, { alternative, level }));
      write(result, j * size + i, PAIR[own](y, x, { alternative, level }));
    }
  }
  return result;
}

/** Under listwise deletion, the rows complete for all: a pair computed on its own must rest on the same. */
function usedRows(columns: readonly Float64Array[], missing: CorrelationRequest['missing']): Float64Array[] {
  if (missing === 'pairwise') return [...columns];
  const isComplete = (_: number, row: number) => columns.every((column) => column[row] === column[row]);
  return columns.map((column) => column.filter(isComplete));
}

function write(result: CorrelationResult, at: number, test: CorrelationTest): void {
  result.coefficient[at] = figure(test.coefficient);
  result.pValue[at] = figure(test.pValue);
  result.log10P[at] = figure(test.log10P);
  result.n[at] = test.n;
  result.low[at] = test.interval?.low ?? null;
  result.high[at] = test.interval?.high ?? null;
  result.undefinedBecause[at] = test.undefinedBecause ?? null;
}
