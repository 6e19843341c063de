import { Random } from '../random/random';
import type { Combinations } from './choices';

/**
 * All combinations of options, the last choice changing fastest; more than `most` are sampled without replacement.
 * @param counts how many options each choice has, at least one
 * @param own a combination that is among them in any case
 * @throws {RangeError} a choice without options, or `own` that is no combination
 *
 * @example
 * combinationsOf([2, 2], [0, 0], { most: 10, seed: 1 }).chosen; // [[0, 0], [0, 1], [1, 0], [1, 1]]
 */
export function combinationsOf(
  counts: readonly number[],
  own: readonly number[],
  { most, seed }: { most: number; seed: number },
): Combinations {
  if (counts.some((count) => !(count >= 1))) throw new RangeError('each choice must have an option');
  if (own.length !== counts.length || own.some((option, c) => !(option >= 0 && option < counts[c]))) {
    throw new RangeError('what is in force must be one of the combinations');
  }
  const total = counts.reduce((product, count) => product * count, 1);
  if (total <= most) return { chosen: Array.from({ length: total }, (_, at) => combinationAt(counts, at)), total };
  const random = new Random(seed);
  const chosen = new Map([[own.join(), [...own]]]);
  while (chosen.size < most) {
    const drawn = counts.map((count) => random.below(count));
    chosen.set(drawn.join(), drawn);
  }
  return { chosen: [...chosen.values()], total };
}

/** The combination at a place, counted with the choices as digits. */
function combinationAt(counts: readonly number[], at: number): number[] {
  const digits = new Array<number>(counts.length);
  for (let c = counts.length - 1, rest = at; c >= 0; c--) {
    digits[c] = rest % counts[c];
    rest = Math.floor(rest / counts[c]);
  }
  return digits;
}
