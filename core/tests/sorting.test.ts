import { expect, test } from 'vitest';
import { Random } from '../src/random/random';
import { sortOrder } from '../src/ranks/sort-order';

const random = new Random(64);
const COLUMNS: Readonly<Record<string, Float64Array>> = {
  nothing: new Float64Array(0),
  'one value': Float64Array.of(3),
  'in order already': Float64Array.from({ length: 5000 }, (_, i) => (i % 7 === 0 ? Number.NaN : i >> 1)),
  'in order but for the last': Float64Array.from({ length: 5000 }, (_, i) => (i === 4999 ? 4997.5 : i)),
  'spread values': Float64Array.from({ length: 5000 }, () => random.normal()),
  'values that share their upper word': Float64Array.from({ length: 5000 }, () => 1e9 + 1e-3 * random.normal()),
  'pairs that share their upper word': Float64Array.from({ length: 2000 }, (_, i) => Math.floor(i / 2) + 1 + 1e-9 * random.uniform()),
  'many ties': Float64Array.from({ length: 3000 }, () => random.below(4) - 2),
  'zeros of both signs': Float64Array.of(0, -0, 1, -0, 0, -1),
  'sizes from 1e-300 to 1e300': Float64Array.from({ length: 400 }, () => random.normal() * 10 ** (random.below(600) - 300)),
  gaps: Float64Array.from({ length: 500 }, (_, i) => (i % 3 === 0 ? Number.NaN : random.normal())),
  'infinities and the smallest numbers': Float64Array.of(Number.POSITIVE_INFINITY, 5e-324, -5e-324, Number.NEGATIVE_INFINITY, 0),
};

test.each(Object.entries(COLUMNS))('%s: the order of a stable sort by value', (_, x) => {
  const rows = Array.from(x.keys()).filter((row) => !Number.isNaN(x[row]));
  const wanted = rows.sort((a, b) => (x[a] < x[b] ? -1 : x[a] > x[b] ? 1 : a - b));
  expect([...sortOrder(x)]).toEqual(wanted);
});
