import type { PairRequest, PairResult } from '@ivlen/contract';
import { byMethod, type Description, describe, fittedLine, type Method } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf, valuesAt } from './analysis-columns';
import { correlationOf, testAsData } from './correlation-test';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable } from './needed-variables';
import { pairRows } from './pair-rows';

/** One pair by every method, with the lines through its points. */
export const pair: AnalysisModule<'pair'> = {
  needs: ({ x, y, control }, all) => allCorrelatable(all, [x, y, ...control]),
  run: describePair,
};

function describePair(request: PairRequest, columns: AnalysisColumns): PairResult {
  const { x, y, places } = pairRows(request, columns, request.control);
  const held = request.control.map((id) => valuesAt(columnOf(columns, id), places));
  const test = (method: Method) => testAsData(correlationOf(method, x, y, held, request));
  const line = fittedLine(x, y);
  const swapped = fittedLine(y, x);
  return {
    kind: 'pair',
    n: x.length,
    tests: byMethod(test),
    line: { slope: finiteOrNull(line.slope), intercept: finiteOrNull(line.intercept) },
    swappedLine: { slope: finiteOrNull(swapped.slope), intercept: finiteOrNull(swapped.intercept) },
    x: shortDescription(describe(x)),
    y: shortDescription(describe(y)),
  };
}

function shortDescription({ n, mean, sd }: Description): PairResult['x'] {
  return { n, mean: finiteOrNull(mean), sd: finiteOrNull(sd) };
}
