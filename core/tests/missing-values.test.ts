import { describe as describeColumn, gapEffects, littleTest, maximumLikelihood, pearson, remediedTest, testLikelihood } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';
import { expectFigure } from './accuracy';

const NONE = Number.NaN;
const x = Float64Array.from({ length: 12 }, (_, i) => i + 1);
const y = Float64Array.of(2, 1, 4, 3, 7, 5, 6, 9, NONE, NONE, NONE, NONE);
const observed = y.filter((value) => value === value);

/** Anderson (1957): with y missing where x is there, regress y on x where both are, and read μ and σ² of y off the line at all x. */
function closedForm() {
  const [a, b] = [x.subarray(0, 8), observed];
  const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const product = (u: Float64Array, v: Float64Array) =>
    u.reduce((sum, value, i) => sum + (value - mean(u)) * ((v[i] ?? 0) - mean(v)), 0) / u.length;
  const slope = product(a, b) / product(a, a);
  const rest = product(b, b) - slope * product(a, b);
  const [muX, varX] = [mean(x), product(x, x)];
  const varY = rest + slope * slope * varX;
  return { mean: mean(b) + slope * (muX - mean(a)), variance: varY, r: (slope * Math.sqrt(varX)) / Math.sqrt(varY) };
}

describe('maximum likelihood of a pair with gaps in one', () => {
  const found = maximumLikelihood([x, y]);
  it('is the closed form of Anderson (1957)', () => {
    const wanted = closedForm();
    expectFigure('maximumLikelihood', 'Anderson (1957), closed form', found.means[1] ?? NONE, wanted.mean, 1e-9);
    expectFigure('maximumLikelihood', 'Anderson (1957), closed form', found.variances[1] ?? NONE, wanted.variance, 1e-9);
    expectFigure('maximumLikelihood', 'Anderson (1957), closed form', found.coefficient[1] ?? NONE, wanted.r, 1e-9);
    expect([wanted.mean, wanted.variance, wanted.r].map((value) => value.toFixed(7))).toEqual(['6.5535714', '12.4333546', '0.9440369']);
  });

  it('has the standard error of the observed information (numerically by scipy, five digits)', () => {
    const rows = 1 / (found.zVariance[1] ?? NONE) + 3;
    const se = Math.sqrt(1 / rows);
    expectFigure('maximumLikelihood', 'scipy, numerical second derivatives', se, 0.35171, 2e-5);
    const { z, df, pValue, interval, n } = testLikelihood(found, 0, 1);
    expect(z).toBeCloseTo(Math.atanh(0.9440369) * Math.sqrt(1 / 0.35171 ** 2 - 3), 3);
    expect(df).toBeCloseTo((1 / 0.35171 ** 2 - 3) / (1 - 1 / 0.35171 ** 2 / 12), 2);
    // By scipy: the upper 2.5 % of t with 15.58 degrees of freedom, and twice the tail of z with them.
    expect(interval?.low).toBeCloseTo(Math.tanh(Math.atanh(0.9440369) - 2.12456 / Math.sqrt(1 / 0.35171 ** 2 - 3)), 3);
    expect(pValue).toBeCloseTo(0.001083, 5);
    expect([n, interval?.method]).toEqual([12, 'maximum-likelihood']);
  });

  it('Little’s test: d², df, p, and the value with divisor n', () => {
    const { statistic, df, pValue, patterns, n } = littleTest([x, y]);
    expectFigure('littleTest', 'Little (1988), worked with scipy', statistic, 7.3846154, 1e-7);
    expectFigure('littleTest', 'Little (1988), worked with scipy', pValue, 0.006578414, 1e-6);
    expect([df, patterns, n]).toEqual([1, 2, 12]);
    expect((statistic * 12) / 11).toBeCloseTo(8.0559441, 6);
  });
});

/** n rows of three correlated normals; each value gone with a probability. */
function sample(random: Random, n: number, gone: number): Float64Array[] {
  const columns = [0, 1, 2].map(() => new Float64Array(n));
  for (let i = 0; i < n; i++) {
    const common = random.normal();
    for (const [j, column] of columns.entries()) column[i] = common * (j === 2 ? -0.8 : 0.8) + random.normal();
  }
  for (const column of columns) for (let i = 0; i < n; i++) if (random.uniform() < gone) column[i] = NONE;
  return columns;
}

describe('maximum likelihood of several variables', () => {
  it('is Pearson’s r with Fisher’s interval where nothing is missing', () => {
    const columns = sample(new Random(3), 40, 0);
    const found = maximumLikelihood(columns);
    expect(found.converged).toBe(true);
    for (const [i, j] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ] as const) {
      const plain = pearson(columns[i] ?? x, columns[j] ?? x);
      const { coefficient, interval } = testLikelihood(found, i, j);
      expectFigure('maximumLikelihood', 'pearson without gaps', coefficient, plain.coefficient, 1e-10);
      expectFigure('testLikelihood', 'pearson without gaps', interval?.low ?? NONE, plain.interval?.low, 1e-9);
      expectFigure('testLikelihood', 'pearson without gaps', interval?.high ?? NONE, plain.interval?.high, 1e-9);
    }
    expect(littleTest(columns)).toMatchObject({ statistic: NONE, df: 0, pValue: NONE, patterns: 1 });
  });

  it('stands at a maximum: no step of a mean or a covariance makes what is there more likely', () => {
    const columns = sample(new Random(4), 60, 0.25);
    const { means, variances, coefficient } = maximumLikelihood(columns);
    const covariance = Float64Array.from(
      coefficient,
      (r, at) => r * Math.sqrt((variances[Math.floor(at / 3)] ?? 0) * (variances[at % 3] ?? 0)),
    );
    const best = logLikelihood(columns, means, covariance);
    for (let j = 0; j < 3; j++) {
      for (const step of [-0.01, 0.01]) {
        expect(
          logLikelihood(
            columns,
            means.map((value, k) => value + (k === j ? step : 0)),
            covariance,
          ),
        ).toBeLessThan(best);
        for (let k = 0; k <= j; k++) {
          const moved = covariance.slice();
          moved[3 * j + k] = moved[3 * k + j] = (covariance[3 * j + k] ?? 0) + step;
          expect(logLikelihood(columns, means, moved)).toBeLessThan(best);
        }
      }
    }
  });

  it('does not depend on unit or place, and turns its sign with a variable', () => {
    const columns = sample(new Random(5), 50, 0.2);
    const other = columns.map((column, j) => column.map((value) => (j === 1 ? -1e-4 * value : 1e9 + 1000 * value)));
    const [a, b] = [maximumLikelihood(columns), maximumLikelihood(other)];
    for (const [at, sign] of [
      [1, -1],
      [2, 1],
      [5, -1],
    ] as const) {
      expect(b.coefficient[at]).toBeCloseTo(sign * (a.coefficient[at] ?? NONE), 7);
      expect(b.zVariance[at]).toBeCloseTo(a.zVariance[at] ?? NONE, 6);
    }
  });

  it('uses rows that have one value only, and leaves out those of nothing', () => {
    const columns = sample(new Random(6), 30, 0.3);
    const some = columns.map((column) => Float64Array.from([...column, NONE, NONE]));
    expect(maximumLikelihood(some)).toEqual(maximumLikelihood(columns));
  });

  test.each([0, 0.4])(
    'its intervals hold a correlation of %d about as often as they say, also where what is missing depends on the other',
    (rho) => {
      const random = new Random(77);
      let holds = 0;
      const samples = 400;
      for (let s = 0; s < samples; s++) {
        const [a, b] = [new Float64Array(80), new Float64Array(80)];
        for (let i = 0; i < 80; i++) {
          a[i] = random.normal();
          b[i] = rho * (a[i] ?? 0) + Math.sqrt(1 - rho * rho) * random.normal();
          // Missing at random: by what is there of the other.
          if ((a[i] ?? 0) > 0.5 && random.uniform() < 0.7) b[i] = NONE;
        }
        const { interval } = testLikelihood(maximumLikelihood([a, b]), 0, 1);
        if (interval && interval.low <= rho && rho <= interval.high) holds++;
      }
      // Three standard errors of 400 samples are 3.3 %.
      expect(holds / samples).toBeGreaterThan(0.915);
      expect(holds / samples).toBeLessThan(0.985);
    },
  );

  it.each([
    ['a variable that does not vary', [x, new Float64Array(12).fill(3)], 'constant'],
    ['a variable with one value', [x, Float64Array.from(x, (_, i) => (i === 0 ? 1 : NONE))], 'constant'],
    ['three rows', [x.subarray(0, 3), observed.subarray(0, 3)], 'too-few-cases'],
  ] as const)('says why there is nothing: %s', (_, columns, because) => {
    const found = maximumLikelihood(columns);
    expect([found.undefinedBecause, found.coefficient[1], found.converged]).toEqual([because, NONE, false]);
    expect(littleTest(columns).pValue).toBe(NONE);
  });

  it('says that it did not settle, and gives no variance where the pair is exact or never seen together', () => {
    expect(maximumLikelihood([x, y], { iterations: 3 })).toMatchObject({ converged: false, iterations: 3 });
    const exact = maximumLikelihood([x, x.map((value) => 2 * value + 1)]);
    expect(Math.abs((exact.coefficient[1] ?? 0) - 1)).toBeLessThan(1e-9);
    expect(testLikelihood(exact, 0, 1).interval).toBeNull();
    expect(() => maximumLikelihood([])).toThrow(RangeError);
    expect(() => maximumLikelihood([x, observed])).toThrow(RangeError);
  });
});

describe('what gaps may do', () => {
  const z = Float64Array.from(x, (value, i) => (i % 4 === 1 ? NONE : 20 - value + ((i * 5) % 7)));

  it('is each of three ways by itself, and how far they are apart', () => {
    const found = gapEffects([x, y, z]);
    expect(found.completeRows).toBe([...x.keys()].filter((i) => i < 8 && i % 4 !== 1).length);
    const likely = maximumLikelihood([x, y, z]);
    for (const { i, j, ...pair } of found.pairs) {
      const columns = [x, y, z];
      const [a, b] = [columns[i] ?? x, columns[j] ?? x];
      const whole = (column: Float64Array) => column.filter((_, row) => columns.every((other) => !Number.isNaN(other[row])));
      const ways = [pearson(a, b).coefficient, pearson(whole(a), whole(b)).coefficient, testLikelihood(likely, i, j).coefficient];
      expect([pair.pairwise, pair.listwise, pair.likely]).toEqual(ways);
      expect(pair.apart).toBe(Math.max(...ways) - Math.min(...ways));
    }
    expect(found.pairs.map(({ i, j }) => [i, j])).toEqual([
      [0, 1],
      [0, 2],
      [1, 2],
    ]);
  });

  it('is nothing where nothing is missing: the SD is the SD, the ways are one', () => {
    const full = gapEffects([x, z.map((value, i) => (Number.isNaN(value) ? i : value))]);
    expect(full.variables[0]?.likelySd).toBeCloseTo(describeColumn(x).sd, 10);
    expect(full.pairs[0]?.apart).toBeLessThan(1e-10);
    expect(full.little.statistic).toBeNaN();
  });

  it('tells how far the ways are apart of those that there are', () => {
    const never = Float64Array.from(y, (value, i) => (Number.isNaN(value) ? i : NONE));
    const [pair] = gapEffects([y, never]).pairs;
    expect([pair?.pairwise, pair?.listwise, pair?.apart]).toEqual([NONE, NONE, NONE]);
  });
});

/** Of what is there, by densities of one, two or three normals written out. */
function logLikelihood(columns: readonly Float64Array[], means: Float64Array, covariance: Float64Array): number {
  let sum = 0;
  for (let row = 0; row < (columns[0]?.length ?? 0); row++) {
    const there = [0, 1, 2].filter((j) => !Number.isNaN(columns[j]?.[row]));
    const d = there.map((j) => (columns[j]?.[row] ?? 0) - (means[j] ?? 0));
    const s = there.map((i) => there.map((j) => covariance[3 * i + j] ?? 0));
    // Gaussian elimination: the determinant from the pivots, the quadratic form from the reduced right side.
    for (let k = 0; k < there.length; k++) {
      const pivot = s[k]?.[k] ?? 0;
      sum -= 0.5 * (Math.log(pivot) + (d[k] ?? 0) ** 2 / pivot);
      for (let i = k + 1; i < there.length; i++) {
        const factor = (s[i]?.[k] ?? 0) / pivot;
        d[i] = (d[i] ?? 0) - factor * (d[k] ?? 0);
        for (let j = k; j < there.length; j++) (s[i] as number[])[j] = (s[i]?.[j] ?? 0) - factor * (s[k]?.[j] ?? 0);
      }
    }
  }
  return sum;
}

describe('a likelihood without a top', () => {
  // Three rows are shared, on a line; the others have one of the two.
  const x = Float64Array.of(1, 2, 3, 5, 8, 6, Number.NaN, Number.NaN, Number.NaN);
  const y = Float64Array.of(2, 4, 6, Number.NaN, Number.NaN, Number.NaN, 1, 9, 7);
  const z = Float64Array.from(x, (_, i) => Math.sin(3 * i));

  it('of shared rows on a line is degenerate, not converged', () => {
    expect(maximumLikelihood([x, y])).toMatchObject({ degenerate: true, converged: false });
    const test = remediedTest(x, y, { kind: 'maximum-likelihood' }, { method: 'pearson' });
    expect(test).toMatchObject({ coefficient: 1, degenerate: true, interval: null });
    expect(test.undefinedBecause).toBeUndefined();
    expect(test.pValue).toBeNaN();
    const falling = remediedTest(
      x,
      y.map((value) => -value),
      { kind: 'maximum-likelihood' },
      { method: 'pearson' },
    );
    expect(falling).toMatchObject({ coefficient: -1, degenerate: true });
  });

  it('leaves no coefficient for the other pairs of the same set', () => {
    const likelihood = maximumLikelihood([x, y, z]);
    expect(likelihood.degenerate).toBe(true);
    const test = remediedTest(x, z, { kind: 'maximum-likelihood', found: { all: likelihood, i: 0, j: 2 } }, { method: 'pearson' });
    expect([test.coefficient, test.undefinedBecause]).toEqual([Number.NaN, 'does-not-settle']);
  });

  it('of complete columns nearly on a line has its top', () => {
    const near = Float64Array.from({ length: 12 }, (_, i) => i + 1e-5 * Math.sin(9 * i));
    const found = maximumLikelihood([Float64Array.from(near, (_, i) => i), near]);
    expect([found.converged, found.degenerate]).toEqual([true, undefined]);
    expect(found.coefficient[1]).toBeLessThan(1);
  });
});
