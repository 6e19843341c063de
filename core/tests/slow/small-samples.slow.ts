import { belowLimits, distanceCorrelation, influence, maximumLikelihood, polyserial, testLikelihood, unseenPairs } from '@ivlen/core';
import { afterAll, describe, expect, test } from 'vitest';
import { Random } from '../../src/random/random';
import { record, type Simulated } from './record';

const found: Simulated[] = [];
afterAll(() => {
  record(found);
  for (const { what, setting, share, wanted, samples } of found) {
    process.stdout.write(`${what}, ${setting}: ${share.toFixed(3)} of ${samples} (wanted ${wanted})\n`);
  }
});

const normal = (random: Random, n: number) => Float64Array.from({ length: n }, () => random.normal());
function pairOf(random: Random, n: number, rho: number): [Float64Array, Float64Array] {
  const x = normal(random, n);
  return [x, x.map((value) => rho * value + Math.sqrt(1 - rho * rho) * random.normal())];
}

interface Judged {
  readonly p: number;
  readonly low: number;
  readonly high: number;
}
/** One sample judged; null where there is no answer, which is counted apart. */
type Sample = (random: Random, n: number, rho: number) => Judged | null;

const limits = (interval: { low: number; high: number } | null) => ({
  low: interval?.low ?? Number.NaN,
  high: interval?.high ?? Number.NaN,
});
const withGaps =
  (share: number): Sample =>
  (random, n, rho) => {
    const [x, y] = pairOf(random, n, rho);
    for (let i = 0; i < n; i++) {
      if (random.uniform() < share) y[i] = Number.NaN;
      else if (random.uniform() < share / 2) x[i] = Number.NaN;
    }
    const likelihood = maximumLikelihood([x, y]);
    if (!likelihood.converged) return null;
    const { pValue: p, interval } = testLikelihood(likelihood, 0, 1);
    return interval ? { p, ...limits(interval) } : null;
  };
const inLevels =
  (cuts: readonly number[]): Sample =>
  (random, n, rho) => {
    const [x, y] = pairOf(random, n, rho);
    const {
      converged,
      pValue: p,
      interval,
    } = polyserial(
      x,
      y.map((value) => cuts.filter((cut) => value > cut).length),
    );
    return converged ? { p, ...limits(interval) } : null;
  };
const censored =
  (limit: number): Sample =>
  (random, n, rho) => {
    const [x, y] = pairOf(random, n, rho).map((values) => ({
      values,
      limits: values.map((value) => (value < limit ? limit : Number.NaN)),
    })) as [{ values: Float64Array; limits: Float64Array }, { values: Float64Array; limits: Float64Array }];
    const { converged, pValue: p, interval } = belowLimits(x, y);
    return converged ? { p, ...limits(interval) } : null;
  };
const KINDS: readonly (readonly [string, Sample, number])[] = [
  ['maximum likelihood, 20 % missing', withGaps(0.2), 20_000],
  ['maximum likelihood, 40 % missing', withGaps(0.4), 20_000],
  ['polyserial, two levels', inLevels([0]), 6000],
  ['polyserial, four levels', inLevels([-1, 0, 1]), 6000],
  ['20 % below a limit', censored(-0.8416), 3000],
  ['50 % below a limit', censored(0), 3000],
];

describe.each(KINDS)('%s', (what, sample, samples) => {
  test.each([20, 50])('rejects no correlation as often as it says, and holds the true one: n = %d', (n) => {
    const most = n === 20 ? 0.065 : 0.06;
    for (const rho of [0, 0.5, 0.8]) {
      const random = new Random(100 * n + 10 * rho);
      let [answered, rejected, held] = [0, 0, 0];
      for (let s = 0; s < samples; s++) {
        const judged = sample(random, n, rho);
        if (!judged) continue;
        answered++;
        if (judged.p <= 0.05) rejected++;
        if (judged.low <= rho && rho <= judged.high) held++;
      }
      expect(answered / samples).toBeGreaterThan(0.95);
      const setting = `n = ${n}, ρ = ${rho}`;
      if (rho === 0) {
        found.push({
          what: `no correlation rejected at .05, ${what}`,
          setting,
          share: rejected / answered,
          wanted: `at most ${most}`,
          samples,
        });
        expect(rejected / answered).toBeLessThanOrEqual(most);
      }
      found.push({ what: `95 % interval holding ρ, ${what}`, setting, share: held / answered, wanted: 'at least .93', samples });
      expect(held / answered).toBeGreaterThanOrEqual(0.93);
    }
  });
});

describe('distance correlation rejects independence as often as it says', () => {
  test.each([4, 5, 6, 8, 10, 15, 29, 30])('n = %d', (n) => {
    const random = new Random(7 + n);
    const samples = 4000;
    let rejected = 0;
    for (let s = 0; s < samples; s++) {
      if (distanceCorrelation(normal(random, n), normal(random, n), { p: 'bound', permutations: 199, seed: s }).pValue <= 0.05) rejected++;
    }
    const share = rejected / samples;
    found.push({
      what: 'independence rejected at .05 by distance correlation',
      setting: `n = ${n}`,
      share,
      wanted: 'at most .06',
      samples,
    });
    expect(share).toBeLessThanOrEqual(0.06);
  });

  test.each([6, 20])('and so does the search over all pairs of five variables: n = %d', (n) => {
    const random = new Random(90 + n);
    const samples = 400;
    let rejected = 0;
    for (let s = 0; s < samples; s++) {
      const columns = Array.from({ length: 5 }, () => normal(random, n));
      if (unseenPairs(columns, { seed: s }).some(({ anyP }) => anyP <= 0.05)) rejected++;
    }
    const share = rejected / samples;
    found.push({ what: 'tables with any dependent pair at .05', setting: `5 variables, n = ${n}`, share, wanted: 'at most .07', samples });
    expect(share).toBeLessThanOrEqual(0.07);
  });
});

describe('one row seldom carries a clean normal pair', () => {
  test.each(['pearson', 'spearman', 'kendall'] as const)('%s, n = 20', (method) => {
    const random = new Random(41);
    const samples = 6000;
    let marked = 0;
    for (let s = 0; s < samples; s++) if (influence(...pairOf(random, 20, [0, 0.3, 0.6][s % 3] ?? 0), { method }).onePointCarries) marked++;
    const share = marked / samples;
    found.push({ what: `clean pairs that one row is said to carry, ${method}`, setting: 'n = 20', share, wanted: 'at most .055', samples });
    expect(share).toBeLessThanOrEqual(0.055);
  });
});
