import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Seeded random numbers for the invented world. */
export class Random {
  #generator;

  constructor(seed: number) {
    this.#generator = xoroshiro128plus(seed);
  }

  /** Uniform in [0, 1). */
  uniform(): number {
    return uniformFloat64(this.#generator);
  }

  /** Normal deviate; Box & Muller (1958). */
  normal(mean = 0, sd = 1): number {
    const radius = Math.sqrt(-2 * Math.log(1 - this.uniform()));
    return mean + sd * radius * Math.cos(2 * Math.PI * this.uniform());
  }

  /** One of the items, each with its weight. */
  pick<T>(items: readonly (readonly [T, number])[]): T {
    let rest = this.uniform() * items.reduce((sum, [, weight]) => sum + weight, 0);
    for (const [item, weight] of items) {
      rest -= weight;
      if (rest < 0) return item;
    }
    throw new RangeError('pick needs at least one item');
  }

  /** Poisson count by multiplication (Knuth 1969); for means below some hundreds. */
  poisson(mean: number): number {
    const limit = Math.exp(-mean);
    let count = -1;
    for (let product = 1; product > limit; count++) product *= this.uniform();
    return count;
  }
}
