import { casesOf } from '../columns/cases';
import { Random } from '../random/random';
import { type CombinationResult, computeCombinations } from './ways';
import type { WaysRequest } from './ways-request';

export interface JointTestOptions {
  /** Level of each way. Default .05. */
  alpha?: number;
  /** Default 499. */
  permutations?: number;
  /** Default 1. The same seed gives the same shuffles. */
  seed?: number;
  /** Which case each row is of, where cases have several rows: they are shuffled whole, among those of as many rows. */
  cases?: Float64Array | null;
  onProgress?: (done: number, total: number) => void;
}

/** What all ways say together. */
export interface JointStatistics {
  /** |median| of Fisher’s z of the ways. */
  readonly median: number;
  /** Ways with p ≤ α, of the sign that more of them have. */
  readonly significant: number;
}

export interface JointTest {
  readonly observed: JointStatistics;
  /** Shuffles with as extreme a median, and with as many significant ways. */
  readonly asExtreme: number;
  readonly asMany: number;
  /** (b + 1)/(m + 1); NaN where no way computes. */
  readonly medianP: number;
  readonly significantP: number;
  readonly permutations: number;
  readonly seed: number;
}

/** Differences this small are rounding. */
const ROUNDING = 1e-12;

/**
 * Statistics of ways that compute the same counted once; ways without a coefficient, or with one of ±1, left out.
 *
 * @example
 * jointStatistics([], 0.05); // { median: NaN, significant: 0 }
 */
export function jointStatistics(results: readonly CombinationResult[], alpha: number): JointStatistics {
  const ways = [...new Map(results.map((result) => [result.key, result])).values()].filter(({ z }) => Number.isFinite(z));
  if (ways.length === 0) return { median: Number.NaN, significant: 0 };
  const ordered = Float64Array.from(ways, ({ z }) => z).sort();
  const middle = ordered.length >> 1;
  const median = ordered.length % 2 === 1 ? ordered[middle] : (ordered[middle - 1] + ordered[middle]) / 2;
  const count = (sign: number) => ways.filter(({ z, pValue }) => pValue <= alpha && Math.sign(z) === sign).length;
  return { median: Math.abs(median), significant: Math.max(count(1), count(-1)) };
}

/**
 * Statistics of all ways after each of some shuffles of x against all other columns. A shuffle depends on the seed and its
 * place alone, each place having a stream of its own, so that threads can share them. The values that x has on its scales go
 * with it, and so do its gaps.
 * @param places of the shuffles, from 0
 * @throws {RangeError} places that do not rise.
 *
 * @example
 * shuffledStatistics({ x: Float64Array.of(1, 2, 3, 4, 5, 6), y: Float64Array.of(1, 2, 3, 4, 6, 5), rows: new Uint8Array(6).fill(1),
 *   choices: [{ kind: 'coefficient', options: ['pearson'] }], own: [0] }, [0, 1]).length; // 2
 */
export function shuffledStatistics(
  request: WaysRequest,
  places: readonly number[],
  { alpha = 0.05, seed = 1, cases = null, onProgress }: JointTestOptions = {},
): JointStatistics[] {
  const shuffles = shufflesOf(request, cases);
  const streams = streamsOf(seed);
  return places.map((place, done) => {
    const order = shuffles(streams(place));
    const moved = (column: Float64Array) => Float64Array.from(order, (row) => column[row]);
    const shuffled: WaysRequest = {
      ...request,
      x: moved(request.x),
      choices: request.choices.map((choice) =>
        choice.kind === 'scale' && choice.of === 'x'
          ? { ...choice, options: choice.options.map((scale) => (scale === 'rank-normal' ? scale : moved(scale))) }
          : choice,
      ),
      onProgress: () => {},
    };
    const found = jointStatistics(computeCombinations(shuffled), alpha);
    onProgress?.(done + 1, places.length);
    return found;
  });
}

/**
 * A joint test of all ways to a coefficient: x is shuffled against all other columns and every way computed again; the share
 * of shuffles with as extreme a median, and with as many significant ways. With something held constant in some ways the
 * hypothesis is that x is independent of y and of what is held constant.
 * Source: Simonsohn, Simmons & Nelson (2020); p after Phipson & Smyth (2010).
 * @throws {RangeError} as `computeWays`.
 *
 * @example
 * jointTest({ x: Float64Array.of(1, 2, 3, 4, 5, 6), y: Float64Array.of(1, 2, 3, 4, 6, 5), rows: new Uint8Array(6).fill(1),
 *   choices: [{ kind: 'coefficient', options: ['pearson', 'spearman'] }], own: [0] }, { permutations: 99 }).permutations; // 99
 */
export function jointTest(request: WaysRequest, options: JointTestOptions = {}): JointTest {
  const { permutations = 499, alpha = 0.05 } = options;
  const places = Array.from({ length: permutations }, (_, place) => place);
  return judgeJointly(jointStatistics(computeCombinations(request), alpha), shuffledStatistics(request, places, options), options.seed);
}

/**
 * The test from what the ways say, and what they say after each shuffle.
 *
 * @example
 * judgeJointly({ median: 0.5, significant: 3 }, [{ median: 0.2, significant: 0 }, { median: 0.6, significant: 1 }]).medianP; // 0.666667
 */
export function judgeJointly(observed: JointStatistics, shuffled: readonly JointStatistics[], seed = 1): JointTest {
  const share = (count: number) => (Number.isNaN(observed.median) ? Number.NaN : (count + 1) / (shuffled.length + 1));
  const asExtreme = shuffled.filter(({ median }) => median >= observed.median * (1 - ROUNDING)).length;
  const asMany = shuffled.filter(({ significant }) => significant >= observed.significant).length;
  return { observed, asExtreme, asMany, medianP: share(asExtreme), significantP: share(asMany), permutations: shuffled.length, seed };
}

/** The stream of each place, asked for in rising order: so many jumps from the start of the seed’s own. */
function streamsOf(seed: number): (place: number) => Random {
  const random = new Random(seed);
  let at = 0;
  return (place) => {
    if (place < at) throw new RangeError('places of shuffles must rise');
    for (; at < place; at++) random.jump();
    at++;
    return random.split();
  };
}

/** How rows are put in another order: those that no way may use stay. */
function shufflesOf({ rows, x }: WaysRequest, cases: Float64Array | null): (random: Random) => Int32Array {
  const usable = Int32Array.from(Array.from(rows.keys()).filter((row) => rows[row] === 1));
  const identity = Int32Array.from(x, (_, row) => row);
  const blocks = cases ? blocksOf(usable, cases) : null;
  return (random) => {
    const order = identity.slice();
    if (!blocks) {
      const drawn = usable.slice();
      random.shuffle(drawn);
      usable.forEach((row, k) => {
        order[row] = drawn[k];
      });
      return order;
    }
    for (const alike of blocks) {
      const drawn = Int32Array.from(alike, (_, k) => k);
      random.shuffle(drawn);
      for (const [k, block] of alike.entries()) for (const [i, row] of block.entries()) order[row] = alike[drawn[k]][i];
    }
    return order;
  };
}

/** The rows of each case, cases of as many rows together. */
function blocksOf(usable: Int32Array, cases: Float64Array): number[][][] {
  const { caseOf, count } = casesOf(Float64Array.from(usable, (row) => cases[row]));
  const members = Array.from({ length: count }, (): number[] => []);
  usable.forEach((row, k) => {
    members[caseOf[k]].push(row);
  });
  const alike = new Map<number, number[][]>();
  for (const block of members) alike.set(block.length, [...(alike.get(block.length) ?? []), block]);
  return [...alike.values()];
}
