import type { InfluenceResult, RequestOf } from '@ivlen/contract';
import { influence } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, rowNumber } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable } from './needed-variables';
import { pairRows } from './pair-rows';

const LISTED = 6;

/** The rows that change a pair's coefficient most when they are left out. */
export const influenceOfRows: AnalysisModule<'influence'> = {
  needs: ({ x, y }, all) => allCorrelatable(all, [x, y]),
  run: influenceOf,
  namesRows: (result, nameOf) => ({ ...result, points: result.points.map((point) => ({ ...point, name: nameOf(point.row - 1) })) }),
};

function influenceOf(request: RequestOf<'influence'>, columns: AnalysisColumns): InfluenceResult {
  const { method, alternative, alpha } = request;
  const { x, y, places } = pairRows(request, columns);
  const { coefficient, leaveOneOut, carrying, n } = influence(x, y, { method, alternative, alpha });
  const whole = Math.atanh(coefficient);
  const reach = (i: number) => Math.abs(Math.atanh(leaveOneOut[i] ?? Number.NaN) - whole);
  const listed = [...leaveOneOut.keys()].filter((i) => Number.isFinite(leaveOneOut[i])).sort((a, b) => reach(b) - reach(a));
  // The row that carries the coefficient is among those shown, also where others move it further without changing its sign.
  const shown = listed.slice(0, LISTED);
  if (carrying >= 0 && !shown.includes(carrying)) shown.splice(-1, 1, carrying);
  return {
    kind: 'influence',
    coefficient: finiteOrNull(coefficient),
    n,
    carrying: carrying < 0 ? null : rowNumber(columns, places[carrying] ?? 0),
    points: shown.map((i) => ({
      row: rowNumber(columns, places[i] ?? 0),
      name: null,
      x: x[i] ?? Number.NaN,
      y: y[i] ?? Number.NaN,
      without: finiteOrNull(leaveOneOut[i] ?? Number.NaN),
    })),
  };
}
