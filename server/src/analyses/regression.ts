import { type ModelRow, modelValuesOf, type RegressionResult, type RequestOf } from '@ivlen/contract';
import { breuschPaganOf, type LinearModel, linearModel, normalQuantiles } from '@ivlen/core';
import type { AnalysisModule, Tell } from './analysis';
import { type AnalysisColumns, columnOf, rowNumber, valuesAt } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { correlatable } from './needed-variables';
import { completePlaces, predictorColumns, predictorVariables } from './predictor-columns';
import { smoothCurve } from './smooth-curve';

const ROWS_LISTED = 12;
/** The model, then what its rows say. */
const STEPS = 2;
/** The leverage, up to rounding, of a row that is fitted whatever its outcome. */
const ALL_BUT_ONE = 1 - 1e-10;
/** More points than this are thinned, evenly over the fitted values; those with the largest residuals stay. */
const POINTS_DRAWN = 3000;

/** A linear regression whole: its table to all its digits, and what its rows say. */
export const regression: AnalysisModule<'regression'> = {
  needs: ({ predictors, outcome }, all) => [...predictorVariables(predictors, all), correlatable(all, outcome)],
  run: fitted,
  counts: 'steps',
  namesRows: (result, nameOf) => {
    const named = (rows: readonly ModelRow[]) => rows.map((item) => ({ ...item, name: nameOf(item.row - 1) }));
    return { ...result, influential: named(result.influential), alone: named(result.alone) };
  },
};

function fitted({ predictors, outcome, level, without }: RequestOf<'regression'>, columns: AnalysisColumns, tell: Tell): RegressionResult {
  tell(0, STEPS);
  const ids = [...predictors.map(({ variable }) => variable), outcome];
  const left = new Set(without);
  const places = completePlaces(ids, columns).places.filter((place) => !left.has(rowNumber(columns, place)));
  const { columns: xs, of, terms } = predictorColumns(predictors, columns, places);
  const y = valuesAt(columnOf(columns, outcome), places);
  const model = linearModel(y, xs, { level });
  tell(1, STEPS);
  const base = { kind: 'regression' as const, terms: [...terms], model: modelValuesOf(model, of) };
  if (base.model.because !== null) return { ...base, ...NO_ROWS };
  const rowOf = (place: number): ModelRow => ({
    row: rowNumber(columns, places[place] ?? 0),
    name: null,
    observed: y[place] ?? 0,
    fitted: model.fitted[place] ?? 0,
    residual: model.residuals[place] ?? 0,
    leverage: model.leverage[place] ?? 0,
    cooksDistance: finiteOrNull(model.cooksDistance[place] ?? Number.NaN),
    studentized: finiteOrNull(model.studentized[place] ?? Number.NaN),
  });
  const byDistance = [...model.cooksDistance.keys()]
    .filter((place) => Number.isFinite(model.cooksDistance[place]))
    .sort((a, b) => (model.cooksDistance[b] ?? 0) - (model.cooksDistance[a] ?? 0));
  const alone = [...model.leverage.keys()].filter((place) => (model.leverage[place] ?? 0) > ALL_BUT_ONE);
  return {
    ...base,
    points: drawnPlaces(model).map((place) => ({
      row: rowNumber(columns, places[place] ?? 0),
      fitted: model.fitted[place] ?? 0,
      residual: model.residuals[place] ?? 0,
    })),
    smooth: smoothCurve(model.fitted, model.residuals),
    breuschPagan: { predictors: spreadTest(model, xs), fitted: spreadTest(model, [model.fitted]) },
    quantiles: quantilesOf(model, (place) => rowNumber(columns, places[place] ?? 0)),
    influential: byDistance.slice(0, ROWS_LISTED).map(rowOf),
    alone: alone.slice(0, ROWS_LISTED).map(rowOf),
    largestLeverage: finiteOrNull(model.leverage.reduce((most, value) => Math.max(most, value), 0)),
  };
}

const NO_TEST = { statistic: null, df: 0, pValue: null };
const NO_ROWS: Omit<RegressionResult, 'kind' | 'terms' | 'model'> = {
  points: [],
  smooth: [],
  breuschPagan: { predictors: NO_TEST, fitted: NO_TEST },
  quantiles: { theoretical: [], sample: [], low: [], high: [], rows: [] },
  influential: [],
  alone: [],
  largestLeverage: null,
};

function spreadTest(model: LinearModel, columns: readonly Float64Array[]) {
  const { statistic, df, pValue } = breuschPaganOf(model, columns);
  return { statistic: finiteOrNull(statistic), df, pValue: finiteOrNull(pValue) };
}

function quantilesOf(model: LinearModel, numberOf: (place: number) => number): RegressionResult['quantiles'] {
  const { theoretical, sample, low, high, rows } = normalQuantiles(model.studentized);
  return {
    theoretical: [...theoretical],
    sample: [...sample],
    low: [...low],
    high: [...high],
    rows: Array.from(rows, numberOf),
  };
}

/** Places that are drawn: all, or of many every so many along the fitted values, and those with the largest residuals. */
function drawnPlaces({ fitted: along, residuals }: LinearModel): number[] {
  const n = residuals.length;
  const all = [...residuals.keys()];
  if (n <= POINTS_DRAWN) return all;
  const sorted = all.sort((a, b) => (along[a] ?? 0) - (along[b] ?? 0));
  const step = Math.ceil(n / POINTS_DRAWN);
  const chosen = new Set(sorted.filter((_, i) => i % step === 0));
  const far = [...residuals.keys()].sort((a, b) => Math.abs(residuals[b] ?? 0) - Math.abs(residuals[a] ?? 0));
  for (const place of far.slice(0, ROWS_LISTED)) chosen.add(place);
  return [...chosen];
}
