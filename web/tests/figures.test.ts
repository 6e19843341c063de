import { describe, expect, it, test } from 'vitest';
import { formatMeasured } from '../src/figures/format-measured';
import { nearestPoint } from '../src/figures/nearest-point';
import { usedRows } from '../src/study/used-rows';

describe('means and standard deviations', () => {
  test.each([
    [193.04, 124.4, 0, '193.0'],
    [2.4664, 1.807, 2, '2.466'],
    [0.000123456, 0.0000234, null, '0.0001235'],
    [-4, 1.5, null, '−4.00'],
    [1e9, 1e-3, null, '1.000e9'],
    [null, null, 2, '–'],
  ])('%s with SD %s and %s decimals', (value, sd, decimals, text) => {
    expect(formatMeasured(value, sd, decimals)).toBe(text);
  });
});

it('finds the rows in which nothing is missing', () => {
  const columns = [Float64Array.of(1, Number.NaN, 3, 4), Float64Array.of(1, 2, Number.NaN, 4)];
  expect([...usedRows(columns)]).toEqual([0, 3]);
  expect([...usedRows([])]).toEqual([]);
});

it('finds the point under the pointer among the rows drawn, within reach', () => {
  const points = { x: Float64Array.of(0, 10, 11), y: Float64Array.of(0, 10, 10), rows: Uint32Array.of(0, 1) };
  const same = (value: number) => value;
  expect(nearestPoint(points, same, same, 11, 10)).toBe(1);
  expect(nearestPoint(points, same, same, 2, 1)).toBe(0);
  expect(nearestPoint(points, same, same, 60, 60)).toBeNull();
});
