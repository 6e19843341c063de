import type { Analysis, LineResult } from '@ivlen/contract';
import { type LinearModel, linearModel, lowess } from '@ivlen/core';
import type { AnalysisColumns } from './analysis-columns';
import { figure } from './figures';
import { pairRows } from './pair-rows';

/** Points at which the band and the curve are drawn. */
const DRAWN = 60;
/** More points than this are thinned for the smooth curve, evenly along x. */
const MOST_SMOOTHED = 5000;

/** The simple regression of y on x, with what a plot draws of it. */
export function lineOf(request: Extract<Analysis, { kind: 'line' }>, columns: AnalysisColumns): LineResult {
  const { x, y } = pairRows(request, columns);
  const model = linearModel(y, [x], { level: request.level });
  const [low, high] = [
    x.reduce((a, b) => Math.min(a, b), Number.POSITIVE_INFINITY),
    x.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY),
  ];
  return {
    kind: 'line',
    n: x.length,
    intercept: termOf(model, 0),
    slope: termOf(model, 1),
    r2: figure(model.r2),
    adjustedR2: figure(model.adjustedR2),
    residualSd: figure(model.residualSd),
    f: figure(model.f),
    dfResidual: model.dfResidual,
    pValue: figure(model.pValue),
    xMin: figure(low),
    xMax: figure(high),
    band: bandOf(model, x, low, high),
    smooth: smoothOf(x, y),
  };
}

function termOf(model: LinearModel, i: number): LineResult['slope'] {
  const at = (values: Float64Array) => figure(values[i] ?? Number.NaN);
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

/** Where the population's line lies: the fitted line ± t·s·√(1/n + (x − x̄)²/Sxx), for each x by itself. */
function bandOf(model: LinearModel, x: Float64Array, low: number, high: number): LineResult['band'] {
  const [slope, intercept] = [model.coefficients[1] ?? Number.NaN, model.coefficients[0] ?? Number.NaN];
  const se = model.se[1] ?? Number.NaN;
  const interval = model.intervals[1];
  if (!interval || !(se > 0) || !(high > low)) return [];
  // The quantile and Sxx follow from what the model says of its slope.
  const t = (interval.high - slope) / se;
  const sxx = (model.residualSd / se) ** 2;
  const mean = x.reduce((sum, value) => sum + value, 0) / x.length;
  return Array.from({ length: DRAWN + 1 }, (_, i) => {
    const at = low + ((high - low) * i) / DRAWN;
    const half = t * model.residualSd * Math.sqrt(1 / x.length + (at - mean) ** 2 / sxx);
    const middle = intercept + slope * at;
    return { x: at, low: middle - half, high: middle + half };
  });
}

function smoothOf(x: Float64Array, y: Float64Array): LineResult['smooth'] {
  const order = Uint32Array.from(x.keys()).sort((a, b) => (x[a] ?? 0) - (x[b] ?? 0));
  const step = Math.max(1, Math.ceil(order.length / MOST_SMOOTHED));
  const chosen = order.filter((_, i) => i % step === 0);
  const pick = (values: Float64Array) => Float64Array.from(chosen, (i) => values[i] ?? Number.NaN);
  if (chosen.length < 5) return [];
  const curve = lowess(pick(x), pick(y));
  const every = Math.max(1, Math.floor(curve.x.length / DRAWN));
  return [...curve.x.keys()]
    .filter((i) => i % every === 0 || i === curve.x.length - 1)
    .map((i) => ({ x: curve.x[i] ?? 0, y: curve.fitted[i] ?? Number.NaN }))
    .filter((point) => Number.isFinite(point.y));
}
