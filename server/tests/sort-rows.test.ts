import { expect, test } from 'vitest';
import { sortRows } from '../src/rows/sort-rows';

const { NaN: none } = Number;

test.each([
  ['numbers', [3, none, 1, 2, 1], null, false, [2, 4, 3, 0, 1]],
  ['numbers from the largest, missing ones last still', [3, none, 1, 2, 1], null, true, [0, 3, 2, 4, 1]],
  ['texts as words are, with their numbers', [0, 1, 2, none, 3], ['site 10', 'Site 2', 'alder', 'Alder'], false, [2, 4, 1, 0, 3]],
  ['nothing but missing values', [none, none], null, false, [0, 1]],
  ['no rows', [], null, false, []],
])('sorts %s', (_, values, dictionary, descending, order) => {
  expect([...sortRows({ values: Float64Array.from(values), dictionary, descending })]).toEqual(order);
});
