import type { LineResult, RequestOf } from '@ivlen/contract';
import { fittedParabola, type LinearModel, linearity, linearModel, lineBand } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import type { AnalysisColumns } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable } from './needed-variables';
import { pairRows } from './pair-rows';
import { smoothCurve } from './smooth-curve';

/** Points at which the band and the curve are drawn. */
const DRAWN = 60;

/** The simple regression of y on x, with what a plot draws of it. */
export const line: AnalysisModule<'line'> = {
  needs: ({ x, y }, all) => allCorrelatable(all, [x, y]),
  run: lineOf,
};

function lineOf(request: RequestOf<'line'>, columns: AnalysisColumns): LineResult {
  const { x, y } = pairRows(request, columns);
  const model = linearModel(y, [x], { level: request.level });
  const [low, high] = rangeOf(x);
  return {
    kind: 'line',
    n: x.length,
    intercept: termOf(model, 0),
    slope: termOf(model, 1),
    r2: finiteOrNull(model.r2),
    adjustedR2: finiteOrNull(model.adjustedR2),
    residualSd: finiteOrNull(model.residualSd),
    f: finiteOrNull(model.f),
    dfResidual: model.dfResidual,
    pValue: finiteOrNull(model.pValue),
    xMin: finiteOrNull(low),
    xMax: finiteOrNull(high),
    band: high > low ? lineBand(x, y, beyond(low, high), { level: request.level }) : [],
    parabola: parabolaOf(x, y),
    smooth: smoothCurve(x, y),
  };
}

function rangeOf(x: Float64Array): [number, number] {
  return [x.reduce((a, b) => Math.min(a, b), Number.POSITIVE_INFINITY), x.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY)];
}

/** The curve by which a pair is said to be curved; null for one that is not. */
function parabolaOf(x: Float64Array, y: Float64Array): LineResult['parabola'] {
  const { curved, direction } = linearity(x, y);
  if (!curved) return null;
  const [from, to] = direction === 'y-on-x' ? [x, y] : [y, x];
  const along = places(...rangeOf(from));
  const values = fittedParabola(from, to, along);
  const point = (at: number, value: number) => (direction === 'y-on-x' ? { x: at, y: value } : { x: value, y: at });
  return { direction, points: along.map((at, i) => point(at, values[i] ?? 0)) };
}

function termOf(model: LinearModel, i: number): LineResult['slope'] {
  const at = (values: Float64Array) => finiteOrNull(values[i] ?? Number.NaN);
  const interval = model.intervals[i];
  return {
    value: at(model.coefficients),
    se: at(model.se),
    t: at(model.t),
    pValue: at(model.pValues),
    low: interval?.low ?? null,
    high: interval?.high ?? null,
  };
}

/** Evenly along the axis. */
function places(low: number, high: number): number[] {
  return Array.from({ length: DRAWN + 1 }, (_, i) => low + ((high - low) * i) / DRAWN);
}

/** Also beyond the values, as the line goes to the frame, which rounds the axis up to its ticks. */
function beyond(low: number, high: number): number[] {
  const half = (high - low) / 2;
  return [...places(low - half, low).slice(0, -1), ...places(low, high), ...places(high, high + half).slice(1)];
}
