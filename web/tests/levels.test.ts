import { expect, it, test } from 'vitest';
import { levelsInWords, readLevels } from '../src/coefficients/levels';

test.each([
  ['.05 .01', [0.05, 0.01]],
  ['.01; .05', [0.05, 0.01]],
  ['0,1; 0,05', [0.1, 0.05]],
  ['.05, .01, .001', [0.05, 0.01, 0.001]],
  ['.05,.01', [0.05, 0.01]],
  ['.05 .05', [0.05]],
])('reads “%s”', (text, levels) => {
  expect(readLevels(text)).toEqual(levels);
});

test.each([
  ['', /one to three/],
  ['.1 .05 .01 .001', /Three levels at most/],
  ['5', /above 0 and below 1/],
  ['five', /above 0 and below 1/],
])('refuses “%s” in words', (text, words) => {
  expect(readLevels(text)).toMatch(words);
});

it('writes levels as a paper does', () => {
  expect(levelsInWords([0.05, 0.01, 0.001])).toBe('.05, .01 and .001');
  expect(levelsInWords([0.1])).toBe('.1');
});
