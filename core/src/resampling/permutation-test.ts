import { centreColumn } from '../columns/centre';
import { completePair } from '../columns/complete-rows';
import { countExchanges } from '../correlation/concordance';
import { assertAlternative, assertMethod, assertPositiveInteger, assertSameLength } from '../correlation/options';
import { createRankColumn, type RankColumn } from '../correlation/rank-column';
import type { Alternative, Method } from '../correlation/types';
import { toUnitLength } from '../correlation/unit-product';
import { Random } from '../random/random';
import { midranks } from '../ranks/midranks';
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
  if (studentized && method !== 'pearson') throw new RangeError(`studentized exists for pearson only; got ${method}`);
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
  const prepared = prepare(pair.x, pair.y, method, studentized);
  if (n < 2 || !prepared) return { ...common, pValue: Number.NaN, asExtreme: 0 };
  const { statistic, shuffled } = prepared;
  const observed = statistic();
  const extreme = isExtreme(observed, alternative);
  const random = new Random(seed);
  let asExtreme = 0;
  for (let m = 0; m < permutations; m++) {
    random.shuffle(shuffled);
    if (extreme(statistic())) asExtreme++;
    if (m % REPORTED_EVERY === 0) onProgress?.(m);
  }
  return { ...common, asExtreme, pValue: (asExtreme + 1) / (permutations + 1) };
}

function isExtreme(observed: number, alternative: Alternative): (value: number) => boolean {
  const slack = ROUNDING * Math.abs(observed);
  if (alternative === 'greater') return (value) => value >= observed - slack;
  if (alternative === 'less') return (value) => value <= observed + slack;
  return (value) => Math.abs(value) >= Math.abs(observed) - slack;
}

interface Prepared {
  /** The statistic of x against `shuffled` as it stands. */
  readonly statistic: () => number;
  readonly shuffled: Float64Array | Int32Array;
}

function prepare(x: Float64Array, y: Float64Array, method: Method, studentized: boolean): Prepared | null {
  if (method === 'kendall') return prepareKendall(x, y);
  const [a, b] = method === 'spearman' ? [midranks(x), midranks(y)] : [x, y];
  const u = centreColumn(a);
  const v = centreColumn(b);
  if (u.constant || v.constant) return null;
  toUnitLength(u.centred);
  toUnitLength(v.centred);
  const [fixed, shuffled] = [u.centred, v.centred];
  const statistic = () => {
    let product = 0;
    for (let i = 0; i < fixed.length; i++) product += fixed[i] * shuffled[i];
    if (!studentized) return product;
    let squares = 0;
    for (let i = 0; i < fixed.length; i++) squares += (fixed[i] * shuffled[i]) ** 2;
    // Unit lengths: r/√(n·Σu²v²)·√n, as m22/(m20·m02) = n·Σu²v².
    return product / Math.sqrt(squares);
  };
  return { statistic, shuffled };
}

/** Ties do not change under shuffling, so that S is judged by the discordant pairs less the concordant ones. */
function prepareKendall(x: Float64Array, y: Float64Array): Prepared | null {
  const [a, b] = [createRankColumn(x), createRankColumn(y)];
  if (a.whole?.ties.groups === 1 || b.whole?.ties.groups === 1) return null;
  const n = x.length;
  const [sequence, tree] = [new Int32Array(n), new Int32Array(n + 2)];
  const shuffled = Int32Array.from(a.order, (row) => b.dense[row]);
  const groups = tiedStretches(a);
  const untied = (n * (n - 1) - (a.whole?.ties.pairs ?? 0) - (b.whole?.ties.pairs ?? 0)) / 2;
  const statistic = () => {
    sequence.set(shuffled);
    let joint = 0;
    for (const [start, end] of groups) joint += sortedTies(sequence, start, end);
    return untied + joint - 2 * countExchanges(sequence, n, tree);
  };
  return { statistic, shuffled };
}

/** Where rows with equal x stand in the order of x: from, to; only groups of two and more. */
function tiedStretches({ order, dense }: RankColumn): (readonly [number, number])[] {
  const stretches: (readonly [number, number])[] = [];
  for (let start = 0; start < order.length; ) {
    let end = start + 1;
    while (end < order.length && dense[order[end]] === dense[order[start]]) end++;
    if (end - start > 1) stretches.push([start, end]);
    start = end;
  }
  return stretches;
}

/** Sorts a stretch in place and counts its pairs of equal values. */
function sortedTies(values: Int32Array, start: number, end: number): number {
  values.subarray(start, end).sort();
  let pairs = 0;
  for (let i = start + 1, run = 1; i < end; i++) {
    if (values[i] === values[i - 1]) pairs += run++;
    else run = 1;
  }
  return pairs;
}
