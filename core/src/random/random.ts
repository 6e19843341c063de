import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plusFromState } from 'pure-rand/generator/xoroshiro128plus';
import { splitMix64 } from './split-mix';

const TWO_32 = 2 ** 32;

/**
 * Seeded random numbers: the same seed gives the same numbers everywhere. Generator: Blackman & Vigna (2018), xoroshiro128+,
 * whose state is the seed mixed by splitmix64, since the generator does not mix it: neighbouring seeds would begin alike.
 */
export class Random {
  #generator;
  #spare = Number.NaN;

  /** @throws {RangeError} a seed that is not an integer. */
  constructor(seed: number) {
    if (!Number.isInteger(seed)) throw new RangeError(`seed must be an integer; got ${seed}`);
    const mixed = splitMix64(BigInt(seed));
    const halves = [mixed(), mixed()].flatMap((word) => [Number(word >> 32n) | 0, Number(word & 0xffffffffn) | 0]);
    this.#generator = xoroshiro128plusFromState(halves);
  }

  /** Goes 2⁶⁴ numbers on. */
  jump(): void {
    this.#generator.jump();
    this.#spare = Number.NaN;
  }

  /** The next 2⁶⁴ numbers as a stream of its own, behind which this one goes on: streams of one seed never meet. */
  split(): Random {
    const part = new Random(0);
    part.#generator = this.#generator.clone();
    this.jump();
    return part;
  }

  /** Uniform in [0, 1). */
  uniform(): number {
    return uniformFloat64(this.#generator);
  }

  /** An integer from 0 to below `limit`; the bias is below limit/2³². */
  below(limit: number): number {
    return Math.floor(((this.#generator.next() >>> 0) * limit) / TWO_32);
  }

  /** Normal deviate, polar method (Marsaglia & Bray 1964). */
  normal(): number {
    if (this.#spare === this.#spare) {
      const value = this.#spare;
      this.#spare = Number.NaN;
      return value;
    }
    for (;;) {
      const u = 2 * this.uniform() - 1;
      const v = 2 * this.uniform() - 1;
      const s = u * u + v * v;
      if (s >= 1 || s === 0) continue;
      const factor = Math.sqrt((-2 * Math.log(s)) / s);
      this.#spare = v * factor;
      return u * factor;
    }
  }

  /** Gamma deviate of unit scale (Marsaglia & Tsang 2000), shape ≥ 1. */
  gamma(shape: number): number {
    const d = shape - 1 / 3;
    const c = 1 / Math.sqrt(9 * d);
    for (;;) {
      const x = this.normal();
      const v = (1 + c * x) ** 3;
      if (v <= 0) continue;
      const u = 1 - this.uniform();
      // The squeeze accepts nearly all without a logarithm.
      if (u < 1 - 0.0331 * x ** 4 || Math.log(u) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
    }
  }

  /** Shuffles in place (Fisher & Yates 1938, Durstenfeld 1964). */
  shuffle(values: Float64Array | Int32Array): void {
    for (let i = values.length - 1; i > 0; i--) {
      const j = this.below(i + 1);
      const held = values[i];
      values[i] = values[j];
      values[j] = held;
    }
  }
}
