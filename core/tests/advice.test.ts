import { adviseMethod, deviationsGivenOthers, jointVerdict, linearModel, mahalanobis, pairSentence, type spearman } from '@ivlen/core';
import { describe, expect, it } from 'vitest';

describe('advice on the method', () => {
  const plain = { name: 'PH', shape: null, ordinal: false };
  const other = { ...plain, name: 'Co2' };
  const skewed = { ...plain, shape: 'skewed to the right' };
  it.each<[string, Parameters<typeof adviseMethod>, string, string]>([
    ['nothing speaks against r', [plain, other], 'pearson', 'Neither shape is marked, and r says most of a straight relation.'],
    [
      'shape, in names as they are given',
      [skewed, { ...other, shape: 'heavy-tailed' }],
      'spearman',
      'Ranks do not mind that PH is skewed to the right, and that Co2 is heavy-tailed.',
    ],
    [
      'an order, before shape',
      [skewed, { ...other, ordinal: true }],
      'kendall',
      'The steps between the values of Co2 need not be equal, and there are ties.',
    ],
    [
      'Shapiro–Wilk below 50 rows',
      [{ ...plain, shapiroWilkP: 0.05 }, other, { n: 49 }],
      'spearman',
      'Shapiro–Wilk rejects normality of PH (p = .050), and at n = 49 nothing averages that out.',
    ],
    ['Shapiro–Wilk at 50 rows', [{ ...plain, shapiroWilkP: 0.0004 }, other, { n: 50 }], 'pearson', 'Neither'],
    ['Shapiro–Wilk that does not reject', [{ ...plain, shapiroWilkP: 0.0501 }, other, { n: 12 }], 'pearson', 'Neither'],
    ['Shapiro–Wilk before few values', [{ ...plain, shapiroWilkP: 0.01, distinct: 3 }, other, { n: 12 }], 'spearman', 'Shapiro–Wilk'],
    ['seven different values', [plain, { ...other, distinct: 7 }], 'kendall', 'Many ties: Co2 has 7 different values.'],
    ['eight different values', [plain, { ...other, distinct: 8 }], 'pearson', 'Neither'],
    ['few values before disagreement', [plain, { ...other, distinct: 7 }, { disagree: true }], 'kendall', 'Many ties'],
    ['r and ρ that differ', [plain, other, { disagree: true, oneRow: true }], 'spearman', 'Pearson’s r and Spearman’s ρ differ here'],
    ['one row', [plain, other, { oneRow: true }], 'spearman', 'One row carries r'],
  ])('%s', (_, given, method, because) => {
    const advice = adviseMethod(...given);
    expect(advice.method).toBe(method);
    expect(advice.because).toContain(because);
  });

  it('names τ beside ρ, with what speaks for it at this size', () => {
    expect(adviseMethod(skewed, other, { n: 60 }).also).toEqual({
      method: 'kendall',
      because: 'its p is exact for so few rows without ties',
    });
    expect(adviseMethod(skewed, other, { n: 61 }).also).toEqual({ method: 'kendall', because: 'its interval counts ties' });
    expect([adviseMethod(plain, other).also, adviseMethod(plain, { ...other, ordinal: true }).also]).toEqual([null, null]);
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

  it('names its test, and those that decide otherwise', () => {
    const kept = { ...p(0.2), n: 80 };
    const test = 'Mardia';
    const others = (...values: number[]) => values.map((pValue, i) => ({ name: ['Henze–Zirkler', 'Doornik–Hansen'][i] ?? '', pValue }));
    const words = (of: typeof kept, without: readonly { pValue: number; log10P: number }[], ...values: number[]) =>
      jointVerdict(of, without, { ...options, test, others: others(...values) }).words;
    expect(words(kept, [], 0.3, 0.051)).toBe('No departure from joint normality detected by Mardia.');
    expect(words(kept, [], 0.3, 0.05)).toBe(
      'No departure from joint normality detected by Mardia; but Doornik–Hansen rejects joint normality.',
    );
    expect(words(kept, [], 0.01, 0.02)).toBe(
      'No departure from joint normality detected by Mardia; but Henze–Zirkler and Doornik–Hansen reject joint normality.',
    );
    expect(words(all, [p(1e-8), p(0.3), p(1e-7)], 0.2, Number.NaN)).toBe(
      'Joint normality is rejected by Mardia because of depth: without it no departure is detected; but Henze–Zirkler detects none.',
    );
    expect(words({ pValue: Number.NaN, log10P: Number.NaN, n: 3 }, [], 0.01)).toBe('The test has no p here.');
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
      'There was a negative association of nitrate with mayfly taxa, ρ(234) = −.51, 95 % CI [−.60, −.41], p < .001 (large): higher nitrate goes with lower mayfly taxa.',
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
