import { readFileSync } from 'node:fs';
import {
  andersonDarling,
  dagostinoPearson,
  doornikHansen,
  henzeZirkler,
  jarqueBera,
  lilliefors,
  mahalanobis,
  mahalanobisP,
  mahalanobisQuantile,
  mardia,
  shapiroWilk,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';
import { expectFigure, expectFigures } from './accuracy';
import { column } from './tolerance';

interface Tested {
  statistic: number;
  p: number;
  log10P?: number;
}
interface UnivariateCase {
  name: string;
  x: (number | null)[];
  shapiroWilk: Tested;
  andersonDarling: Tested;
  jarqueBera: Tested;
  dagostinoPearson?: Tested & { z1: number; z2: number };
  lilliefors?: Tested;
}
interface JointCase {
  name: string;
  columns: (number | null)[][];
  n: number;
  mardia: { chi: number; df: number; chiP: number; b1: number; z: number; zP: number; b2: number };
  henzeZirkler: { statistic: number; p: number };
  doornikHansen: { statistic: number; p: number };
  mahalanobis: number[];
}
const { univariate, joint }: { univariate: UnivariateCase[]; joint: JointCase[] } = JSON.parse(
  readFileSync('reference/normality.json', 'utf8'),
);
const FORMULA = 'the papers’ formulas, mpmath 60 digits';
const normal = (n: number, seed = 5) => {
  const random = new Random(seed);
  return Float64Array.from({ length: n }, () => random.normal());
};

describe('tests of one variable', () => {
  it('has cases to read', () => expect(univariate.length).toBeGreaterThan(15));

  test.each(univariate.map((item) => [item.name, item] as const))('%s', (name, item) => {
    const x = column(item.x);
    for (const [what, got, wanted] of [
      ['shapiroWilk', shapiroWilk(x), item.shapiroWilk],
      ['andersonDarling', andersonDarling(x), item.andersonDarling],
      ['jarqueBera', jarqueBera(x), item.jarqueBera],
      ['dagostinoPearson', dagostinoPearson(x), item.dagostinoPearson],
    ] as const) {
      if (!wanted) continue;
      expectFigure(what, FORMULA, got.statistic, wanted.statistic, 1e-10, `${name}: ${what}`);
      if (wanted.p === 0) expect(got.pValue).toBeLessThan(1e-15);
      else expectFigure(what, FORMULA, got.log10P, wanted.log10P, 1e-9, `${name}: ${what} log10 p`);
    }
    if (item.lilliefors) {
      const got = lilliefors(x);
      expectFigure('lilliefors', FORMULA, got.statistic, item.lilliefors.statistic, 1e-10, name);
      if (item.lilliefors.p <= 0.1) expectFigure('lilliefors', FORMULA, got.pValue, item.lilliefors.p, 1e-9, `${name} p`);
      else expect(got.pValue).toBeGreaterThanOrEqual(0.1);
    }
    if (item.dagostinoPearson) {
      const { skewness, kurtosis } = dagostinoPearson(x);
      expectFigures(
        'dagostinoPearson',
        FORMULA,
        [skewness.z, kurtosis.z],
        [item.dagostinoPearson.z1, item.dagostinoPearson.z2],
        1e-9,
        name,
      );
    }
  });

  it('eleven men’s weights, Shapiro & Wilk (1965) as Royston (1995) prints them (from memory): W = .7888, p = .0067', () => {
    const { statistic, pValue } = shapiroWilk(Float64Array.of(148, 154, 158, 160, 161, 162, 166, 170, 182, 195, 236));
    expect(statistic).toBeCloseTo(0.7888, 4);
    expect(pValue).toBeCloseTo(0.0067, 4);
  });

  it('Lilliefors’ p above .10 agrees with what simulation gives', () => {
    // Of seeded normal samples, the share with a larger distance is p itself.
    const random = new Random(77);
    const draw = () => Float64Array.from({ length: 15 }, () => random.normal());
    const found = Array.from({ length: 4000 }, () => lilliefors(draw()).pValue);
    for (const p of [0.2, 0.5, 0.8]) expect(Math.abs(found.filter((value) => value <= p).length / found.length - p)).toBeLessThan(0.03);
  });

  test.each([
    ['no values', [], 'too-few-cases'],
    ['two values', [1, 2], 'too-few-cases'],
    ['a constant', [3, 3, 3, 3], 'constant'],
    ['all missing', [Number.NaN, Number.NaN], 'too-few-cases'],
  ])('%s', (_, x, because) => {
    for (const run of [shapiroWilk, andersonDarling, lilliefors, jarqueBera]) {
      expect(run(Float64Array.from(x))).toMatchObject({ statistic: Number.NaN, pValue: Number.NaN, undefinedBecause: because });
    }
  });

  it('shows W but no p beyond 5,000 values, and says why', () => {
    const { statistic, pValue, undefinedBecause } = shapiroWilk(normal(5001));
    expect(statistic).toBeGreaterThan(0.99);
    expect([pValue, undefinedBecause]).toEqual([Number.NaN, 'too-many-cases']);
  });

  it('has a skewness part from 8 values, a kurtosis part from 20; Jarque–Bera warns below 200', () => {
    expect(dagostinoPearson(normal(7)).skewness.z).toBeNaN();
    expect(dagostinoPearson(normal(8))).toMatchObject({ statistic: Number.NaN, undefinedBecause: 'too-few-cases' });
    expect(dagostinoPearson(normal(8)).skewness.z).not.toBeNaN();
    expect([jarqueBera(normal(199)).approximate, jarqueBera(normal(200)).approximate]).toEqual([true, false]);
  });

  it('Anderson–Darling stays finite and small for one value very far out', () => {
    const { statistic, pValue, log10P } = andersonDarling(Float64Array.of(...normal(500), 1e9));
    expect(Number.isFinite(statistic)).toBe(true);
    expect(pValue).toBeLessThan(1e-100);
    expect(Number.isFinite(log10P)).toBe(true);
  });
});

describe('joint tests', () => {
  test.each(joint.map((item) => [item.name, item] as const))('%s', (name, item) => {
    const columns = item.columns.map(column);
    const m = mardia(columns);
    expect([m.n, m.skewness.df]).toEqual([item.n, item.mardia.df]);
    expectFigures(
      'mardia',
      FORMULA,
      [m.skewness.coefficient, m.skewness.statistic, m.skewness.pValue, m.kurtosis.coefficient, m.kurtosis.statistic, m.kurtosis.pValue],
      [item.mardia.b1, item.mardia.chi, item.mardia.chiP, item.mardia.b2, item.mardia.z, item.mardia.zP],
      1e-8,
      name,
    );
    const hz = henzeZirkler(columns);
    expectFigures('henzeZirkler', FORMULA, [hz.statistic, hz.pValue], [item.henzeZirkler.statistic, item.henzeZirkler.p], 1e-8, name);
    const dh = doornikHansen(columns);
    expectFigures('doornikHansen', FORMULA, [dh.statistic, dh.pValue], [item.doornikHansen.statistic, item.doornikHansen.p], 1e-8, name);
    const distances = mahalanobis(columns);
    expect(distances.length).toBe(columns[0].length);
    expectFigures(
      'mahalanobis',
      FORMULA,
      distances.filter((d) => !Number.isNaN(d)),
      item.mahalanobis,
      1e-8,
      name,
    );
  });

  it('Mardia’s skewness is the same by pairs of rows and by third moments', () => {
    const columns = [1, 2, 3, 4].map((seed) => normal(12, seed));
    const many = columns.map((values) => Float64Array.from({ length: 60 }, (_, i) => values[i % 12]));
    // Every row five times: b1 stays, and the cheaper way changes from pairs to moments.
    expect(mardia(many).skewness.coefficient).toBeCloseTo(mardia(columns).skewness.coefficient, 10);
  });

  it('distances follow their law: quantile and tail undo each other', () => {
    for (const p of [0.1, 0.5, 0.99]) expect(1 - mahalanobisP(mahalanobisQuantile(p, 40, 3), 40, 3)).toBeCloseTo(p, 10);
  });

  test.each([
    [
      'dependent columns',
      [
        [1, 2, 3, 5, 8],
        [2, 4, 6, 10, 16],
      ],
      'singular',
    ],
    [
      'a constant column',
      [
        [1, 2, 3, 5],
        [7, 7, 7, 7],
      ],
      'constant',
    ],
    [
      'not more rows than columns',
      [
        [1, 2],
        [2, 1],
      ],
      'too-few-cases',
    ],
  ])('%s', (_, table, because) => {
    const columns = table.map((values) => Float64Array.from(values));
    expect(mardia(columns).undefinedBecause).toBe(because);
    expect(henzeZirkler(columns).undefinedBecause).toBe(because);
    expect(doornikHansen(columns).undefinedBecause).toBe(because);
    expect(mahalanobis(columns).every(Number.isNaN)).toBe(true);
  });

  it('Henze–Zirkler takes a seeded sample above 5,000 rows, and says so', () => {
    const columns = [normal(6000, 1), normal(6000, 2)];
    const [first, second] = [henzeZirkler(columns), henzeZirkler(columns)];
    expect([first.n, first.sampledFrom]).toEqual([5000, 6000]);
    expect(first).toEqual(second);
  });
});
