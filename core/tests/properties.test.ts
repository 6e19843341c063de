import {
  type Adjustment,
  adjustPValues,
  byMethod,
  type CorrelationOptions,
  compareIndependent,
  correlationMatrix,
  influence,
  METHOD_NAMES,
  type Method,
  mahalanobis,
  testPair,
  varianceInflation,
} from '@ivlen/core';
import fc from 'fast-check';
import { describe, expect, it, test } from 'vitest';
import { symmetricEigen } from '../src/linear-algebra/jacobi-eigen';

const SINGLE = byMethod((method) => (x: Float64Array, y: Float64Array, options?: CorrelationOptions) => testPair(method, x, y, options));
const METHODS = METHOD_NAMES;
/** Coarse values, so that ties are common, and gaps. */
const cell = fc.oneof({ weight: 8, arbitrary: fc.integer({ min: -6, max: 6 }) }, { weight: 1, arbitrary: fc.constant(Number.NaN) });
const table = (columns: number, rows = 30) =>
  fc
    .array(fc.array(cell, { minLength: rows, maxLength: rows }), { minLength: columns, maxLength: columns })
    .map((cells) => cells.map((values) => Float64Array.from(values)));
const seed = 20260101;

describe.each(METHODS)('%s', (method: Method) => {
  const test = SINGLE[method];

  it('is symmetric, does not depend on the order of rows, and turns its sign with a variable', () => {
    let reached = 0;
    fc.assert(
      fc.property(table(2), ([x, y]) => {
        const whole = test(x, y);
        const turned = test(y, x);
        const reversed = test(x.slice().reverse(), y.slice().reverse());
        const mirrored = test(
          x.map((value) => -value),
          y,
        );
        if (whole.undefinedBecause) return;
        reached++;
        expect(turned.coefficient).toBeCloseTo(whole.coefficient, 14);
        expect(turned.pValue).toBeCloseTo(whole.pValue, 12);
        expect(reversed.coefficient).toBeCloseTo(whole.coefficient, 14);
        expect(mirrored.coefficient).toBeCloseTo(-whole.coefficient, 14);
        expect(mirrored.pValue).toBeCloseTo(whole.pValue, 12);
      }),
      { seed },
    );
    expect(reached).toBeGreaterThan(90);
  });

  it('has an interval that contains it, one-sided p-values that fit, and p within [0, 1]', () => {
    let [intervals, defined] = [0, 0];
    fc.assert(
      fc.property(table(2, 20), ([x, y]) => {
        const { coefficient, interval, pValue, undefinedBecause } = test(x, y, { p: 'approximate' });
        if (undefinedBecause) return;
        expect(pValue).toBeGreaterThanOrEqual(0);
        expect(pValue).toBeLessThanOrEqual(1);
        defined++;
        if (interval) {
          intervals++;
          expect(interval.low <= coefficient && coefficient <= interval.high).toBe(true);
        }
        const greater = test(x, y, { alternative: 'greater', p: 'approximate' }).pValue;
        const less = test(x, y, { alternative: 'less', p: 'approximate' }).pValue;
        expect(2 * Math.min(greater, less)).toBeCloseTo(pValue, 10);
      }),
      { seed },
    );
    // What is never reached proves nothing.
    expect(defined).toBeGreaterThan(90);
    expect(intervals).toBeGreaterThan(90);
  });

  it('left out row by row is the coefficient of the other rows', () => {
    let reached = 0;
    fc.assert(
      fc.property(table(2, 9), fc.integer({ min: 0, max: 8 }), ([x, y], row) => {
        if (Number.isNaN(x[row]) || Number.isNaN(y[row])) return;
        reached++;
        const without = (values: Float64Array) => values.filter((_, i) => i !== row);
        const wanted = test(without(x), without(y)).coefficient;
        const got = influence(x, y, { method }).leaveOneOut[row];
        if (Number.isNaN(wanted)) expect(got).toBeNaN();
        else expect(got).toBeCloseTo(wanted, 11);
      }),
      { seed },
    );
    expect(reached).toBeGreaterThan(60);
  });
});

test.each(['spearman', 'kendall'] as const)('%s does not change under monotone change of a variable', (method) => {
  fc.assert(
    fc.property(table(2), ([x, y]) => {
      const before = SINGLE[method](x, y);
      const after = SINGLE[method](
        x.map((value) => Math.exp(value) * 1e-200),
        y.map((value) => value ** 3 * 1e150),
      );
      expect(after).toEqual(before);
    }),
    { seed },
  );
});

test('matrices under listwise deletion have no eigenvalue below zero', () => {
  let reached = 0;
  fc.assert(
    fc.property(table(5, 25), fc.constantFrom('pearson' as const, 'spearman' as const), (columns, method) => {
      const { coefficient } = correlationMatrix(columns, { method, missing: 'listwise' });
      if (coefficient.some(Number.isNaN)) return;
      reached++;
      expect(symmetricEigen(coefficient, 5).values[4]).toBeGreaterThanOrEqual(-1e-12 * 5);
    }),
    { seed },
  );
  expect(reached).toBeGreaterThan(60);
});

test('VIF is 1 at least, and infinite only within a named dependence', () => {
  fc.assert(
    fc.property(table(3, 20), (columns) => {
      const { vif, dependentSets } = varianceInflation(columns);
      for (const value of vif) if (!Number.isNaN(value)) expect(value).toBeGreaterThanOrEqual(1 - 1e-12);
      if (vif.some((value) => value === Number.POSITIVE_INFINITY)) expect(dependentSets.length).toBeGreaterThan(0);
    }),
    { seed },
  );
});

test('adjusted p-values are not below the plain ones, keep their order, and are stricter by Bonferroni than by Holm', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 30 }), (p) => {
      const adjusted = (['bonferroni', 'holm', 'hochberg', 'benjamini-hochberg', 'benjamini-yekutieli'] as Adjustment[]).map((kind) =>
        adjustPValues(p, kind),
      );
      const order = p.map((_, i) => i).sort((a, b) => p[a] - p[b]);
      for (const values of adjusted) {
        values.forEach((value, i) => {
          expect(value).toBeGreaterThanOrEqual(p[i] - 1e-15);
          expect(value).toBeLessThanOrEqual(1);
        });
        order.forEach((i, rank) => {
          if (rank > 0) expect(values[i]).toBeGreaterThanOrEqual(values[order[rank - 1]] - 1e-15);
        });
      }
      const [bonferroni, holm, hochberg, bh] = adjusted;
      p.forEach((_, i) => {
        expect(bonferroni[i] + 1e-15 >= holm[i] && holm[i] + 1e-15 >= hochberg[i] && hochberg[i] + 1e-15 >= bh[i]).toBe(true);
      });
    }),
    { seed },
  );
});

test('squared distances of n rows from their mean add up to p(n − 1)', () => {
  fc.assert(
    fc.property(table(3, 20), (columns) => {
      const distances = mahalanobis(columns).filter((distance) => !Number.isNaN(distance));
      if (distances.length === 0) return;
      expect(distances.reduce((sum, distance) => sum + distance, 0)).toBeCloseTo(3 * (distances.length - 1), 8);
    }),
    { seed },
  );
});

test('two groups: Q is z squared, and the interval of the difference contains it', () => {
  const r = fc.double({ min: -0.99, max: 0.99, noNaN: true });
  const n = fc.integer({ min: 5, max: 500 });
  fc.assert(
    fc.property(r, n, r, n, fc.constantFrom(...METHODS), (r1, n1, r2, n2, method) => {
      const got = compareIndependent(
        [
          { coefficient: r1, n: n1 },
          { coefficient: r2, n: n2 },
        ],
        { method },
      );
      expect(got.q).toBeCloseTo(got.z ** 2, 8);
      expect(got.interval && got.interval.low <= r1 - r2 && r1 - r2 <= got.interval.high).toBe(true);
    }),
    { seed },
  );
});
