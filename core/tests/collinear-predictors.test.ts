import { readFileSync } from 'node:fs';
import {
  blocksFromTriangle,
  breuschPaganOf,
  correlationInTriangle,
  dependencesInTriangle,
  inflationWithoutEach,
  largestInflation,
  largestSets,
  linearModel,
  modelFromTriangle,
  modelTriangle,
  nearDependences,
  pearson,
  predictFromTriangle,
  solvedFor,
  termInflation,
  toldBy,
  varianceInflation,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { expectFigure, expectFigures } from './accuracy';
import { linearSets } from './nist';
import { logRelativeError } from './tolerance';

interface Model {
  n: number;
  df: number;
  coefficients: number[];
  se: number[];
  t: number[];
  p: number[];
  low: number[];
  high: number[];
  r2: number;
  adjustedR2: number;
  f: number;
  fP: number;
  residualSd: number;
  cooks: number[];
  leverage: number[];
  studentized: number[];
}
interface Survey {
  predictors: string[];
  vif: number[];
  largestWithout: number[];
}
const reference = JSON.parse(readFileSync('reference/collinear.json', 'utf8')) as {
  longley: {
    names: string[];
    y: number[];
    xs: number[][];
    vif: number[];
    determinant: number;
    eigenvalues: number[];
    indices: number[];
    proportions: number[];
    centredLast: number;
    largestWithout: number[];
    coefficients: number[];
    se: number[];
    r2: number;
    blocks: { first: number; change: number; f: number };
    cooks: number[];
    leverage: number[];
    studentized: number[];
    prediction: { value: number; meanSe: number; low: number; high: number };
  };
  diabetes: {
    columns: number[][];
    y: number[];
    vif: number[];
    determinant: number;
    largestIndex: number;
    model: Omit<Model, 'cooks' | 'leverage' | 'studentized'>;
    under: { limit: number; size: number; sets: { terms: number[]; largest: number }[] }[];
  };
  duncan: {
    type: string[];
    income: number[];
    education: number[];
    prestige: number[];
    adjustedGvif: Record<string, number[]>;
    model: Model;
    typeBeyond: { change: number; f: number; p: number };
    withoutType: Pick<Model, 'cooks' | 'leverage' | 'studentized'>;
  };
  survey: Survey;
  beds: Survey;
};
const columnsOf = (xs: readonly number[][]) => xs.map((x) => Float64Array.from(x));
const each = (count: number) => Array.from({ length: count }, (_, j) => j);
const single = (count: number) => each(count).map((j) => [j]);
const ALGEBRA = 'matrix algebra, mpmath 60 digits';
const STATSMODELS = 'numpy and statsmodels';

describe('Longley', () => {
  const { longley } = reference;
  const model = modelTriangle(columnsOf(longley.xs), Float64Array.from(longley.y));
  const terms = single(6);

  it('inflation and what remains without each', () => {
    const inflation = termInflation(model, terms);
    expectFigures(
      'termInflation',
      ALGEBRA,
      inflation.map(({ gvif }) => gvif),
      longley.vif,
      1e-9,
    );
    expect(longley.vif[0]).toBeCloseTo(135.53243828, 8);
    const without = inflationWithoutEach(model, terms).map((others) => largestInflation(others.filter((value) => !Number.isNaN(value))));
    expectFigures('inflationWithoutEach', ALGEBRA, without, longley.largestWithout, 1e-9);
    // The best single one to leave out is not the one with the highest VIF.
    expect([without.indexOf(Math.min(...without)), longley.vif.indexOf(Math.max(...longley.vif))]).toEqual([2, 1]);
  });

  it('condition indices, proportions, determinant and eigenvalues', () => {
    const near = nearDependences(model, each(6));
    expectFigures('nearDependences', ALGEBRA, near.conditionIndices, longley.indices, 1e-9);
    expectFigures('nearDependences', ALGEBRA, near.varianceProportions, longley.proportions, 1e-7, 'proportions');
    expectFigures('nearDependences', ALGEBRA, near.eigenvalues, longley.eigenvalues, 1e-9);
    expectFigure('nearDependences', ALGEBRA, near.determinant, longley.determinant, 1e-9);
    expect(near.conditionIndices[6]).toBeCloseTo(43275.04359, 4);
    const centred = nearDependences(model, each(6), { centred: true });
    expect(centred.conditionIndices).toHaveLength(6);
    expectFigure('nearDependences', ALGEBRA, centred.conditionIndices[5], longley.centredLast, 1e-10);
  });

  it('the regression, blocks of it, and a prediction from the triangle', () => {
    const found = modelFromTriangle(model, each(6));
    expectFigures('modelFromTriangle', ALGEBRA, found.coefficients, longley.coefficients, 1e-9);
    expectFigures('modelFromTriangle', ALGEBRA, found.se, longley.se, 1e-9);
    expectFigure('modelFromTriangle', ALGEBRA, found.r2, longley.r2, 1e-12);
    const [first, second] = blocksFromTriangle(model, [
      [1, 5],
      [0, 2, 3, 4],
    ]);
    expectFigure('blocksFromTriangle', ALGEBRA, first.r2, longley.blocks.first, 1e-11);
    expectFigure('blocksFromTriangle', ALGEBRA, second.change, longley.blocks.change, 1e-9);
    expectFigure('blocksFromTriangle', ALGEBRA, second.f, longley.blocks.f, 1e-9);
    expect([second.df, second.dfResidual]).toEqual([4, 9]);
    expect(second.pValue).toBeCloseTo(0.001643862, 9);
    const { value, meanSe, newCase, df } = predictFromTriangle(
      model,
      each(6),
      longley.xs.map((x) => x[15]),
    );
    const got = [value, meanSe, newCase?.low ?? 0, newCase?.high ?? 0];
    const { prediction } = longley;
    expectFigures('predictFromTriangle', ALGEBRA, got, [prediction.value, prediction.meanSe, prediction.low, prediction.high], 1e-9);
    expect(df).toBe(9);
  });

  it('rows by Cook’s distance', () => {
    const rows = linearModel(Float64Array.from(longley.y), columnsOf(longley.xs));
    expectFigures('linearModel', ALGEBRA, rows.cooksDistance, longley.cooks, 1e-8);
    expectFigures('linearModel', ALGEBRA, rows.leverage, longley.leverage, 1e-9);
    expectFigures('linearModel', ALGEBRA, rows.studentized, longley.studentized, 1e-8);
    expect(rows.cooksDistance.indexOf(Math.max(...rows.cooksDistance))).toBe(4);
  });

  it('Breusch–Pagan on all predictors and on the fitted values', () => {
    const [y, xs] = [Float64Array.from(longley.y), columnsOf(longley.xs)];
    const whole = linearModel(y, xs);
    const [all, fitted] = [breuschPaganOf(whole, xs), breuschPaganOf(whole, [whole.fitted])];
    const got = [all.statistic, all.pValue, fitted.statistic, fitted.pValue];
    // As published in the design, by mpmath.
    [2.5096632, 0.8673846, 0.0354204, 0.8507175].forEach((wanted, k) => void expect(got[k]).toBeCloseTo(wanted, 7));
    expect([all.df, fitted.df]).toEqual([6, 1]);
  });

  it('the largest sets under 10: none of four, four of three', () => {
    const { size, sets, complete } = largestSets(model, terms, 10);
    expect([size, complete]).toEqual([3, true]);
    expect(sets.map(({ terms: set }) => set)).toEqual([
      [1, 2, 3],
      [2, 3, 4],
      [0, 2, 3],
      [2, 3, 5],
    ]);
    expectFigures(
      'largestSets',
      'as published in the design, mpmath',
      sets.map(({ largest }) => largest),
      [3.1408671, 3.5143351, 3.6547991, 3.8908611],
      2e-8,
    );
    // A long search tells how far it is: of four families of five, one of each stays.
    const families = each(20).map((k) =>
      Float64Array.from({ length: 80 }, (_, i) => Math.sin((1.1 + (k % 4)) * i) + 0.2 * Math.cos(7.3 * (k + 1) * i)),
    );
    const told: number[] = [];
    const found = largestSets(modelTriangle(families), single(20), 5, { tell: (visited) => told.push(visited) });
    expect([found.size, found.sets.length, found.complete]).toEqual([4, 625, true]);
    expect(told).toEqual(told.map((_, k) => 1000 * (k + 1)));
    expect(told.length).toBeGreaterThan(0);
    // Stopped at once, it leaves out one at a time and says so.
    const greedy = largestSets(model, terms, 10, { most: 0 });
    expect(greedy.complete).toBe(false);
    expect(greedy.sets[0].largest).toBeLessThanOrEqual(10);
  });
});

describe('diabetes, 442 × 10', () => {
  const { diabetes } = reference;
  const model = modelTriangle(columnsOf(diabetes.columns), Float64Array.from(diabetes.y));
  it('inflation, determinant, indices and the regression', () => {
    const inflation = termInflation(model, single(10));
    expectFigures(
      'termInflation',
      STATSMODELS,
      inflation.map(({ inflation: value }) => value),
      diabetes.vif,
      1e-9,
    );
    const near = nearDependences(model, each(10));
    expectFigure('nearDependences', STATSMODELS, near.determinant, diabetes.determinant, 1e-9);
    expectFigure('nearDependences', STATSMODELS, near.conditionIndices[10], diabetes.largestIndex, 1e-9);
    const found = modelFromTriangle(model, each(10));
    for (const [got, wanted] of [
      [found.coefficients, diabetes.model.coefficients],
      [found.se, diabetes.model.se],
      [found.t, diabetes.model.t],
      [found.pValues, diabetes.model.p],
      [
        [found.r2, found.adjustedR2, found.f, found.residualSd],
        [diabetes.model.r2, diabetes.model.adjustedR2, diabetes.model.f, diabetes.model.residualSd],
      ],
    ] as const) {
      expectFigures('modelFromTriangle', STATSMODELS, got, wanted, 1e-8);
    }
    expect([found.dfModel, found.dfResidual]).toEqual([10, 431]);
  });
  test.each(diabetes.under)('all largest sets under $limit', ({ limit, size, sets }) => {
    const found = largestSets(model, single(10), limit);
    expect([found.size, found.sets.map(({ terms }) => terms)]).toEqual([size, sets.map(({ terms }) => terms)]);
    expectFigures(
      'largestSets',
      STATSMODELS,
      found.sets.map(({ largest }) => largest),
      sets.map(({ largest }) => largest),
      1e-9,
    );
  });
});

describe('a nominal predictor (Duncan 1961)', () => {
  const { duncan } = reference;
  const quantities = columnsOf([duncan.income, duncan.education]);
  const withReference = (levels: string) =>
    modelTriangle(
      [...quantities, ...[...levels].map((level) => Float64Array.from(duncan.type, (own) => (own === level ? 1 : 0)))],
      Float64Array.from(duncan.prestige),
    );
  const terms = [[0], [1], [2, 3]];
  test.each([
    ['b', 'pw'],
    ['p', 'bw'],
    ['w', 'bp'],
  ])('GVIF^(1/2df) is the same with %s as the reference level', (level, levels) => {
    const adjusted = termInflation(withReference(levels), terms).map((term) => term.adjusted);
    expectFigures('termInflation', STATSMODELS, adjusted, duncan.adjustedGvif[level], 1e-11);
    expect(adjusted[2]).toBeCloseTo(1.5026664, 7);
  });
  it('what the type adds beyond both, and the rows without it', () => {
    const model = withReference('pw');
    expectFigures('modelFromTriangle', STATSMODELS, modelFromTriangle(model, each(4)).coefficients, duncan.model.coefficients, 1e-9);
    const step = blocksFromTriangle(model, [
      [0, 1],
      [2, 3],
    ])[1];
    const { change, f, p } = duncan.typeBeyond;
    expectFigures('blocksFromTriangle', STATSMODELS, [step.change, step.f, step.pValue], [change, f, p], 1e-9);
    expect([step.df, step.dfResidual]).toEqual([2, 40]);
    const rows = linearModel(Float64Array.from(duncan.prestige), quantities);
    expectFigures('linearModel', STATSMODELS, rows.cooksDistance, duncan.withoutType.cooks, 1e-9);
    expectFigures('linearModel', STATSMODELS, rows.studentized, duncan.withoutType.studentized, 1e-9);
    expect(rows.studentized[5]).toBeCloseTo(3.1345185, 6);
  });
});

describe('who tells a predictor', () => {
  const series = (make: (i: number) => number) => Float64Array.from({ length: 40 }, (_, i) => make(i));
  const a = series((i) => Math.sin(i));
  const b = series((i) => Math.cos(2.7 * i));
  const c = series((i) => Math.sin(5.1 * i + 1));
  const noise = series((i) => 0.01 * Math.sin(17.3 * i));
  const sharesOf = (columns: Float64Array[]) => {
    const model = modelTriangle(columns);
    const terms = single(columns.length);
    return termInflation(model, terms).map(({ share }, k) => toldBy(model, terms, k, share));
  };
  it('names one of two that say the same, not both', () => {
    const twin = a.map((value, i) => value + noise[i]);
    const [told] = sharesOf([a, twin, a.map((value, i) => value - noise[i]), c]);
    expect(told.partners).toHaveLength(1);
    expect([1, 2]).toContain(told.partners[0]);
    expect(told.enough).toBe(true);
  });
  it('a dependence of three has two partners', () => {
    const [told] = sharesOf([a.map((value, i) => value + b[i] + noise[i]), a, b, c]);
    expect([...told.partners].sort()).toEqual([1, 2]);
    expect(told.share).toBeGreaterThan(0.99);
  });
  it('names three at most, and says that there are more', () => {
    const columns = Array.from({ length: 6 }, (_, k) => series((i) => Math.sin(1.3 * (k + 1) * i + k)));
    const sum = series((i) => columns.reduce((total, column) => total + column[i], 0) + noise[i]);
    const [told] = sharesOf([sum, ...columns]);
    expect([told.partners.length, told.enough]).toEqual([3, false]);
  });
  it('is the same for single columns, from their correlations, as where a term of several stands beside them', () => {
    const own = Array.from({ length: 5 }, (_, k) => series((i) => Math.sin(1.3 * (k + 1) * i + k) + (k > 2 ? a[i] + b[i] : 0)));
    const model = modelTriangle([...own, series((i) => Math.cos(31 * i)), series((i) => Math.sin(37 * i))]);
    const alone = single(5);
    const beside = [...alone, [5, 6]];
    for (const k of each(5)) {
      const whole = termInflation(model, alone)[k].share;
      const [fast, general] = [toldBy(model, alone, k, whole), toldBy(model, beside, k, whole)];
      expect(general.partners.filter((place) => place < 5)).toEqual(
        fast.partners.slice(0, general.partners.filter((place) => place < 5).length),
      );
      if (!general.partners.includes(5)) expect(general.share).toBeCloseTo(fast.share, 12);
    }
    // What tells one of two that say a + b and a − b leaves hardly anything of both together: one partner is enough.
    const pairTold = modelTriangle([a, b, a.map((value, i) => value + b[i] + noise[i]), a.map((value, i) => value - b[i] + noise[i])]);
    const found = toldBy(pairTold, [[0], [1], [2, 3]], 2, termInflation(pairTold, [[0], [1], [2, 3]])[2].share);
    expect([found.partners.length, found.enough]).toEqual([1, true]);
    expect(toldBy(pairTold, [[0], [2, 3]], 0, 0.99).partners).toEqual([1]);
  });
  it('one that is alone has nobody', () => {
    expect(sharesOf([a])).toEqual([{ share: 0, partners: [], enough: true }].map((item) => expect.objectContaining(item)));
  });
});

describe('edges', () => {
  const a = Float64Array.from({ length: 30 }, (_, i) => 40 + 10 * Math.sin(i));
  const b = Float64Array.from({ length: 30 }, (_, i) => 30 + 7 * Math.cos(1.7 * i));
  const c = Float64Array.from({ length: 30 }, (_, i) => 5 + Math.sin(3.3 * i));
  const total = a.map((value, i) => value + b[i]);

  it('an exact dependence: infinite for those that take part, named with coefficients, gone without one', () => {
    const model = modelTriangle([a, b, total, c], c);
    const inflation = termInflation(model, single(4)).map((term) => term.inflation);
    expect(inflation.slice(0, 3)).toEqual([Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY]);
    expect(inflation[3]).toBeLessThan(2);
    const [set] = dependencesInTriangle(model, each(4), ['a', 'b', 'total', 'c']);
    const { name, constant, terms } = solvedFor(set, 2);
    expect([name, terms.map((term) => term.name).sort()]).toEqual(['total', ['a', 'b']]);
    for (const { coefficient } of terms) expect(coefficient).toBeCloseTo(1, 9);
    expect(constant).toBeCloseTo(0, 8);
    const without = inflationWithoutEach(model, single(4));
    expect(largestInflation(without[2].filter((value) => !Number.isNaN(value)))).toBeLessThan(2);
    expect(without[3].slice(0, 3)).toEqual(Float64Array.of(1, 1, 1).map(() => Number.POSITIVE_INFINITY));
    expect(modelFromTriangle(model, each(4)).undefinedBecause).toBe('dependent-predictors');
    expect(largestSets(model, single(4), 10).sets).toHaveLength(3);
  });
  it('a constant predictor is NaN by itself and disturbs nothing else', () => {
    const model = modelTriangle([a, a.map(() => 3), b], c);
    const [first, second, third] = termInflation(model, single(3));
    expect([first.gvif, third.gvif]).toEqual([...varianceInflation([a, b]).vif].map((value) => expect.closeTo(value, 10)));
    expect(second.gvif).toBeNaN();
    expect(dependencesInTriangle(model, each(3))).toEqual([{ dependent: 1, name: 'x2', constant: 3, terms: [] }]);
    expect(correlationInTriangle(model, 0, 1)).toBeNaN();
    expect([...model.tolerances].every(Number.isFinite)).toBe(true);
    expect(modelFromTriangle(model, [0, 2]).undefinedBecause).toBeUndefined();
    expect(modelFromTriangle(model, each(3)).undefinedBecause).toBe('dependent-predictors');
    expect(blocksFromTriangle(model, [[0], [1]])[1].f).toBeNaN();
    expect(nearDependences(model, each(3)).determinant).toBeNaN();
  });
  it('too few rows say nothing', () => {
    const few = modelTriangle([a.slice(0, 2), b.slice(0, 2)], c.slice(0, 2));
    expect(termInflation(few, single(2)).map(({ gvif }) => Number.isNaN(gvif))).toEqual([true, true]);
    expect(modelFromTriangle(few, [0, 1]).undefinedBecause).toBe('too-few-cases');
    expect(predictFromTriangle(few, [0, 1], [1, 1]).value).toBeNaN();
    expect(blocksFromTriangle(few, [[0], [1]])[1].pValue).toBeNaN();
  });
  it('an exact fit has no intervals, and never a p of NaN that reads as small', () => {
    const model = modelTriangle([a, b], total);
    const found = modelFromTriangle(model, [0, 1]);
    expect(found.r2).toBeCloseTo(1, 12);
    expect(predictFromTriangle(model, [0, 1], [40, 30]).value).toBeCloseTo(70, 9);
  });
  it('a row that alone has a level is fitted whatever its outcome, and has no distance', () => {
    const level = a.map((_, i) => (i === 7 ? 1 : 0));
    const rows = linearModel(c, [a, level]);
    expect(rows.leverage[7]).toBeCloseTo(1, 10);
    expect([rows.cooksDistance[7], rows.studentized[7]]).toEqual([Number.NaN, Number.NaN]);
    expect(rows.cooksDistance[8]).toBeGreaterThanOrEqual(0);
  });
  it('rows complete for all, the outcome too; what cannot be meant is refused', () => {
    const gaps = a.slice();
    gaps[3] = Number.NaN;
    const late = c.slice();
    late[9] = Number.NaN;
    const model = modelTriangle([gaps, b], late);
    expect(model.n).toBe(28);
    expect(modelFromTriangle(model, [1]).n).toBe(28);
    expect(() => modelTriangle([])).toThrow(RangeError);
    expect(() => modelFromTriangle(modelTriangle([a]), [0])).toThrow(/outcome/);
    expect(() => predictFromTriangle(model, [0, 1], [1])).toThrow(/one finite number/);
  });
  it('pairs are those of the rows complete for all, to the last digit', () => {
    const model = modelTriangle([a, b, total]);
    expect(correlationInTriangle(model, 0, 2) / pearson(a, total).coefficient).toBeCloseTo(1, 13);
  });
  it('goes through long columns in blocks, telling how far it is', () => {
    const told: number[] = [];
    const long = Float64Array.from({ length: 1000 }, (_, i) => Math.sin(i) + 1e9);
    const other = Float64Array.from({ length: 1000 }, (_, i) => Math.sin(i) + 0.1 * Math.cos(7 * i));
    const model = modelTriangle([long, other], null, (rows, of) => told.push(rows / of));
    expect(told).toEqual([0.256, 0.512, 0.768, 1]);
    expectFigures(
      'termInflation',
      'varianceInflation',
      termInflation(model, [[0], [1]]).map(({ gvif }) => gvif),
      [...varianceInflation([long, other]).vif],
      1e-11,
    );
  });
});

describe('certified regressions from the triangle', () => {
  // Unrefined, it keeps what the dependence of the powers leaves: the whole model goes through linearModel.
  const least: Readonly<Record<string, number>> = { Longley: 9, Filip: 5, Wampler1: 6, Wampler2: 9, Wampler3: 6, Wampler4: 6, Wampler5: 4 };
  const reference2 = JSON.parse(readFileSync('reference/regression.json', 'utf8')) as { norris: { x: number[]; y: number[] } };
  test.each(
    linearSets(reference2.norris)
      .filter(({ name }) => name in least)
      .map((set) => [set.name, set] as const),
  )('%s', (name, set) => {
    const model = modelTriangle(columnsOf(set.xs as number[][]), Float64Array.from(set.y));
    const found = modelFromTriangle(model, each(set.xs.length));
    const digits = Math.min(...set.coefficients.map((value, i) => logRelativeError(found.coefficients[i], value)));
    expect(found.undefinedBecause).toBeUndefined();
    expect(digits).toBeGreaterThanOrEqual(least[name] ?? 9);
  });
});

describe('the demo', () => {
  test.each(['survey', 'beds'] as const)('%s: what remains without each', (name) => {
    const file = name === 'beds' ? 'aldermere-beds' : 'aldermere-streams';
    const [head = '', ...lines] = readFileSync(`samples/${file}.csv`, 'utf8').trim().split('\n');
    const names = head.split(',');
    const { predictors, vif, largestWithout } = reference[name];
    const columns = predictors.map((wanted) =>
      Float64Array.from(lines, (line) => {
        const cell = line.split(',')[names.indexOf(wanted)];
        return cell === '' ? Number.NaN : Number(cell);
      }),
    );
    const model = modelTriangle(columns);
    const inflation = termInflation(model, single(5));
    expectFigures(
      'termInflation',
      STATSMODELS,
      inflation.map(({ gvif }) => gvif),
      vif,
      1e-8,
    );
    const without = inflationWithoutEach(model, single(5)).map((others) => largestInflation(others.filter((value) => value === value)));
    expectFigures('inflationWithoutEach', STATSMODELS, without, largestWithout, 1e-8);
    const pairs = each(5).flatMap((i) => each(i).map((j) => Math.abs(correlationInTriangle(model, i, j))));
    expect(pairs.some((r) => r >= 0.9)).toBe(name === 'survey');
    expect(Math.max(...vif)).toBeGreaterThan(10);
  });
});
