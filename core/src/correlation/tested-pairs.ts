import type { CorrelationTest } from './types';

/** Columns made ready once, for the tests of all their pairs. */
export interface TestedPairs {
  test(i: number, j: number): CorrelationTest;
  /** How many values a column has, and whether they are all equal (or none). */
  column(i: number): { readonly present: number; readonly constant: boolean };
}
