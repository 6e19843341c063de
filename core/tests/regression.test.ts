import { readFileSync } from 'node:fs';
import {
  breuschPagan,
  collinearity,
  describe as describeVariable,
  generalizedVif,
  inflationAmong,
  linearModel,
  lineBand,
  pearson,
  predictFromLine,
  varianceInflation,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { expectFigure, expectFigures, recordDigits } from './accuracy';
import { linearSets, UNIVARIATE } from './nist';
import { column, logRelativeError } from './tolerance';

type Column = (number | null)[];
interface ModelCase {
  name: string;
  y: Column;
  xs: Column[];
  intercept: boolean;
  n: number;
  df: number;
  bp?: number;
  bpP?: number;
  standardized?: number[];
  r2: number;
  residualSd: number;
  f: number;
  fP: number;
  coefficients: number[];
  se: number[];
  t: number[];
  p: number[];
  low: number[];
  part: number[];
  partial: number[];
  residuals: number[];
  leverage: number[];
  cooks: number[];
}
interface CollinearityCase {
  name: string;
  columns: number[][];
  vif: number[];
  determinant: number;
  eigenvalues: number[];
  indices: number[];
  proportions: number[];
  gvifOfFirstTwo: number;
}
const reference: { models: ModelCase[]; collinearity: CollinearityCase[]; norris: { x: number[]; y: number[] } } = JSON.parse(
  readFileSync('reference/regression.json', 'utf8'),
);
const ALGEBRA = 'normal equations, mpmath 60 digits';
const present = (values: Float64Array) => values.filter((value) => !Number.isNaN(value));

describe('linear models', () => {
  test.each(reference.models.map((item) => [item.name, item] as const))('%s', (name, item) => {
    const [y, xs] = [column(item.y), item.xs.map(column)];
    const model = linearModel(y, xs, { intercept: item.intercept });
    // Standard errors of nearly dependent predictors lose what the dependence costs.
    const tolerance = name === 'near-dependent' ? 1e-8 : 1e-9;
    expect([model.n, model.dfResidual]).toEqual([item.n, item.df]);
    for (const [got, wanted] of [
      [model.coefficients, item.coefficients],
      [model.se, item.se],
      [model.t, item.t],
      [model.pValues, item.p],
      [model.intervals.map((interval) => interval?.low ?? Number.NaN), item.low],
      [model.part, item.part],
      [model.partial, item.partial],
      [present(model.residuals), item.residuals],
      [present(model.leverage), item.leverage],
      [present(model.cooksDistance), item.cooks],
      [
        [model.r2, model.residualSd, model.f, model.pValue],
        [item.r2, item.residualSd, item.f, item.fP],
      ],
    ] as const) {
      expectFigures('linearModel', ALGEBRA, got, wanted, tolerance, name);
    }
    if (item.standardized) expectFigures('linearModel', ALGEBRA, model.standardized, item.standardized, tolerance, name);
    if (item.bp !== undefined && item.bpP !== undefined) {
      const { statistic, pValue } = breuschPagan(y, xs);
      expectFigures('breuschPagan', ALGEBRA, [statistic, pValue], [item.bp, item.bpP], 1e-8, name);
    }
    if (name !== 'missing values') {
      const zeroOrder = xs.map((x) => pearson(y, x).coefficient);
      expectFigures('linearModel', 'pearson', model.zeroOrder, zeroOrder, 1e-14, 'zero-order');
    }
    expect(model.residuals.length).toBe(y.length);
  });

  it('p of the slope is p of the correlation', () => {
    const x = Float64Array.of(1, 2, 4, 7, 8, 3);
    const y = Float64Array.of(2, 1, 5, 6, 9, 4);
    expect(linearModel(y, [x]).pValues[1] / pearson(x, y).pValue).toBeCloseTo(1, 12);
  });

  it('names what depends exactly on what, and computes nothing else', () => {
    const x = Float64Array.from({ length: 30 }, (_, i) => 100 + 10 * Math.sin(i));
    const y = x.map((value, i) => value + Math.cos(i));
    const model = linearModel(y, [x, x.map((value) => 0.64 * value)], { names: ['conductivity', 'dissolved_solids'] });
    expect(model.undefinedBecause).toBe('dependent-predictors');
    expect(model.coefficients.every(Number.isNaN)).toBe(true);
    const [{ name, terms, constant }] = model.dependentSets;
    expect([name, terms[0].name]).toEqual(['dissolved_solids', 'conductivity'].sort((a) => (a === name ? -1 : 1)));
    expect([0.64, 1 / 0.64].some((ratio) => Math.abs(terms[0].coefficient - ratio) < 1e-10)).toBe(true);
    expect(Math.abs(constant)).toBeLessThan(1e-9);
  });

  it('needs more rows than coefficients', () => {
    const x = Float64Array.of(1, 2);
    expect(linearModel(x, [x]).undefinedBecause).toBe('too-few-cases');
    expect(() => linearModel(x, [x.slice(1)])).toThrow(/rows/);
    expect(() => linearModel(x, [], { intercept: false })).toThrow(/predictor/);
  });
});

describe('NIST StRD linear regression', () => {
  it('other tests read the same sets', () => {
    const { sets } = JSON.parse(readFileSync('reference/certified-regressions.json', 'utf8')) as { sets: { name: string }[] };
    expect(sets).toHaveLength(7);
    for (const set of sets) expect(linearSets(reference.norris).find(({ name }) => name === set.name)).toMatchObject(set);
  });

  test.each(linearSets(reference.norris).map((set) => [set.name, set] as const))('%s', (name, set) => {
    const model = linearModel(
      Float64Array.from(set.y),
      set.xs.map((x) => Float64Array.from(x)),
      { intercept: set.intercept },
    );
    const least = (got: ArrayLike<number>, certified: readonly number[]) => {
      expect(got.length).toBe(certified.length);
      // Certified 0: the digits are those of the size of what was found.
      return Math.min(
        ...certified.map((value, i) =>
          value === 0 ? Math.min(15, -Math.log10(Math.abs(got[i]) || 1e-15)) : logRelativeError(got[i], value),
        ),
      );
    };
    const digits = {
      coefficients: least(model.coefficients, set.coefficients),
      se: least(model.se, set.se),
      residualSd: least([model.residualSd], [set.residualSd]),
      r2: least([model.r2], [set.r2]),
    };
    for (const [figure, value] of Object.entries(digits)) recordDigits(name, figure, value);
    expect(digits.coefficients, 'coefficients').toBeGreaterThanOrEqual(set.digits);
    expect(digits.residualSd, 'residual SD').toBeGreaterThanOrEqual(set.residualSd === 0 ? 8 : Math.min(9, set.digits));
    expect(digits.r2, 'R²').toBeGreaterThanOrEqual(Math.min(9, set.digits));
    if (set.residualSd > 0) expect(digits.se, 'standard errors').toBeGreaterThanOrEqual(Math.min(8, set.digits));
  });

  test.each(UNIVARIATE.map((set) => [set.name, set] as const))('%s', (name, { values, mean, sd }) => {
    const got = describeVariable(Float64Array.from(values));
    const digits = { mean: logRelativeError(got.mean, mean), sd: logRelativeError(got.sd, sd) };
    for (const [figure, value] of Object.entries(digits)) recordDigits(name, figure, value);
    expect(digits.mean).toBeGreaterThanOrEqual(14.5);
    expect(digits.sd).toBeGreaterThanOrEqual(12.5);
  });
});

describe('collinearity', () => {
  test.each(reference.collinearity.map((item) => [item.name, item] as const))('%s', (name, item) => {
    const columns = item.columns.map((values) => Float64Array.from(values));
    const tolerance = name === 'near-dependent' ? 1e-7 : 1e-9;
    const inflation = varianceInflation(columns);
    expectFigures('varianceInflation', ALGEBRA, inflation.vif, item.vif, tolerance, name);
    expectFigures(
      'varianceInflation',
      ALGEBRA,
      inflation.tolerance,
      item.vif.map((value) => 1 / value),
      tolerance,
      name,
    );
    const got = collinearity(columns);
    expectFigures('collinearity', ALGEBRA, [got.determinant, ...got.eigenvalues], [item.determinant, ...item.eigenvalues], tolerance, name);
    expectFigures('collinearity', ALGEBRA, got.conditionIndices, item.indices, tolerance, name);
    // Shares that are nearly nothing are judged by their size, not by their digits.
    got.varianceProportions.forEach((share, at) => {
      expect(Math.abs(share - item.proportions[at])).toBeLessThan(1e-7);
    });
    const { gvif, adjusted, df } = generalizedVif([columns.slice(0, 2), ...columns.slice(2).map((single) => [single])]);
    expectFigure('generalizedVif', ALGEBRA, gvif[0], item.gvifOfFirstTwo, tolerance, name);
    expectFigures('generalizedVif', ALGEBRA, gvif.slice(1), item.vif.slice(2), tolerance, name);
    expect([df[0], adjusted[0]]).toEqual([2, gvif[0] ** 0.25]);
  });

  it('leaving a predictor out needs the triangle alone', () => {
    const columns = reference.collinearity[1].columns.map((values) => Float64Array.from(values));
    const { triangle } = varianceInflation(columns);
    const fresh = varianceInflation([columns[0], columns[1], columns[2]]).vif;
    inflationAmong(triangle, [0, 1, 2]).forEach((value, j) => {
      expect(value / fresh[j]).toBeCloseTo(1, 9);
    });
  });

  it('an exact dependence has an infinite condition index that takes all of its variances', () => {
    const a = Float64Array.from({ length: 25 }, (_, i) => Math.sin(i));
    const b = Float64Array.from({ length: 25 }, (_, i) => Math.cos(2 * i));
    const { conditionIndices, varianceProportions, determinant } = collinearity([a, b, a.map((value, i) => value + b[i])]);
    expect(conditionIndices[3]).toBe(Number.POSITIVE_INFINITY);
    for (const coefficient of [1, 2, 3]) expect(varianceProportions[3 * 4 + coefficient]).toBeCloseTo(1, 6);
    expect(Math.abs(determinant)).toBeLessThan(1e-15);
  });

  it('VIF is infinite within an exact dependence, finite beside it, NaN for a constant', () => {
    const a = Float64Array.from({ length: 25 }, (_, i) => Math.sin(i));
    const b = Float64Array.from({ length: 25 }, (_, i) => Math.cos(2 * i));
    const c = a.map((value, i) => value - 2 * b[i] + 5);
    const d = Float64Array.from({ length: 25 }, (_, i) => (i * 7) % 11);
    const { vif, tolerance, dependentSets } = varianceInflation([a, b, c, d, a.map(() => 3)], { names: ['a', 'b', 'c', 'd', 'e'] });
    expect([...vif].map((value) => (value > 1e12 ? 'infinite' : Number.isNaN(value) ? 'none' : 'finite'))).toEqual([
      'infinite',
      'infinite',
      'infinite',
      'finite',
      'none',
    ]);
    expect(tolerance[0]).toBe(0);
    expect(dependentSets.map(({ name, terms }) => [name, terms.length])).toEqual([
      ['e', 0],
      [expect.any(String), 2],
    ]);
  });
});

describe('the band of a line', () => {
  // statsmodels, from samples/aldermere-streams.csv (reference/cases/demo_pairs.py).
  const { line } = JSON.parse(readFileSync('reference/demo-pairs.json', 'utf8'));
  const rows = readFileSync('samples/aldermere-streams.csv', 'utf8').trim().split('\n');
  const names = rows[0].split(',');
  const column = (name: string) => Float64Array.from(rows.slice(1), (row) => Number(row.split(',')[names.indexOf(name)] || Number.NaN));

  it('is where the reference library has it, at both ends and in the middle', () => {
    const places = line.band.map(({ x }: { x: number }) => x);
    const band = lineBand(column('nitrate'), column('mayfly_taxa'), places);
    expect(band).toHaveLength(3);
    band.forEach(({ low, high }, i) => {
      expectFigure('lineBand', 'statsmodels', low, line.band[i].low, 1e-10);
      expectFigure('lineBand', 'statsmodels', high, line.band[i].high, 1e-10);
    });
  });

  it('predicts the mean and a new case where the reference library does, and says what lies outside the data', () => {
    const [x, y] = [column('nitrate'), column('mayfly_taxa')];
    for (const [i, { x: at, value, low, high }] of line.newCase.entries()) {
      const got = predictFromLine(x, y, at);
      expectFigure('predictFromLine', 'statsmodels', got.value, value, 1e-10);
      expectFigure('predictFromLine', 'statsmodels', got.newCase?.low ?? Number.NaN, low, 1e-10);
      expectFigure('predictFromLine', 'statsmodels', got.newCase?.high ?? Number.NaN, high, 1e-10);
      expectFigure('predictFromLine', 'statsmodels', got.mean?.low ?? Number.NaN, line.band[i].low, 1e-10);
      expect([got.outside, got.df]).toEqual([false, got.n - 2]);
    }
    const { xMin, xMax } = predictFromLine(x, y, 0);
    expect([xMin, xMax]).toEqual([line.band[0].x, line.band[2].x]);
    expect([predictFromLine(x, y, xMin - 0.001).outside, predictFromLine(x, y, xMax + 0.001).outside]).toEqual([true, true]);
  });

  it('of an exact line, a constant, two rows or none promises nothing', () => {
    const x = Float64Array.of(1, 2, 3, 4);
    const exact = predictFromLine(
      x,
      x.map((value) => 2 * value + 1),
      10,
    );
    expect([exact.value, exact.mean, exact.newCase, exact.outside]).toEqual([21, null, null, true]);
    const constant = predictFromLine(
      x.map(() => 3),
      x,
      3,
    );
    expect([constant.value, constant.mean, constant.newCase]).toEqual([Number.NaN, null, null]);
    const two = predictFromLine(x.slice(0, 2), Float64Array.of(5, 9), 1.5);
    expect([two.mean, two.newCase]).toEqual([null, null]);
    const none = predictFromLine(new Float64Array(0), new Float64Array(0), 1);
    expect([none.value, none.xMin, none.outside, none.mean]).toEqual([Number.NaN, Number.NaN, false, null]);
    expect(() => predictFromLine(x, x, Number.NaN)).toThrow('at must be a finite number');
    expect(() => predictFromLine(x, x, 1, { level: 1 })).toThrow(RangeError);
  });

  it('is empty where x does not vary', () => {
    expect(lineBand(new Float64Array(6).fill(2), Float64Array.of(1, 2, 3, 4, 5, 6), [2])).toEqual([]);
  });
});
