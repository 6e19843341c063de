import {
  countMarks,
  EVANS,
  formatCoefficient,
  formatFixed,
  formatFullP,
  formatInterval,
  formatP,
  formatPRelation,
  pairSentence,
  partialCorrelation,
  pearson,
  strengthWord,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';

test.each([
  [0.0004, '< .001'],
  [0, '< .001'],
  [0.9999, '> .999'],
  [1, '> .999'],
  [0.031, '.031'],
  [0.0496, '.0496'],
  [0.04996, '.04996'],
  [0.0504, '.0504'],
  [0.05, '.050'],
  [0.00996, '.00996'],
  [0.001, '.001'],
  [Number.NaN, '–'],
])('formatP(%d) is %s', (p, text) => expect(formatP(p)).toBe(text));

test.each([
  [-0.423, 2, '−.42'],
  [-0.001, 2, '.00'],
  [0.999, 2, '> .99'],
  [-0.9996, 3, '< −.999'],
  [1, 2, '1.00'],
  [-1, 2, '−1.00'],
  [Number.NaN, 2, '–'],
])('formatCoefficient(%d, %d) is %s', (value, decimals, text) => expect(formatCoefficient(value, decimals)).toBe(text));

test('numbers, intervals, full p-values and marks', () => {
  expect(formatFixed(-0.004, 2)).toBe('0.00');
  expect(formatFixed(-12.345, 1)).toBe('−12.3');
  expect(formatInterval(-0.521, 0.3)).toBe('[−.52, .30]');
  expect(formatFullP(3.14e-37, Math.log10(3.14e-37))).toBe('3.1 × 10⁻³⁷');
  expect(formatFullP(0, -438.22)).toBe('6.0 × 10⁻⁴³⁹');
  expect(formatFullP(0.03125, Math.log10(0.03125))).toBe('.03125');
  expect(formatPRelation(0.2)).toBe('p = .200');
  expect(formatPRelation(0.2, [0.05], 2)).toBe('p = .20');
  expect(formatPRelation(0.00001)).toBe('p < .001');
  expect([0.05, 0.0500001, 0.0001].map((p) => countMarks(p, [0.05, 0.01, 0.001]))).toEqual([1, 0, 3]);
  expect([0.5, -0.4999, 0.1, 0.0999].map((r) => strengthWord(r))).toEqual(['large', 'medium', 'small', 'negligible']);
  expect([0.8, -0.6, 0.4, 0.2, 0.1999].map((r) => strengthWord(r, { scale: EVANS }))).toEqual([
    'very strong',
    'strong',
    'moderate',
    'weak',
    'very weak',
  ]);
  // sin(π/6) = ½: a τ of one third is as strong as an r of one half.
  expect([1 / 3 + 1e-9, 1 / 3 - 1e-3].map((tau) => strengthWord(tau, { method: 'kendall' }))).toEqual(['large', 'medium']);
});

describe('the result sentence', () => {
  const nitrate = { name: 'nitrate', highMeans: null };
  const taxa = { name: 'mayfly taxa', highMeans: 'cleaner water' };
  const x = Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8);

  it('tells direction, figures, size and shared variance, and never a cause', () => {
    const y = Float64Array.of(9, 8, 8, 6, 7, 3, 4, 1);
    const sentence = pairSentence(pearson(x, y), nitrate, taxa, 0.05);
    expect(sentence).toBe(
      'There was a negative association of nitrate with mayfly taxa, r(6) = −.93, 95 % CI [−.99, −.66], p < .001 ' +
        '(large; 87 % of variance shared): higher nitrate goes with lower mayfly taxa (high values mean cleaner water).',
    );
  });

  it('says that nothing was detected above the level, and which side was asked for', () => {
    const y = Float64Array.of(1, 5, 2, 6, 1, 4, 2, 5);
    const sentence = pairSentence(pearson(x, y, { alternative: 'less' }), nitrate, taxa, 0.05);
    expect(sentence).toMatch(/^No negative association between nitrate and mayfly taxa was detected, r\(6\) = \.\d\d, 95 % CI/);
    expect(sentence).toContain(', one-sided.');
  });

  it('decides by an adjusted p where there is one, and calls it so', () => {
    const y = Float64Array.of(9, 8, 8, 6, 5, 5, 2, 3);
    expect(pairSentence(pearson(x, y), nitrate, taxa, 0.05, { adjustedP: 0.2 })).toMatch(/^No association .* p = \.200, adjusted\.$/);
    expect(pairSentence(pearson(x, y), nitrate, taxa, 0.05, { adjustedP: 0.012 })).toContain(', p = .012, adjusted (');
  });

  it('says what a partial correlation holds constant, with its own degrees of freedom and no share of variance', () => {
    const z = Float64Array.of(2, 1, 4, 3, 6, 5, 8, 7);
    const y = Float64Array.of(9, 8, 8, 6, 5, 5, 2, 3);
    const sentence = pairSentence(partialCorrelation(x, y, [z], { method: 'pearson' }), nitrate, taxa, 0.05, { held: ['slope', 'flow'] });
    expect(sentence).toMatch(/^With slope and flow held constant, (there was a negative association of nitrate with|no association)/);
    expect(sentence).toContain('r(5) = ');
    expect(sentence).not.toContain('variance shared');
    const tau = pairSentence(partialCorrelation(x, y, [z], { method: 'kendall', replicates: 99 }), nitrate, taxa, 0.05, {
      held: ['slope'],
    });
    expect(tau).toContain('there is no test of this coefficient');
  });

  it('gives the reason where there is no coefficient', () => {
    expect(
      pairSentence(
        pearson(
          x,
          x.map(() => 1),
        ),
        nitrate,
        taxa,
        0.05,
      ),
    ).toContain('mayfly taxa has the same value');
    expect(pairSentence(pearson(x.slice(0, 1), x.slice(0, 1)), nitrate, taxa, 0.05)).toContain('only 1 row is complete');
  });
});

describe('strength at the very bounds', () => {
  it('are inclusive, also where τ reaches them by sin(πτ/2)', () => {
    expect(strengthWord(1 / 3, { method: 'kendall' })).toBe('large');
    expect(strengthWord(1 / 3 - 1e-9, { method: 'kendall' })).toBe('medium');
    expect([0.1, 0.3, 0.5].map((r) => strengthWord(-r))).toEqual(['small', 'medium', 'large']);
    expect(strengthWord(0.5 - 1e-12)).toBe('medium');
  });
});

it.each([
  // Two decimals, and more where a level is near or two would say nothing.
  [0.2345, 2, '.23'],
  [0.0496, 2, '.0496'],
  [0.004, 2, '.004'],
  [0.0004, 2, '< .001'],
  [0.996, 2, '> .99'],
  // Four.
  [0.2345, 4, '.2345'],
  [0.0004, 4, '.0004'],
  [0.00004, 4, '< .0001'],
  [0.99996, 4, '> .9999'],
  [Number.NaN, 4, '–'],
  [0, 2, '< .001'],
  [1, 2, '> .99'],
] as const)('p = %d to %d decimals is %s', (p, decimals, text) => expect(formatP(p, undefined, decimals)).toBe(text));

it('a level below .001 of one’s own is told apart', () => {
  expect(formatP(0.0005, [0.05, 0.0001])).toBe('.0005');
  expect(formatP(0.00005, [0.05, 0.0001])).toBe('< .0001');
});
