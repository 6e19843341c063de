import { kendall } from '@ivlen/core';
import { afterAll, expect, test } from 'vitest';
import { Random } from '../../src/random/random';
import { record, type Simulated } from './record';

const found: Simulated[] = [];
afterAll(() => record(found));

/** Upper ends of the levels of a cut normal variable, by the share of pairs of rows that then tie. */
const CUTS = {
  'no ties': null,
  '30 % of pairs tied': [-0.202, 0.468, 1.175],
  '60 % of pairs tied': [0.706, 1.282],
} as const;

function cut(values: Float64Array, ends: readonly number[] | null): Float64Array {
  return ends ? values.map((value) => ends.filter((end) => value > end).length) : values;
}

function draw(random: Random, n: number, rho: number, ends: readonly number[] | null): [Float64Array, Float64Array] {
  const x = Float64Array.from({ length: n }, () => random.normal());
  const y = x.map((value) => rho * value + Math.sqrt(1 - rho * rho) * random.normal());
  return [cut(x, ends), cut(y, ends)];
}

const settings = [20, 50, 200].flatMap((n) =>
  Object.entries(CUTS).flatMap(([name, ends]) => [0, 0.45, 0.81].map((rho) => [n, name, rho, ends] as const)),
);

test.each(settings)('interval of τ: n = %d, %s, normal ρ = %d', (n, name, rho, ends) => {
  const truth = kendall(...draw(new Random(1), 400_000, rho, ends), { p: 'approximate' }).coefficient;
  const random = new Random(n + 1000 * rho + (ends?.length ?? 0));
  const wanted = 4000;
  let [samples, held] = [0, 0];
  for (let k = 0; k < wanted; k++) {
    const { interval } = kendall(...draw(random, n, rho, ends), { p: 'approximate' });
    // Where fewer than five rows lie outside a tie nothing is promised, and the result says so.
    if (!interval || interval.unsure) continue;
    samples++;
    if (interval.low <= truth && interval.high >= truth) held++;
  }
  const share = held / samples;
  const least = name === '60 % of pairs tied' ? 0.91 : 0.93;
  found.push({
    what: '95 % interval of τ holding the population’s',
    setting: `n = ${n}, ${name}, τ = ${truth.toFixed(2)}`,
    share,
    wanted: `${least} to .98`,
    samples,
  });
  expect(share).toBeGreaterThan(least - 0.01);
  expect(share).toBeLessThan(0.985);
});
