import type { CorrelationTest } from './types';

/** Columns made ready once, for the tests of all their pairs. */
export interface TestedPairs {
  test(i: number, j: number): CorrelationTest;
}
