import { centreColumn } from '../columns/centre';
import { sortedValues } from '../columns/complete-rows';
import { type NormalityTest, undefinedNormality } from './normality-test';

/** The present values in ascending order, in standard deviations (divisor n − 1) from their mean; or why there are none. */
export function standardizedOrder(x: Float64Array, fewest: number): { readonly z: Float64Array } | NormalityTest {
  const sorted = sortedValues(x);
  const n = sorted.length;
  if (n < fewest) return undefinedNormality(n, 'too-few-cases');
  const { centred, constant } = centreColumn(sorted);
  if (constant) return undefinedNormality(n, 'constant');
  let squares = 0;
  for (const deviation of centred) squares += deviation * deviation;
  const sd = Math.sqrt(squares / (n - 1));
  return { z: centred.map((deviation) => deviation / sd) };
}
