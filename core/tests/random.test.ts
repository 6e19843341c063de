import { describe, expect, it } from 'vitest';
import { Random } from '../src/random/random';

const SEEDS = Array.from({ length: 1000 }, (_, seed) => seed);
const outputs = (count: number) =>
  SEEDS.map((seed) => {
    const random = new Random(seed);
    return Array.from({ length: count }, () => random.uniform());
  });

/** Largest distance of the distribution of values from the uniform one, times √n: 1.95 is passed once in 1,000 times. */
function kolmogorov(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const n = sorted.length;
  return Math.sqrt(n) * Math.max(...sorted.map((value, i) => Math.max(value - i / n, (i + 1) / n - value)));
}

function correlation(x: readonly number[], y: readonly number[]): number {
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [a, b] = [mean(x), mean(y)];
  const sum = (u: readonly number[], v: readonly number[], mu: number, mv: number) =>
    u.reduce((total, value, i) => total + (value - mu) * ((v[i] ?? 0) - mv), 0);
  return sum(x, y, a, b) / Math.sqrt(sum(x, x, a, a) * sum(y, y, b, b));
}

describe('neighbouring seeds', () => {
  it('begin with uniform numbers that do not go together', () => {
    const rows = outputs(4);
    for (let k = 0; k < 4; k++) {
      const values = rows.map((row) => row[k] ?? 0);
      expect(kolmogorov(values)).toBeLessThan(1.95);
      // From one seed to the next, and from each output to the one after it: 3.3 standard errors.
      expect(Math.abs(correlation(values.slice(1), values.slice(0, -1)))).toBeLessThan(3.3 / Math.sqrt(999));
      if (k > 0) {
        expect(
          Math.abs(
            correlation(
              values,
              rows.map((row) => row[k - 1] ?? 0),
            ),
          ),
        ).toBeLessThan(3.3 / Math.sqrt(1000));
      }
    }
  });

  it('shuffle each row to each place alike', () => {
    const kept = new Float64Array(20);
    for (const seed of SEEDS) {
      const order = Int32Array.from({ length: 20 }, (_, i) => i);
      new Random(seed).shuffle(order);
      order.forEach((row, place) => {
        if (row === place) kept[place]++;
      });
    }
    // 50 wanted of each, with a standard deviation of 6.9.
    for (const count of kept) expect(Math.abs(count - 50)).toBeLessThan(28);
  });
});

describe('a seed', () => {
  it('counts with all its digits', () => {
    const first = (seed: number) => new Random(seed).uniform();
    const seeds = [0, 1, 2 ** 32, 2 ** 32 + 1, 2 ** 40 + 1, Number.MAX_SAFE_INTEGER, -1];
    expect(new Set(seeds.map(first)).size).toBe(seeds.length);
    expect(first(2 ** 32 + 1)).toBe(first(2 ** 32 + 1));
  });

  it.each([0.5, Number.NaN, Number.POSITIVE_INFINITY])('%d is none', (seed) => expect(() => new Random(seed)).toThrow(RangeError));

  it('mixed as published: splitmix64 of 1234567 and what xoroshiro128+ makes of it', () => {
    // First outputs of splitmix64 from seed 1234567 as its authors’ program prints them (from memory, and found by the formula):
    // 6457827717110365317, 3203168211198807973. The low half of their sum, over 2³², is the first number below a limit.
    const low = Number((6457827717110365317n + 3203168211198807973n) & 0xffffffffn);
    expect(new Random(1234567).below(2 ** 32)).toBe(low);
  });
});

describe('streams of one seed', () => {
  it('start far apart, whoever jumps, and do not go together', () => {
    const streams = Array.from({ length: 4 }, (_, k) => {
      const random = new Random(9);
      for (let jumped = 0; jumped < k; jumped++) random.jump();
      return Array.from({ length: 2000 }, () => random.uniform());
    });
    for (let j = 1; j < streams.length; j++) {
      for (let i = 0; i < j; i++) expect(Math.abs(correlation(streams[i] ?? [], streams[j] ?? []))).toBeLessThan(3.3 / Math.sqrt(2000));
    }
    const parts = new Random(9);
    const [first, second] = [parts.split(), parts.split()];
    expect([first.uniform(), second.uniform(), parts.uniform()]).toEqual([0, 1, 2].map((k) => streams[k]?.[0]));
  });

  it('a jump leaves no normal deviate of the stream before it', () => {
    const [one, other] = [new Random(3), new Random(3)];
    one.normal();
    for (const random of [one, other]) random.jump();
    expect(Number.isFinite(one.normal())).toBe(true);
    const again = new Random(3);
    again.jump();
    expect(other.normal()).toBe(again.normal());
  });
});
