import { completePair } from '../columns/complete-rows';
import { assertMethod } from '../correlation/assert-method';
import { METHODS } from '../correlation/methods';
import { assertAlternative, assertPositiveInteger, assertSameLength } from '../correlation/options';
import type { Alternative, Method } from '../correlation/types';
import { Random } from '../random/random';
import { REPORTED_EVERY } from './bootstrap-interval';

export interface PermutationOptions {
  method: Method;
  /** Default 9,999. */
  permutations?: number;
  /** Default 1. */
  seed?: number;
  /** Default 'two-sided'. */
  alternative?: Alternative;
  /** Pearson only: divides r by its distribution-free standard error, so that the test is of no correlation. Default false. */
  studentized?: boolean;
  /** Told now and then how many permutations are done. */
  onProgress?: (done: number) => void;
}

export interface PermutationTest {
  readonly method: Method;
  readonly n: number;
  readonly pValue: number;
  /** Permutations at least as extreme as what was observed. */
  readonly asExtreme: number;
  readonly permutations: number;
  readonly seed: number;
  readonly alternative: Alternative;
  readonly pMethod: 'permutation';
  /** What the test is about: independence, or, studentized, the population correlation. */
  readonly hypothesis: 'independence' | 'no-correlation';
}

/** Statistics that differ by rounding alone count as equal. */
const ROUNDING = 1e-12;

/**
 * Permutation test of independence: y is shuffled against x.
 *
 * Source: Pitman (1937); p = (b + 1)/(m + 1), Phipson & Smyth (2010). Studentized: r√n/√(m22/(m20·m02)), DiCiccio &
 * Romano (2017), a test of no correlation whatever the dependence. Missing values (NaN): rows complete for both.
 * p is NaN where a variable does not vary.
 * @throws {RangeError} columns of unequal length, or an option that does not exist or that the method does not have.
 *
 * @example
 * permutationTest(Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(1, 2, 3, 4, 5), { method: 'pearson',
 *   permutations: 99 }).n; // 5
 */
export function permutationTest(
  x: Float64Array,
  y: Float64Array,
  { method, permutations = 9999, seed = 1, alternative = 'two-sided', studentized = false, onProgress }: PermutationOptions,
): PermutationTest {
  assertMethod(method);
  assertSameLength(x, y);
  assertAlternative(alternative);
  assertPositiveInteger('permutations', permutations);
  if (studentized && !METHODS[method].hasStudentized) throw new RangeError(`studentized exists for pearson only; got ${method}`);
  const pair = completePair(x, y);
  const n = pair.x.length;
  const common = {
    method,
    n,
    permutations,
    seed,
    alternative,
    pMethod: 'permutation' as const,
    hypothesis: studentized ? ('no-correlation' as const) : ('independence' as const),
  };
  const prepared = METHODS[method].permuted(pair.x, pair.y, studentized);
  if (n < 2 || !prepared) return { ...common, pValue: Number.NaN, asExtreme: 0 };
  const { statistic, shuffled } = prepared;
  const observed = statistic();
  const extreme = isExtreme(observed, alternative);
  const random = new Random(seed);
  let asExtreme = 0;
  for (let m = 0; m < permutations; m++) {
    random.shuffle(shuffled);
    if (extreme(statistic())) asExtreme++;
    const done = m + 1;
    if (done % REPORTED_EVERY === 0 || done === permutations) onProgress?.(done);
  }
  return { ...common, asExtreme, pValue: (asExtreme + 1) / (permutations + 1) };
}

function isExtreme(observed: number, alternative: Alternative): (value: number) => boolean {
  const slack = ROUNDING * Math.abs(observed);
  if (alternative === 'greater') return (value) => value >= observed - slack;
  if (alternative === 'less') return (value) => value <= observed + slack;
  return (value) => Math.abs(value) >= Math.abs(observed) - slack;
}
