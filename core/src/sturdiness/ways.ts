import { assertAlternative, assertSameLength } from '../correlation/options';
import { combinationsOf } from './combinations';
import { PreparedWays } from './prepared-ways';
import type { WayResult } from './way-test';
import type { WaysRequest } from './ways-request';

/** A way: one combination of choices, or several that compute the same. */
export interface Way extends WayResult {
  /** By choice, the options that it stands for, as places among that choice's options. */
  readonly options: readonly (readonly number[])[];
  /** Fisher's z of the coefficient, of τ as sin(πτ/2): what ways of several coefficients are compared on. */
  readonly z: number;
}

export interface Ways {
  /** Ways that compute the same count once. */
  readonly ways: readonly Way[];
  /** The place of the way in force. */
  readonly own: number;
  /** How many combinations there are, and how many of them were looked at. */
  readonly combinations: number;
  readonly looked: number;
  readonly seed: number;
}

/** Most combinations of choices that are computed, unless more are asked for. */
export const MOST_WAYS = 2000;

/**
 * Every defensible way to one coefficient: all combinations of choices, each computed on its own rows (Steegen, Tuerlinckx,
 * Gelman & Vanpaemel 2016). Ways that compute the same count once: a coefficient of ranks on a scale that keeps them,
 * listwise deletion where nothing is missing. On scales that fall as the values rise signs are turned back. More than `most`
 * combinations are a seeded sample of them, the own way included.
 * Missing values (NaN): rows complete for the pair on its scales and for what is held constant. A way of fewer than four
 * rows is listed as impossible.
 * @throws {RangeError} columns of unequal length, a choice without options, or an option that does not exist.
 *
 * @example
 * computeWays({ x: Float64Array.of(1, 2, 3, 4, 9), y: Float64Array.of(2, 1, 4, 3, 5), rows: new Uint8Array(5).fill(1),
 *   choices: [{ kind: 'coefficient', options: ['pearson', 'spearman'] }], own: [0] }).ways.length; // 2
 */
export function computeWays(request: WaysRequest): Ways {
  return gatherWays(request, computeCombinations(request));
}

/** What one combination comes to; combinations of the same key compute the same. */
export interface CombinationResult extends WayResult {
  readonly key: string;
  readonly z: number;
}

/**
 * The combinations of `computeWays` one by one, all or those at some places, so that threads can share them.
 * @param places among the combinations, in their order
 * @throws {RangeError} as `computeWays`.
 *
 * @example
 * computeCombinations({ x: Float64Array.of(1, 2, 3, 4, 9), y: Float64Array.of(2, 1, 4, 3, 5), rows: new Uint8Array(5).fill(1),
 *   choices: [{ kind: 'coefficient', options: ['pearson', 'spearman'] }], own: [0] }, [1])[0].coefficient; // 0.8
 */
export function computeCombinations(request: WaysRequest, places?: readonly number[]): CombinationResult[] {
  const { x, y, alternative = 'two-sided', level = 0.95, onProgress } = request;
  assertSameLength(x, y);
  assertAlternative(alternative);
  const { chosen } = chosenOf(request);
  const prepared = new PreparedWays(request);
  const known = new Map<string, CombinationResult>();
  const wanted = places ?? chosen.map((_, place) => place);
  return wanted.map((place, done) => {
    const { key, compute } = prepared.way(chosen[place], { alternative, level });
    const found = known.get(key) ?? { key, ...compute() };
    known.set(key, found);
    onProgress?.(done + 1, wanted.length);
    return found;
  });
}

function chosenOf({ choices, own, most = MOST_WAYS, seed = 1 }: Pick<WaysRequest, 'choices' | 'own' | 'most' | 'seed'>) {
  return combinationsOf(
    choices.map(({ options }) => options.length),
    own,
    { most, seed },
  );
}

/**
 * Ways from all combinations, in their order.
 *
 * @example
 * gatherWays({ choices: [{ kind: 'coefficient', options: ['pearson'] }], own: [0] },
 *   [{ key: 'r', z: 0.5, coefficient: 0.46, low: 0.1, high: 0.7, pValue: 0.02, n: 30, impossible: null }]).ways.length; // 1
 */
export function gatherWays(request: Pick<WaysRequest, 'choices' | 'own' | 'most' | 'seed'>, results: readonly CombinationResult[]): Ways {
  const { own, seed = 1 } = request;
  const { chosen, total } = chosenOf(request);
  const found = new Map<string, { way: WayResult & { z: number }; options: Set<number>[] }>();
  for (const [place, options] of chosen.entries()) {
    const { key, ...way } = results[place];
    const known = found.get(key);
    if (known) for (const [c, option] of options.entries()) known.options[c].add(option);
    else found.set(key, { way, options: options.map((option) => new Set([option])) });
  }
  const ownKey = results[chosen.findIndex((options) => options.every((option, c) => option === own[c]))].key;
  return {
    ways: [...found.values()].map(({ way, options }) => ({ ...way, options: options.map((set) => [...set].sort((a, b) => a - b)) })),
    own: [...found.keys()].indexOf(ownKey),
    combinations: total,
    looked: chosen.length,
    seed,
  };
}
