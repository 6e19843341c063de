import { type CorrelationRequest, type CorrelationResult, methodForPair } from '@ivlen/contract';
import { correlationMatrix } from '@ivlen/core';
import type { AnalysisModule, Tell } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { correlationOf, intervalKind, type PairCorrelation } from './correlation-test';
import { figure, figures } from './figures';
import { allCorrelatable } from './needed-variables';

/** The matrix by the method of all pairs, and the pairs of those variables that have a method of their own by that. */
export const correlation: AnalysisModule<'correlation'> = {
  needs: ({ variables, control }, all) => allCorrelatable(all, [...variables, ...control]),
  run: correlate,
  counts: 'pairs',
};

function correlate(request: CorrelationRequest, columns: AnalysisColumns, tell: Tell): CorrelationResult {
  const { variables, method, byVariable, alternative, level, interval, control } = request;
  const held = control.map((id) => columnOf(columns, id));
  const values = variables.map((id) => columnOf(columns, id));
  const size = variables.length;
  const pairs = (size * (size - 1)) / 2;
  const methods = variables.flatMap((a) => variables.map((b) => (a === b ? method : methodForPair(method, byVariable, a, b))));
  const matrix = correlationMatrix(values, {
    method,
    // Listwise deletion has been done to the rows already.
    missing: 'pairwise',
    alternative,
    level,
    interval: intervalKind(method, interval),
    onProgress: (done) => tell(done, pairs),
  });
  const result: CorrelationResult = {
    kind: 'correlation',
    variables,
    methods,
    coefficient: figures(matrix.coefficient),
    pValue: figures(matrix.pValue),
    log10P: figures(matrix.log10P),
    n: [...matrix.n],
    low: figures(matrix.low),
    high: figures(matrix.high),
    pMethod: [...matrix.pMethod],
    undefinedBecause: [...matrix.undefinedBecause],
  };
  const onItsOwn = held.length > 0 || interval === 'bootstrap';
  for (let i = 0, done = 0; i < size; i++) {
    for (let j = 0; j < i; j++, done++) {
      const own = methods[i * size + j] ?? method;
      const [x, y] = [values[i], values[j]];
      if ((!onItsOwn && own === method) || !x || !y) continue;
      const test = correlationOf(own, x, y, held, { alternative, level, interval });
      write(result, i * size + j, test);
      write(result, j * size + i, mirrored(test));
      tell(done, pairs);
    }
  }
  return result;
}

const MIRRORED = { 'constant-x': 'constant-y', 'constant-y': 'constant-x' } as const;

/** The same pair with x and y exchanged. */
function mirrored(test: PairCorrelation): PairCorrelation {
  const because = test.undefinedBecause;
  return because === 'constant-x' || because === 'constant-y' ? { ...test, undefinedBecause: MIRRORED[because] } : test;
}

function write(result: CorrelationResult, at: number, test: PairCorrelation): void {
  result.coefficient[at] = figure(test.coefficient);
  result.pValue[at] = figure(test.pValue);
  result.log10P[at] = figure(test.log10P);
  result.n[at] = test.n;
  result.low[at] = test.interval?.low ?? null;
  result.high[at] = test.interval?.high ?? null;
  result.pMethod[at] = test.pMethod;
  result.undefinedBecause[at] = test.undefinedBecause ?? null;
}
