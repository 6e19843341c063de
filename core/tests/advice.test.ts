import { adviseMethod, deviationsGivenOthers, jointVerdict, linearModel, mahalanobis, pairSentence, type spearman } from '@ivlen/core';
import { describe, expect, it } from 'vitest';

describe('advice on the method', () => {
  const plain = { name: 'nitrate', shape: null, ordinal: false };
  it.each([
    [plain, { ...plain, name: 'depth' }, 'pearson', 'Neither shape is marked, and r says most of a straight relation.'],
    [
      { ...plain, shape: 'skewed to the right' },
      { ...plain, name: 'depth', shape: 'heavy-tailed' },
      'spearman',
      'Nitrate is skewed to the right, and depth is heavy-tailed; ranks do not mind.',
    ],
    [
      { ...plain, shape: 'skewed to the right' },
      { ...plain, name: 'bank condition', ordinal: true },
      'kendall',
      'Bank condition is ordinal: the steps between values need not be equal, and there are ties.',
    ],
  ] as const)('%#: follows order, then shape, and says why', (x, y, method, because) => {
    expect(adviseMethod(x, y)).toEqual({ method, because });
  });
});

describe('the joint verdict', () => {
  const p = (pValue: number) => ({ pValue, log10P: Math.log10(pValue) });
  const options = { names: ['nitrate', 'depth', 'ph'], level: 0.05 };
  const all = { ...p(1e-9), n: 80 };

  it.each([
    [{ ...p(0.2), n: 80 }, [], 'No departure from joint normality detected.', null],
    [all, [undefined, undefined, undefined], 'Joint normality is rejected; which variable brings it is still being computed.', null],
    // The one to come could be the one that spares most.
    [all, [p(1e-8), p(0.3), undefined], 'Joint normality is rejected; which variable brings it is still being computed.', null],
    [all, [p(1e-8), p(0.3), p(1e-7)], 'Joint normality is rejected because of depth: without it no departure is detected.', 1],
    [all, [p(0.06), p(0.3), p(1e-7)], 'Joint normality is rejected; leaving out any one of nitrate or depth is enough, depth most.', 1],
    [
      { ...all, n: 1200 },
      [p(1e-8), p(1e-7), p(1e-3)],
      'Joint normality is rejected, and no single variable brings it: it still is without ph, which matters most. At n = 1,200 it rejects even trifles: look at the plot as well.',
      2,
    ],
    [{ pValue: Number.NaN, log10P: Number.NaN, n: 3 }, [], 'The test has no p here.', null],
  ] as const)('%#', (figures, without, words, leading) => {
    expect(jointVerdict(figures, without, options)).toMatchObject({ words, leading });
  });

  it('tells apart p-values too small to be numbers', () => {
    const tiny = (log10P: number) => ({ pValue: 0, log10P });
    expect(jointVerdict({ ...tiny(-500), n: 90 }, [tiny(-480), tiny(-390), tiny(-400)], options).leading).toBe(1);
  });
});

describe('deviations given the others', () => {
  const a = Float64Array.of(1, 2.5, 3, 4.5, 5, 6.2, 7.9, 8.1, Number.NaN);
  const b = Float64Array.of(2.2, 1.9, 3.8, 4.1, 5.5, 5.9, 7.1, 20, 1);
  const c = Float64Array.of(9, 1, 8, 2, 7, 3, 6, 4, 5);

  it('are the residuals of each column on the others, in SDs of what these leave open', () => {
    const rows = [7, 2, 8];
    const given = deviationsGivenOthers([a, b, c], rows);
    const columns = [a, b, c].map((column) => column.slice(0, 8));
    columns.forEach((y, j) => {
      const model = linearModel(
        y,
        columns.filter((_, k) => k !== j),
      );
      // Divisor n − 1, as the distances have it, where a regression has n − p − 1.
      const sd = Math.sqrt(model.residuals.reduce((sum, value) => sum + value * value, 0) / 7);
      for (const [place, row] of [7, 2].entries()) expect(given[place]?.[j]).toBeCloseTo((model.residuals[row] ?? 0) / sd, 10);
    });
    expect([...(given[2] ?? [])]).toEqual([Number.NaN, Number.NaN, Number.NaN]);
  });

  it('squared, are what a column adds to the squared distance of its row', () => {
    const [given] = deviationsGivenOthers([a, b, c], [7]);
    const [whole, without] = [mahalanobis([a, b, c]), mahalanobis([a, c])];
    expect((given?.[1] ?? 0) ** 2).toBeCloseTo((whole[7] ?? 0) - (without[7] ?? 0), 10);
  });

  it('do not exist for dependent columns', () => {
    expect(deviationsGivenOthers([a, a.map((value) => 2 * value)], [0])[0]?.every(Number.isNaN)).toBe(true);
  });
});

describe('the sentence of a rank coefficient', () => {
  const [x, y] = [
    { name: 'nitrate', highMeans: null },
    { name: 'mayfly taxa', highMeans: null },
  ];
  const test = (part: object) =>
    ({
      method: 'spearman',
      coefficient: -0.5132,
      n: 236,
      pValue: 1e-6,
      log10P: -6,
      pMethod: 't',
      statistic: null,
      alternative: 'two-sided',
      interval: { low: -0.6, high: -0.41, level: 0.95, method: 'bonett-wright' },
      ...part,
    }) as ReturnType<typeof spearman>;

  it('has degrees of freedom only where p is by t, and no share of variance', () => {
    expect(pairSentence(test({}), x, y, 0.05)).toBe(
      'Nitrate and mayfly taxa were negatively associated, ρ(234) = −.51, 95 % CI [−.60, −.41], p < .001 (large): higher nitrate goes with lower mayfly taxa.',
    );
    expect(pairSentence(test({ n: 9, pMethod: 'exact', pValue: 0.02, interval: null }), x, y, 0.05)).toContain(
      'ρ = −.51, n = 9, p = .020, exact (large)',
    );
  });

  it('judges τ by the r that it stands for, and says so', () => {
    expect(pairSentence(test({ method: 'kendall', coefficient: -0.36, pMethod: 'normal' }), x, y, 0.05)).toContain(
      'τ = −.36, n = 236, 95 % CI [−.60, −.41], p < .001 (large, judged by sin(πτ/2) = −.54)',
    );
  });
});
