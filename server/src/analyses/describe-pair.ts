import type { PairRequest, PairResult, PairTest } from '@ivlen/contract';
import { type CorrelationTest, type Description, describe, fittedLine, kendall, pearson, spearman } from '@ivlen/core';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { figure } from './figures';

/** One pair by every method, with the lines through its points. */
export function describePair(request: PairRequest, columns: AnalysisColumns): PairResult {
  const [x, y] = completeRows(request, columns);
  const { alternative, level } = request;
  const line = fittedLine(x, y);
  const swapped = fittedLine(y, x);
  return {
    kind: 'pair',
    n: x.length,
    tests: {
      pearson: testOf(pearson(x, y, { alternative, level })),
      spearman: testOf(spearman(x, y, { alternative, level })),
      kendall: testOf(kendall(x, y, { alternative, level })),
    },
    line: { slope: figure(line.slope), intercept: figure(line.intercept) },
    swappedLine: { slope: figure(swapped.slope), intercept: figure(swapped.intercept) },
    x: shortDescription(describe(x)),
    y: shortDescription(describe(y)),
  };
}

function testOf({ coefficient, pValue, log10P, pMethod, statistic, interval, degenerate, undefinedBecause }: CorrelationTest): PairTest {
  return {
    coefficient: figure(coefficient),
    pValue: figure(pValue),
    log10P: figure(log10P),
    pMethod,
    statistic: statistic && Number.isFinite(statistic.value) ? statistic : null,
    interval,
    degenerate: degenerate ?? false,
    undefinedBecause: undefinedBecause ?? null,
  };
}

/** The pair's rows that are used: complete for both, and under listwise deletion for the whole set. */
function completeRows({ x, y, completeFor }: PairRequest, columns: AnalysisColumns): [Float64Array, Float64Array] {
  const needed = [...new Set([x, y, ...completeFor])].map((id) => columnOf(columns, id));
  const isComplete = (_: number, row: number) => needed.every((values) => values[row] === values[row]);
  return [columnOf(columns, x).filter(isComplete), columnOf(columns, y).filter(isComplete)];
}

function shortDescription({ n, mean, sd }: Description): PairResult['x'] {
  return { n, mean: figure(mean), sd: figure(sd) };
}
