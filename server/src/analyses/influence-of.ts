import type { Analysis, InfluenceResult } from '@ivlen/contract';
import { influence } from '@ivlen/core';
import type { AnalysisColumns } from './analysis-columns';
import { figure } from './figures';
import { pairRows, rowNumber } from './pair-rows';

const LISTED = 6;

/** The rows that change a pair's coefficient most when they are left out. */
export function influenceOf(request: Extract<Analysis, { kind: 'influence' }>, columns: AnalysisColumns): InfluenceResult {
  const { x, y, places } = pairRows(request, columns);
  const { coefficient, leaveOneOut, onePointCarries, n } = influence(x, y, { method: request.method });
  const whole = Math.atanh(coefficient);
  const reach = (i: number) => Math.abs(Math.atanh(leaveOneOut[i] ?? Number.NaN) - whole);
  const listed = [...leaveOneOut.keys()].filter((i) => Number.isFinite(leaveOneOut[i])).sort((a, b) => reach(b) - reach(a));
  return {
    kind: 'influence',
    coefficient: figure(coefficient),
    n,
    onePointCarries,
    points: listed.slice(0, LISTED).map((i) => ({
      row: rowNumber(columns, places[i] ?? 0),
      name: null,
      x: x[i] ?? Number.NaN,
      y: y[i] ?? Number.NaN,
      without: figure(leaveOneOut[i] ?? Number.NaN),
    })),
  };
}
