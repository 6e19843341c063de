import { sortedValues } from '../columns/complete-rows';

/** Numbers that tables often write where there is no value. */
const CODES: ReadonlySet<number> = new Set([
  ...[9, 8, 7].flatMap((digit) => [1, 2, 3, 4, 5].map((length) => Number(String(digit).repeat(length)))),
  ...[97, 98, 997, 998, 9997, 9998],
  ...[-1, -8, -9, -88, -98, -99, -888, -998, -999, -9999, -99999],
  ...[9.9, 9.99, 99.9, 99.99, 999.9, 999.99, 9999.9, -9.9, -9.99, -99.9, -99.99, -999.9],
]);
/** Fewer other values tell nothing of how far apart they are. */
const FEWEST_OTHERS = 3;
const TIMES_THE_GAP = 2;

/**
 * Numbers in a column that may stand for "no value": such as are used for that, and lie further from all other values than
 * these from each other.
 *
 * A code stands apart if the gap to the nearest other value is at least twice the largest gap among the others. In common
 * practice there is no published rule. Codes are judged together, so that 98 and 99 do not hide each other.
 * @param x NaN is missing; not changed
 * @returns the codes found, ascending
 *
 * @example
 * codesApart(Float64Array.of(1, 3, 2, 5, 4, 9, 2)); // [9]
 */
export function codesApart(x: Float64Array): number[] {
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let i = 0; i < x.length; i++) {
    if (x[i] < low) low = x[i];
    if (x[i] > high) high = x[i];
  }
  // A code within the range of the others has none apart: most columns need no sorting to tell.
  if (!CODES.has(low) && !CODES.has(high)) return [];
  const distinct = sortedValues(x).filter((value, i, all) => i === 0 || value !== all[i - 1]);
  let others = distinct.filter((value) => !CODES.has(value));
  // A code may be a value of its column all the same, such as 7 on a scale from 1 to 7, and then another is beside it.
  for (let before = -1; others.length > before; ) {
    before = others.length;
    const known = new Set(others);
    others = distinct.filter((value) => known.has(value) || !isApart(value, others));
  }
  const values = new Set(others);
  return others.length < FEWEST_OTHERS ? [] : [...distinct.filter((value) => !values.has(value))];
}

function isApart(code: number, others: Float64Array): boolean {
  let largest = 0;
  let nearest = Number.POSITIVE_INFINITY;
  for (let i = 0; i < others.length; i++) {
    if (i > 0) largest = Math.max(largest, others[i] - others[i - 1]);
    nearest = Math.min(nearest, Math.abs(others[i] - code));
  }
  return nearest >= TIMES_THE_GAP * largest;
}
