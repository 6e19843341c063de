import {
  cutAtValues,
  evaluateFormula,
  FormulaError,
  formulaName,
  formulaVariables,
  parseFormula,
  quantilePoints,
  renameInFormula,
} from '@ivlen/core';
import { describe, expect, it } from 'vitest';

const columns = new Map(
  Object.entries({
    chlorophyll: Float64Array.of(6, 3, Number.NaN, 8),
    phosphate: Float64Array.of(2, 0, 4, 5),
    'visit 1': Float64Array.of(1, Number.NaN, Number.NaN, 4),
    visit_2: Float64Array.of(3, 7, Number.NaN, 2),
  }),
);

const computed = (text: string) => evaluateFormula(parseFormula(text), new Map(), 1).values[0];
const valuesOf = (text: string, ignoreMissing = false) => evaluateFormula(parseFormula(text), columns, 4, { ignoreMissing });

function refusal(text: string): FormulaError {
  try {
    parseFormula(text);
  } catch (error) {
    if (error instanceof FormulaError) return error;
  }
  throw new Error(`“${text}” was not refused`);
}

describe('formulas of ordinary mathematics', () => {
  it.each([
    ['1 + 2 * 3', 7],
    ['(1 + 2) * 3', 9],
    ['-2^2', -4],
    ['2^3^2', 512],
    ['2^-1', 0.5],
    ['7 − 2 × 3 ÷ 6', 6],
    ['10 - 4 - 3', 3],
    ['16 / 4 / 2', 2],
    ['log10(1000) + ln(e)', 4],
    ['sqrt(16) + cbrt(27) + abs(-2)', 9],
    ['max(1, 5, 3) - min(4, 2)', 3],
    ['mean(1, 2, 6) + sum(1, 2)', 6],
    ['last(1, 5, 3)', 3],
    ['1.5e2 + .5', 150.5],
    ['2 * pi', 2 * Math.PI],
    ['+3 - -2', 5],
  ])('%s is %d', (text, value) => {
    expect(computed(text)).toBeCloseTo(value, 12);
  });

  it('computes row by row and tells missing values from undefined results', () => {
    const ratio = valuesOf('chlorophyll / phosphate');
    expect([...ratio.values]).toEqual([3, Number.NaN, Number.NaN, 1.6]);
    expect(ratio.missing).toBe(1);
    expect(ratio.undefinedRows).toEqual([1]);
  });

  it('takes the values that there are, or needs all of them', () => {
    expect([...valuesOf('max([visit 1], visit_2)').values]).toEqual([3, Number.NaN, Number.NaN, 4]);
    const lenient = valuesOf('max([visit 1], visit_2)', true);
    expect([...lenient.values]).toEqual([3, 7, Number.NaN, 4]);
    expect(lenient.missing).toBe(1);
  });

  it('does not take a missing base to the power of 0 for 1', () => {
    expect(valuesOf('chlorophyll^0').values[2]).toBeNaN();
  });

  it.each([
    ['', 1, /empty/],
    ['1 +', 4, /it ends/],
    ['(1 + 2', 1, /never closes/],
    ['2 3', 3, /operator/],
    ['a $ b', 3, /means nothing/],
    ['[visit 1', 1, /never closes/],
    ['cosine(2)', 1, /no function called “cosine”/],
    ['sqrt(1, 2)', 1, /takes one value/],
    ['(1 + 2))', 8, /operator/],
  ])('refuses “%s” at character %d', (text, at, words) => {
    const error = refusal(text);
    expect(error.at).toBe(at);
    expect(error.message).toMatch(words);
  });

  it('refuses ten thousand brackets without running out of stack', () => {
    expect(refusal(`${'('.repeat(10_000)}1${')'.repeat(10_000)}`).message).toMatch(/up to 2000 characters/);
    expect(refusal(`${'('.repeat(900)}1${')'.repeat(900)}`).message).toMatch(/nested more than 60 deep/);
  });

  it('names its variables, and follows a new name', () => {
    expect(formulaVariables(parseFormula('log10(b) + [a b] / b - pi'))).toEqual(['b', 'a b', 'pi']);
    const renamed = renameInFormula(
      'max( depth,depth_2 ) / [total area]',
      (name) => ({ depth: 'water depth', 'total area': 'area' })[name] ?? null,
    );
    expect(renamed).toBe('max( [water depth],depth_2 ) / area');
    expect(formulaName('e')).toBe('[e]');
    expect(formulaName('température')).toBe('température');
  });
});

describe('cutting a quantity into groups', () => {
  it('puts a value equal to a point into the group above it', () => {
    expect([...cutAtValues(Float64Array.of(1, 2, 3, Number.NaN, 5), [2, 5])]).toEqual([1, 2, 2, Number.NaN, 3]);
  });

  it('refuses points that do not rise', () => {
    expect(() => cutAtValues(Float64Array.of(1), [3, 2])).toThrow(RangeError);
    expect(() => cutAtValues(Float64Array.of(1), [])).toThrow(RangeError);
  });

  it('cuts at quantiles, and gives coinciding points once', () => {
    expect(quantilePoints(Float64Array.of(4, 1, 3, 2, 5), 4)).toEqual([2, 3, 4]);
    expect(quantilePoints(Float64Array.of(1, 1, 1, 1, 9), 4)).toEqual([]);
    expect(quantilePoints(Float64Array.of(Number.NaN), 3)).toEqual([]);
  });
});

describe('only missing data are passed over', () => {
  const x = Float64Array.of(4, 4, 4, Number.NaN);
  const y = Float64Array.of(-1, Math.E, Number.NaN, Number.NaN);
  const of = (formula: string, ignoreMissing: boolean) =>
    evaluateFormula(parseFormula(formula), new Map(Object.entries({ x, y })), 4, { ignoreMissing });

  it.each([
    ['last(x, y)', true, [-1, Math.E, 4, Number.NaN], [], 1],
    ['last(x, y)', false, [-1, Math.E, Number.NaN, Number.NaN], [], 2],
    ['mean(x, ln(y))', true, [Number.NaN, 2.5, 4, Number.NaN], [0], 1],
    ['mean(x, ln(y))', false, [Number.NaN, 2.5, Number.NaN, Number.NaN], [0], 2],
    // −∞ and ∞ are no numbers to take the larger or smaller one of.
    ['max(x, ln(y + 1))', true, [Number.NaN, 4, 4, Number.NaN], [0], 1],
    ['min(x, 1 / (y + 1))', false, [Number.NaN, 1 / (Math.E + 1), Number.NaN, Number.NaN], [0], 2],
    ['sum(x, max(y, ln(y)))', true, [Number.NaN, 4 + Math.E, 4, Number.NaN], [0], 1],
  ])('%s, missing ignored %s', (formula, ignoreMissing, values, undefinedRows, missing) => {
    const got = of(formula, ignoreMissing);
    expect([...got.values]).toEqual(values.map((value) => (Number.isNaN(value) ? value : expect.closeTo(value, 12))));
    expect([got.undefinedRows, got.missing]).toEqual([undefinedRows, missing]);
  });

  it('round takes halves away from zero', () => {
    const halves = Float64Array.of(-2.5, 2.5, -0.5, 0.49999999999999994, -1.4);
    const { values } = evaluateFormula(parseFormula('round(h)'), new Map([['h', halves]]), 5);
    expect([...values].map((value) => value + 0)).toEqual([-3, 3, -1, 0, -1]);
  });
});
