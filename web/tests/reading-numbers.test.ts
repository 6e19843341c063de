import { expect, it, test } from 'vitest';
import { coefficientProblem, readNumber, sizeProblem } from '../src/controls/read-number';
import { asMeasured, significant } from '../src/figures/as-measured';

test.each([
  ['−.45', -0.45],
  ['-0,45', -0.45],
  ['.3', 0.3],
  [' 120 ', 120],
  ['', null],
])('reads “%s” as people write it', (text, value) => {
  expect(readNumber(text)).toBe(value);
});

it('says what is wrong with a coefficient or a size, and nothing where nothing is', () => {
  expect(coefficientProblem(0.99)).toBeNull();
  expect(coefficientProblem(null)).toBeNull();
  expect(coefficientProblem(1)).toContain('between −1 and 1');
  expect(coefficientProblem(Number.NaN)).toContain('between −1 and 1');
  expect(sizeProblem(4)).toBeNull();
  expect(sizeProblem(3)).toContain('at least 4');
  expect(sizeProblem(12.5)).toContain('whole number');
});

test.each([
  [12.9234, '12.92'],
  [-1.6239, '−1.624'],
  [0.00123456, '0.001235'],
  [165.43, '165.4'],
  [0, '0'],
  [-0.00000123456, '−1.235 × 10⁻⁶'],
  [23456789, '23,456,789'],
  [null, '–'],
])('%s of a line is written %s', (value, text) => {
  expect(significant(value)).toBe(text);
});

it('a value of the data keeps the digits it has', () => {
  expect(asMeasured(0.19)).toBe('0.19');
  expect(asMeasured(-4)).toBe('−4');
});
