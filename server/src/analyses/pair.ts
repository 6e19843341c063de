import { type PairRequest, type PairResult, type PairTest, variablesOfRemedy } from '@ivlen/contract';
import { byMethod, type Description, describe, fittedLine, METHOD_NAMES, type Method } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf, valuesAt } from './analysis-columns';
import { correlationOf, testAsData } from './correlation-test';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable, findVariable } from './needed-variables';
import { PairRemedies } from './pair-remedy';
import { pairRows } from './pair-rows';

/** One pair by every method, with the lines through its points; a remedy that was decided on is carried out where it serves. */
export const pair: AnalysisModule<'pair'> = {
  needs: ({ x, y, control, remedy }, all) => [
    ...allCorrelatable(all, [x, y, ...control]),
    ...variablesOfRemedy(remedy).map((id) => findVariable(all, id)),
  ],
  looksAt: ['kind', 'detectionLimit'],
  run: describePair,
};

function describePair(request: PairRequest, columns: AnalysisColumns): PairResult {
  const { x, y, places } = pairRows(request, columns, request.control);
  const held = request.control.map((id) => valuesAt(columnOf(columns, id), places));
  const test = (method: Method) => testAsData(correlationOf(method, x, y, held, request));
  const plain = byMethod(test);
  const remedied = remediedTests(request, columns);
  const line = fittedLine(x, y);
  const swapped = fittedLine(y, x);
  return {
    kind: 'pair',
    n: x.length,
    tests: { ...plain, ...remedied },
    without: Object.fromEntries(METHOD_NAMES.flatMap((method) => (remedied[method] ? [[method, plain[method]]] : []))),
    line: { slope: finiteOrNull(line.slope), intercept: finiteOrNull(line.intercept) },
    swappedLine: { slope: finiteOrNull(swapped.slope), intercept: finiteOrNull(swapped.intercept) },
    x: shortDescription(describe(x)),
    y: shortDescription(describe(y)),
  };
}

/** By method, where the remedy serves; none where something is held constant for all pairs. */
function remediedTests(request: PairRequest, columns: AnalysisColumns): Partial<Record<Method, PairTest>> {
  const { remedy, control, x, y } = request;
  if (!remedy || control.length > 0) return {};
  const remedies = new PairRemedies(columns);
  const found = METHOD_NAMES.flatMap((method) => {
    const test = remedies.test(remedy, method, x, y, request);
    return test ? [[method, testAsData(test)] as const] : [];
  });
  return Object.fromEntries(found);
}

function shortDescription({ n, mean, sd }: Description): PairResult['x'] {
  return { n, mean: finiteOrNull(mean), sd: finiteOrNull(sd) };
}
