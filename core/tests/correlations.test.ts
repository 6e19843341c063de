import { readFileSync } from 'node:fs';
import { type Adjustment, adjustPValues, influence, type Method, partialCorrelation, pearson, percentageBend } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { chiSquaredP } from '../src/distributions/chi-squared';
import { fP } from '../src/distributions/f-distribution';
import { studentP, studentUpperQuantile } from '../src/distributions/student-t';
import { normalP } from '../src/distributions/tail-probability';
import { expectFigure, expectFigures } from './accuracy';
import { column, relativeError } from './tolerance';

type Column = (number | null)[];
interface Extras {
  adf: { name: string; x: Column; y: Column; low: number; high: number }[];
  partial: {
    name: string;
    method: Method;
    x: Column;
    y: Column;
    controls: Column[];
    r: number;
    n: number;
    df: number;
    p: number;
    log10P: number;
    low: number;
    high: number;
  }[];
  partialTau: { x: Column; y: Column; z: Column; tau: number };
  bend: { name: string; x: Column; y: Column; beta: number; r: number; p: number }[];
  influence: ({ name: string; x: Column; y: Column } & Record<Method, Column>)[];
  adjust: { p: number[]; adjusted: Record<Adjustment, number[]> };
}
const extras: Extras = JSON.parse(readFileSync('reference/correlations.json', 'utf8'));
const tails: { cases: { of: 'normal' | 'chi-squared' | 'f' | 't'; at: number; df?: number; df2?: number; log10P: number }[] } = JSON.parse(
  readFileSync('reference/tails.json', 'utf8'),
);
const MPMATH = 'mpmath 60 digits';

test('tails of the distributions keep their digits, also where they underflow', () => {
  expect(tails.cases.length).toBeGreaterThan(60);
  for (const { of, at, df = 1, df2 = 1, log10P } of tails.cases) {
    const got = {
      normal: () => normalP(at, 'greater'),
      'chi-squared': () => chiSquaredP(at, df),
      f: () => fP(at, df, df2),
      t: () => studentP(at, df, 'greater'),
    }[of]();
    const what = `${of} at ${at} on ${df}, ${df2}`;
    // An error in ln p is a relative error in p, so that it is judged in absolute terms too.
    expect(Math.abs(got.log10P - log10P), what).toBeLessThanOrEqual(1e-11 * Math.max(1, Math.abs(log10P)));
    if (log10P > -300) expect(relativeError(got.pValue, 10 ** log10P), what).toBeLessThan(1e-10);
  }
});

test.each([1, 2, 3, 10, 200, 1e5])('the quantile of t undoes its tail on %d degrees of freedom', (df) => {
  for (const tail of [0.4, 0.05, 0.025, 0.0005, 1e-12]) {
    expect(relativeError(studentP(studentUpperQuantile(tail, df), df, 'greater').pValue, tail)).toBeLessThan(1e-12);
  }
});

test.each(extras.adf.map((item) => [item.name, item] as const))('distribution-free interval: %s', (name, { x, y, low, high }) => {
  const { interval } = pearson(column(x), column(y), { interval: 'adf' });
  expect(interval?.method).toBe('adf');
  expectFigures(
    'pearson',
    'adf interval from moments, mpmath 60 digits',
    [interval?.low ?? Number.NaN, interval?.high ?? Number.NaN],
    [low, high],
    1e-10,
    name,
  );
});

describe('partial correlation', () => {
  test.each(extras.partial.map((item) => [item.name, item] as const))('%s', (name, item) => {
    const got = partialCorrelation(column(item.x), column(item.y), item.controls.map(column), { method: item.method });
    expect([got.n, got.statistic?.df]).toEqual([item.n, item.df]);
    const against = 'residuals on the controls, mpmath 60 digits';
    expectFigure('partialCorrelation', against, got.coefficient, item.r, 1e-11, name);
    expectFigure('partialCorrelation', against, got.log10P, item.log10P, 1e-10, name);
    expectFigures(
      'partialCorrelation',
      against,
      [got.interval?.low ?? Number.NaN, got.interval?.high ?? Number.NaN],
      [item.low, item.high],
      1e-10,
      name,
    );
  });

  it('Kendall’s takes one control, has no p and a bootstrap interval', () => {
    const { x, y, z, tau } = extras.partialTau;
    const got = partialCorrelation(column(x), column(y), [column(z)], { method: 'kendall', replicates: 200 });
    expectFigure('partialCorrelation', 'Kendall (1942), mpmath 60 digits', got.coefficient, tau, 1e-12);
    expect(got.pValue).toBeNaN();
    expect(got.interval?.method).toBe('bootstrap-percentile');
    expect(got.interval && got.interval.low < tau && tau < got.interval.high).toBe(true);
    expect(() => partialCorrelation(column(x), column(y), [column(z), column(x)], { method: 'kendall' })).toThrow(/one control/);
  });

  it('has none where the controls tell a variable completely', () => {
    const x = Float64Array.of(1, 4, 2, 8, 5, 7);
    const y = Float64Array.of(2, 1, 3, 5, 4, 6);
    const got = partialCorrelation(x, y, [x.map((v) => 3 * v - 1)], { method: 'pearson' });
    expect([got.undefinedBecause, got.coefficient]).toEqual(['constant-x', Number.NaN]);
  });
});

test.each(extras.bend.map((item) => [item.name, item] as const))('percentage bend: %s', (name, { x, y, beta, r, p }) => {
  const got = percentageBend(column(x), column(y), { beta });
  expectFigure('percentageBend', 'Wilcox (1994), mpmath 60 digits', got.coefficient, r, 1e-12, name);
  expectFigure('percentageBend', 'Wilcox (1994), mpmath 60 digits', got.pValue, p, 1e-10, name);
});

describe('influence', () => {
  test.each(
    extras.influence.flatMap((item) => (['pearson', 'spearman', 'kendall'] as const).map((method) => [item.name, method, item] as const)),
  )('%s, %s: each row left out is the coefficient computed afresh', (name, method, item) => {
    const got = influence(column(item.x), column(item.y), { method });
    expectFigures('influence', 'recomputed without each row, mpmath 60 digits', got.leaveOneOut, item[method], 1e-9, `${name} ${method}`);
  });

  it('names the one point that carries a coefficient, by its row', () => {
    const x = Float64Array.of(Number.NaN, 1, 2, 1.5, 1.2, 1.8, 30, 1.1, 1.4);
    const y = Float64Array.of(1, 2, 1, 1.9, 1.2, 1.5, 40, 1.7, 1.6);
    const got = influence(x, y, { method: 'pearson' });
    expect([got.mostInfluential, got.onePointCarries, got.n]).toEqual([6, true, 8]);
    expect(got.leaveOneOut[0]).toBeNaN();
    expect(influence(x, y, { method: 'kendall' }).leaveOneOut[6]).toBeLessThan(0);
  });
});

describe('adjusted p-values', () => {
  const { p, adjusted } = extras.adjust;
  test.each(Object.keys(adjusted) as Adjustment[])('%s', (adjustment) => {
    expectFigures('adjustPValues', 'statsmodels multipletests', adjustPValues(p, adjustment), adjusted[adjustment], 1e-12, adjustment);
  });

  it('leaves NaN out of the family', () => {
    expect([...adjustPValues([0.01, Number.NaN, 0.04], 'bonferroni')]).toEqual([0.02, Number.NaN, 0.08]);
    expect(() => adjustPValues([0.1], 'none' as Adjustment)).toThrow(/adjustment/);
  });
});

test('pearson against mpmath is in the table', () => {
  const { cases }: { cases: { x: Column; y: Column; r: number; log10P: number }[] } = JSON.parse(
    readFileSync('reference/pearson.json', 'utf8'),
  );
  for (const item of cases) {
    const got = pearson(column(item.x), column(item.y));
    expectFigure('pearson', MPMATH, got.coefficient, item.r, 1e-12);
    expectFigure('pearson', MPMATH, got.log10P, item.log10P, 1e-9);
  }
});
