import { type Alternative, byMethod, type Method, testPair } from '@ivlen/core';
import { expose } from 'comlink';

export interface TriedTest {
  readonly coefficient: number;
  readonly pValue: number;
  readonly n: number;
}
export type TriedTests = Readonly<Record<Method, TriedTest>>;

/** A pair by every method, with and without some of its rows. */
const computing = {
  withAndWithout(
    x: Float64Array,
    y: Float64Array,
    without: ReadonlySet<number>,
    alternative: Alternative,
  ): { before: TriedTests; after: TriedTests } {
    const kept = (values: Float64Array) => values.filter((_, place) => !without.has(place));
    return { before: testsOf(x, y, alternative), after: testsOf(kept(x), kept(y), alternative) };
  },
};
export type Computing = typeof computing;

function testsOf(x: Float64Array, y: Float64Array, alternative: Alternative): TriedTests {
  const test = (method: Method): TriedTest => {
    const { coefficient, pValue, n } = testPair(method, x, y, { alternative });
    return { coefficient, pValue, n };
  };
  return byMethod(test);
}

expose(computing);
