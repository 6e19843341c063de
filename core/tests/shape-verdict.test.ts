import {
  density,
  describe as describeColumn,
  normalQuantiles,
  patternSentence,
  quantilePattern,
  shapeVerdict,
  shapiroWilk,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';

const random = new Random(41);
const sample = (n: number, value: (i: number) => number) => Float64Array.from({ length: n }, (_, i) => value(i));
const normal = () => random.normal();

function patternOf(x: Float64Array) {
  const distinct = new Set(x).size;
  return quantilePattern(normalQuantiles(x), { distinct, density: density(x) });
}

test.each([
  ['inside', () => sample(120, () => 5 + 2 * normal())],
  ['right-tail', () => sample(200, () => Math.exp(normal()))],
  ['left-tail', () => sample(200, () => -Math.exp(normal()))],
  ['heavy-tails', () => sample(400, () => normal() / Math.sqrt(random.uniform() * 0.9 + 0.05))],
  ['light-tails', () => sample(400, () => random.uniform())],
  ['two-humps', () => sample(300, (i) => (i % 2 === 0 ? 6 : 0) + normal())],
  ['steps', () => sample(200, () => Math.max(1, Math.min(5, Math.round(3.4 + normal()))))],
  ['outlier-high', () => sample(150, (i) => (i === 7 ? 74 : 7 + 0.2 * normal()))],
  ['outlier-low', () => sample(60, (i) => (i === 7 ? -9 : normal()))],
] as const)('the quantile plot’s pattern %s is found, and has a sentence', (pattern, make) => {
  expect(patternOf(make())).toBe(pattern);
  expect(patternSentence(pattern, 5).length).toBeGreaterThan(20);
});

describe('the verdict follows from rule and test', () => {
  const limits = { kind: 'limits', skewness: 2, excessKurtosis: 7 } as const;
  const verdictOf = (x: Float64Array, rule: Parameters<typeof shapeVerdict>[1]['rule'] = limits, level = 0.05) =>
    shapeVerdict(describeColumn(x), { rule, test: shapiroWilk(x), level });
  const statistics = { n: 100, min: 0, max: 9, skewness: 0, skewnessSe: 0.24, excessKurtosis: 0, excessKurtosisSe: 0.48 };
  const of = (part: Partial<typeof statistics>, p: number | null, rule: Parameters<typeof shapeVerdict>[1]['rule'] = limits) =>
    shapeVerdict(
      { ...statistics, ...part },
      { rule, test: p === null ? null : { statistic: 0.9, pValue: p, log10P: Math.log10(p), n: part.n ?? 100 }, level: 0.05 },
    );

  it.each([
    [{}, 0.4, 'no departure detected', false, false],
    [{}, null, 'within the rule', false, null],
    [{}, 0.05, 'within the rule, but the test rejects', false, true],
    [{ n: 5000 }, 1e-9, 'mild; at this n the test rejects even trifles', false, true],
    [{ n: 8 }, 0.4, 'no departure detected, but n = 8 shows only gross ones', false, false],
    [{ skewness: 2.4 }, 1e-9, 'skewed to the right', true, true],
    [{ skewness: -2.4 }, 1e-9, 'skewed to the left', true, true],
    [{ excessKurtosis: 8 }, 1e-9, 'heavy-tailed', true, true],
    [{ skewness: 3, excessKurtosis: 15 }, 1e-9, 'skewed to the right and heavy-tailed', true, true],
    [{ n: 9, skewness: 2.1 }, 0.06, 'skewed to the right, though the test does not reject: n = 9 is little', true, false],
    [{ n: 2 }, null, 'too few values to judge', false, null],
    [{ n: 0 }, null, 'no value', false, null],
    [{ max: 0 }, null, 'one value throughout', false, null],
  ] as const)('%j with p = %j: %s', (part, p, words, marked, rejected) => {
    expect(of(part, p)).toEqual({ marked, rejected, words });
  });

  it('in standard errors, and for a flat variable', () => {
    const rule = { kind: 'standard-errors', limit: 1.96 } as const;
    expect(of({ skewness: 0.5 }, 0.3, rule)).toMatchObject({ marked: true, words: 'skewed to the right, though the test does not reject' });
    expect(of({ excessKurtosis: -1.2 }, 0.001, rule).words).toBe('flat, with short tails');
  });

  it('of real columns, whatever their scale', () => {
    const skewed = sample(200, () => Math.exp(1.2 * normal()));
    expect(verdictOf(skewed)).toMatchObject({ marked: true, rejected: true });
    expect(verdictOf(skewed.map((value) => 1e9 + value))).toEqual(verdictOf(skewed));
    expect(verdictOf(Float64Array.of(4, 4, 4, Number.NaN))).toMatchObject({ marked: false, words: 'one value throughout' });
  });
});
