import { sortedValues } from '../columns/complete-rows';
import { quantile } from './quantile';

export interface BoxSummary {
  readonly n: number;
  readonly q1: number;
  readonly median: number;
  readonly q3: number;
  /** 1.5 interquartile ranges beyond the quartiles. */
  readonly innerFences: readonly [number, number];
  /** 3 interquartile ranges beyond the quartiles. */
  readonly outerFences: readonly [number, number];
  /** The outermost values within the inner fences. */
  readonly whiskers: readonly [number, number];
  /** Rows beyond the inner fences but not beyond the outer ones. */
  readonly outside: readonly number[];
  /** Rows beyond the outer fences. */
  readonly farOut: readonly number[];
}

/**
 * Box plot values with the rows that lie outside.
 *
 * Source: Tukey (1977), ch. 2, with type-7 quartiles (Hyndman & Fan 1996) in place of his hinges. Missing values (NaN)
 * are left out; without values all values are NaN.
 *
 * @example
 * boxSummary(Float64Array.of(1, 2, 3, 4, 5)).median; // 3
 */
export function boxSummary(x: Float64Array): BoxSummary {
  const sorted = sortedValues(x);
  const [q1, median, q3] = [0.25, 0.5, 0.75].map((p) => quantile(sorted, p));
  const iqr = q3 - q1;
  const fences = (reach: number): readonly [number, number] => [q1 - reach * iqr, q3 + reach * iqr];
  const innerFences = fences(1.5);
  const outerFences = fences(3);
  let [first, last] = [0, sorted.length - 1];
  while (sorted[first] < innerFences[0]) first++;
  while (sorted[last] > innerFences[1]) last--;
  const outside: number[] = [];
  const farOut: number[] = [];
  for (let row = 0; row < x.length; row++) {
    const value = x[row];
    if (value < outerFences[0] || value > outerFences[1]) farOut.push(row);
    else if (value < innerFences[0] || value > innerFences[1]) outside.push(row);
  }
  const whiskers = [sorted[first] ?? Number.NaN, sorted[last] ?? Number.NaN] as const;
  return { n: sorted.length, q1, median, q3, innerFences, outerFences, whiskers, outside, farOut };
}
