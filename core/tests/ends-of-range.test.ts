import {
  clusterOrder,
  collinearity,
  correlationMatrix,
  describe as describeVariable,
  doornikHansen,
  equivalenceTest,
  generalizedVif,
  henzeZirkler,
  linearModel,
  mahalanobis,
  mardia,
  normalQuantiles,
  pearson,
  varianceInflation,
} from '@ivlen/core';
import { afterEach, describe, expect, it, test, vi } from 'vitest';
import { chiSquaredP } from '../src/distributions/chi-squared';
import { fP } from '../src/distributions/f-distribution';
import { logUpperGamma } from '../src/distributions/incomplete-gamma';
import { normalQuantile, normalUpperTail } from '../src/distributions/normal';
import { studentP, studentUpperQuantile } from '../src/distributions/student-t';
import { normalP } from '../src/distributions/tail-probability';
import { Random } from '../src/random/random';

const none = { pValue: Number.NaN, log10P: Number.NaN };

describe('distributions answer NaN to what is no statistic or no degrees of freedom', () => {
  it.each([0, -1, Number.NaN, Number.NEGATIVE_INFINITY])('df = %d', (df) => {
    expect(studentP(2, df)).toEqual(none);
    expect(studentP(2, df, 'greater')).toEqual(none);
    expect(studentUpperQuantile(0.025, df)).toBeNaN();
    expect(fP(2, df, 10)).toEqual(none);
    expect(fP(2, 10, df)).toEqual(none);
    expect(chiSquaredP(2, df)).toEqual(none);
  });

  it('a NaN statistic is no p of 0', () => {
    for (const alternative of ['two-sided', 'greater', 'less'] as const) {
      expect(studentP(Number.NaN, 10, alternative)).toEqual(none);
      expect(normalP(Number.NaN, alternative)).toEqual(none);
    }
    expect(fP(Number.NaN, 2, 10)).toEqual(none);
    expect(chiSquaredP(Number.NaN, 2)).toEqual(none);
  });

  it.each([0, 1, -0.1, 1.1, Number.NaN])('no quantile of t for a tail of %d', (tail) => expect(studentUpperQuantile(tail, 10)).toBeNaN());

  it('infinite statistics have p of 0 or 1, and the logarithm says so', () => {
    expect(studentP(Number.POSITIVE_INFINITY, 5)).toEqual({ pValue: 0, log10P: Number.NEGATIVE_INFINITY });
    expect(studentP(Number.NEGATIVE_INFINITY, 5, 'greater').pValue).toBe(1);
    expect(fP(Number.POSITIVE_INFINITY, 2, 5)).toEqual({ pValue: 0, log10P: Number.NEGATIVE_INFINITY });
    expect(fP(0, 2, 5).pValue).toBe(1);
    expect(chiSquaredP(0, 3).pValue).toBe(1);
    expect(normalUpperTail(Number.NEGATIVE_INFINITY)).toBe(1);
  });

  it('fractional degrees of freedom, as of Welch’s kind, lie between the whole ones', () => {
    const [lower, middle, upper] = [4, 4.5, 5].map((df) => studentP(2.5, df).pValue);
    expect(lower > middle && middle > upper).toBe(true);
    expect(studentP(studentUpperQuantile(0.025, 4.5), 4.5).pValue).toBeCloseTo(0.05, 12);
  });

  it('beyond where gammainc of the library is wrong, χ² keeps its digits', () => {
    // χ² of df degrees of freedom is near normal there (Wilson & Hilferty 1931).
    for (const df of [1500, 5000]) {
      const statistic = df + 3 * Math.sqrt(2 * df);
      const h = 2 / (9 * df);
      const near = normalUpperTail((Math.cbrt(statistic / df) - 1 + h) / Math.sqrt(h));
      expect(chiSquaredP(statistic, df).pValue / near).toBeCloseTo(1, 2);
    }
    expect(logUpperGamma(1, 3000)).toBeCloseTo(-3000, 9);
  });
});

describe('one column alone', () => {
  const random = new Random(4);
  const x = Float64Array.from({ length: 30 }, () => random.normal());
  const y = x.map((value) => 2 * value + random.normal());

  it('as the only predictor has VIF 1, and its t² is F', () => {
    expect([...varianceInflation([x]).vif]).toEqual([expect.closeTo(1, 14)]);
    const model = linearModel(y, [x]);
    expect(model.t[1] ** 2).toBeCloseTo(model.f, 8);
    expect(model.pValues[1]).toBeCloseTo(pearson(x, y).pValue, 14);
    expect(model.part[0]).toBeCloseTo(pearson(x, y).coefficient, 12);
    expect(model.partial[0]).toBeCloseTo(pearson(x, y).coefficient, 12);
    expect(model.standardized[0]).toBeCloseTo(pearson(x, y).coefficient, 12);
    const single = collinearity([x]);
    expect(single.determinant).toBeCloseTo(1, 14);
    expect([...single.eigenvalues]).toEqual([expect.closeTo(1, 14)]);
    expect([...generalizedVif([[x]]).gvif]).toEqual([expect.closeTo(1, 12)]);
  });

  it('in a matrix is the diagonal; in an order it is the order', () => {
    for (const method of ['pearson', 'spearman', 'kendall'] as const)
      expect([...correlationMatrix([x], { method, missing: 'pairwise' }).coefficient]).toEqual([1]);
    expect(clusterOrder(Float64Array.of(1))).toEqual([0]);
  });

  it('has joint tests and distances that are those of one variable', () => {
    const { mean, sd } = describeVariable(x);
    expect([...mahalanobis([x])].map((distance) => distance)).toEqual(
      [...x].map((value) => expect.closeTo(((value - mean) / sd) ** 2, 10)),
    );
    const joint = mardia([x]);
    expect(joint.skewness.statistic).toBeGreaterThanOrEqual(0);
    expect(joint.skewness.df).toBe(1);
    expect(Number.isFinite(henzeZirkler([x]).pValue)).toBe(true);
    expect(Number.isFinite(doornikHansen([x]).pValue)).toBe(true);
  });
});

describe('doubles near their largest', () => {
  const random = new Random(5);
  const noise = Float64Array.from({ length: 40 }, () => random.normal());
  const other = noise.map((value) => 0.5 * value + random.normal());

  it.each([1e300, 1e305, 3e307])('times %d coefficients stay as they are, and means and SDs are finite', (size) => {
    const large = noise.map((value) => value * size * 0.1);
    expect(pearson(large, other).coefficient).toBeCloseTo(pearson(noise, other).coefficient, 13);
    const found = describeVariable(large);
    const plain = describeVariable(noise);
    expect(found.mean / (plain.mean * size * 0.1)).toBeCloseTo(1, 12);
    expect(found.sd / (plain.sd * size * 0.1)).toBeCloseTo(1, 12);
    expect(found.skewness).toBeCloseTo(plain.skewness, 11);
    expect(linearModel(large, [other]).r2).toBeCloseTo(linearModel(noise, [other]).r2, 12);
  });

  it('beside ordinary ones in a matrix leave no infinite coefficient', () => {
    const { coefficient } = correlationMatrix([noise.map((value) => value * 1e306), other, noise], {
      method: 'pearson',
      missing: 'pairwise',
    });
    expect(coefficient[2]).toBeCloseTo(1, 13);
    expect(coefficient.every(Number.isFinite)).toBe(true);
  });
});

describe('a machine without the kernel', () => {
  afterEach(() => {
    vi.unstubAllGlobals();
    vi.resetModules();
  });

  it('computes the same matrix in plain loops', async () => {
    const random = new Random(6);
    const columns = Array.from({ length: 9 }, () =>
      Float64Array.from({ length: 4000 }, (_, i) => (i % 31 === 7 ? Number.NaN : random.normal())),
    );
    const fast = correlationMatrix(columns, { method: 'pearson', missing: 'pairwise' });
    vi.stubGlobal('WebAssembly', {
      Module: class {
        constructor() {
          throw new Error('no SIMD here');
        }
      },
    });
    vi.resetModules();
    const kernel = await import('../src/kernels/gram');
    expect(kernel.shiftedProductsBySimd(columns, new Float64Array(9))).toBeNull();
    const { correlationMatrix: plainly } = await import('../src/correlation/correlation-matrix');
    const plain = plainly(columns, { method: 'pearson', missing: 'pairwise' });
    expect(plain.n).toEqual(fast.n);
    plain.coefficient.forEach((value, at) => {
      expect(Math.abs(value - fast.coefficient[at])).toBeLessThan(1e-13);
    });
  });
});

describe('bounds of equivalence', () => {
  it.each([0, 1, -0.1, 1.2, Number.NaN])('%d is none', (bound) =>
    expect(() => equivalenceTest({ coefficient: 0.1, n: 50 }, bound)).toThrow(RangeError),
  );

  it('the larger of two one-sided p decides, and turns at the bound that is near', () => {
    const near = equivalenceTest({ coefficient: 0.15, n: 400 }, 0.2);
    expect(near.pValue).toBe(near.upper.pValue);
    expect(near.lower.pValue).toBeLessThan(near.upper.pValue);
    const mirrored = equivalenceTest({ coefficient: -0.15, n: 400 }, 0.2);
    expect(mirrored.pValue).toBe(mirrored.lower.pValue);
    expect(mirrored.pValue).toBeCloseTo(near.pValue, 12);
    expect(equivalenceTest({ coefficient: 0.25, n: 400 }, 0.2).pValue).toBeGreaterThan(0.5);
    // (artanh .15 − artanh .2)·√397, by hand.
    expect(near.upper.z).toBeCloseTo((Math.atanh(0.15) - Math.atanh(0.2)) * Math.sqrt(397), 12);
  });
});

test.each([50, 150])('of normal samples of %d one in twenty leaves the simultaneous band', (n) => {
  const even = Float64Array.from({ length: n }, (_, i) => normalQuantile((i + 0.625) / (n + 0.25)));
  const { low, high } = normalQuantiles(even);
  const random = new Random(999);
  const samples = 6000;
  let outside = 0;
  for (let b = 0; b < samples; b++) {
    const sample = Float64Array.from({ length: n }, () => random.normal());
    const { mean, sd } = describeVariable(sample);
    sample.sort();
    if (sample.some((value, i) => (value - mean) / sd < low[i] || (value - mean) / sd > high[i])) outside++;
  }
  // Standard error .0028 of this sample, about as much of the band's own.
  expect(Math.abs(outside / samples - 0.05)).toBeLessThan(0.0125);
});
