import { codesApart } from '@ivlen/core';
import { expect, it, test } from 'vitest';

const scale = [1, 2, 3, 4, 5, 3, 2, 4];
test.each<[string, number[], number[]]>([
  ['9 after a scale of five', [...scale, 9], [9]],
  ['8 and 9 after it', [...scale, 8, 9], [8, 9]],
  ['7 at twice the step, and so apart', [...scale, 7], [7]],
  ['7 of a scale of seven', [...scale, 6, 7], []],
  ['8 behind a 7 that is a value', [...scale, 6, 7, 8], []],
  ['−1 at twice the step of tenths', [0.1, 0.2, 0.3, 0.4, -1], [-1]],
  ['−1 in a run of whole numbers', [0, 1, 2, 3, -1], []],
  ['−9 and 99 on both sides', [10, 12, 14, 17, -9, 99], [-9, 99]],
  ['99.9 among percentages', [12.5, 30.1, 22.8, 41.7, 99.9], [99.9]],
  ['999 beside a value as far out', [10, 12, 14, 600, 999], []],
  ['two other values tell nothing', [1, 2, 99], []],
  ['no values, or missing ones', [Number.NaN], []],
  ['a constant', [9, 9, 9], []],
])('%s', (_, values, codes) => {
  expect(codesApart(Float64Array.from(values))).toEqual(codes);
});

it('does not change what it is given, and passes over missing values', () => {
  const x = Float64Array.of(3, Number.NaN, 1, 2, 99);
  expect(codesApart(x)).toEqual([99]);
  expect([...x]).toEqual([3, Number.NaN, 1, 2, 99]);
});
