import { readFileSync } from 'node:fs';
import { betweenGroups, clusterBootstrap, pairCautions, pearson, withinGroup } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';
import { expectFigure } from './accuracy';

/** Computed by reference/generate.py with mpmath. */
const reference = JSON.parse(readFileSync('reference/groups.json', 'utf8'));
const [ph, paco2, person] = ['y', 'x', 'labels'].map((name) => Float64Array.from(reference.slopes[0][name] as number[])) as [
  Float64Array,
  Float64Array,
  Float64Array,
];

describe('an interval from cases drawn with all their rows', () => {
  /** k cases of m rows: what they share makes up a part of each value. */
  const sample = (random: Random, k: number, m: number, shared: number) => {
    const [x, y, ids] = [new Float64Array(k * m), new Float64Array(k * m), new Float64Array(k * m)];
    for (let c = 0; c < k; c++) {
      const [a, b] = [random.normal(), random.normal()];
      for (let i = 0; i < m; i++) {
        const at = c * m + i;
        x[at] = Math.sqrt(shared) * a + Math.sqrt(1 - shared) * random.normal();
        y[at] = Math.sqrt(shared) * b + Math.sqrt(1 - shared) * random.normal();
        ids[at] = c;
      }
    }
    return [x, y, ids] as const;
  };

  it('holds a correlation of 0 about as often as it says where rows of a case are alike, where Fisher’s interval does not', () => {
    const random = new Random(47);
    let [clustered, fisher] = [0, 0];
    const samples = 300;
    for (let s = 0; s < samples; s++) {
      const [x, y, ids] = sample(random, 40, 5, 0.7);
      const { interval } = clusterBootstrap(x, y, ids, { method: 'pearson', replicates: 400, seed: s });
      const plain = pearson(x, y).interval;
      if (interval && interval.low <= 0 && interval.high >= 0) clustered++;
      if (plain && plain.low <= 0 && plain.high >= 0) fisher++;
    }
    // Percentile intervals of 40 cases hold somewhat less often than 95 %; three standard errors of 300 samples are 4 %.
    expect(clustered / samples).toBeGreaterThan(0.87);
    expect(fisher / samples).toBeLessThan(0.85);
  });

  test.each(['pearson', 'spearman', 'kendall'] as const)(
    '%s: is the ordinary one where no case repeats, and the same by the same seed',
    (method) => {
      const [x, y] = sample(new Random(5), 60, 1, 0);
      const ids = Float64Array.from(x, (_, i) => 1000 - i);
      const first = clusterBootstrap(x, y, ids, { method, seed: 3, replicates: 500 });
      expect(first.identifiers).toBe(60);
      expect(clusterBootstrap(x, y, ids, { method, seed: 3, replicates: 500 })).toEqual(first);
      expect(clusterBootstrap(x, y, ids, { method, seed: 4, replicates: 500 }).interval).not.toEqual(first.interval);
      expect(first.interval?.low).toBeLessThan(first.coefficient);
      expect(first.interval?.high).toBeGreaterThan(first.coefficient);
    },
  );

  it('draws cases of unequal size whole', () => {
    const random = new Random(8);
    const ids = Float64Array.from({ length: 90 }, (_, i) => (i < 40 ? 0 : i));
    const x = Float64Array.from(ids, () => random.normal());
    const y = x.map((value) => value + random.normal());
    const got = clusterBootstrap(x, y, ids, { method: 'spearman', replicates: 300 });
    expect([got.identifiers, got.n]).toEqual([51, 90]);
    expect(got.interval?.low).toBeGreaterThan(0);
  });

  it('needs ten cases, and rows with everything', () => {
    const eight = clusterBootstrap(ph, paco2, person, { method: 'pearson' });
    expect([eight.identifiers, eight.interval, eight.n]).toEqual([8, null, 47]);
    const gaps = ph.map((value, i) => (i === 0 ? Number.NaN : value));
    expect(clusterBootstrap(gaps, paco2, person, { method: 'pearson' }).n).toBe(46);
    const constant = new Float64Array(20).fill(2);
    const ids = Float64Array.from({ length: 20 }, (_, i) => i);
    expect(clusterBootstrap(constant, ids, ids, { method: 'kendall' }).interval).toBeNull();
    expect(() => clusterBootstrap(ph, paco2, ids, { method: 'pearson' })).toThrow(RangeError);
    expect(() => clusterBootstrap(ph, paco2, person, { method: 'pearson', replicates: 0 })).toThrow(RangeError);
  });
});

describe('the remedy of rows that are not independent', () => {
  const context = { method: 'pearson', alpha: 0.05 } as const;
  it('is the coefficient within the cases: eight persons, Bland & Altman (1995)', () => {
    const found = pairCautions(ph, paco2, { ...context, repeatedRows: 47, identifiers: person }).find(
      ({ code }) => code === 'rows-not-independent',
    );
    expect(found?.remedy?.kind).toBe('within-cases');
    expectFigure('withinGroup', 'Bland & Altman (1995), from memory', found?.remedy?.coefficient ?? Number.NaN, -0.5067697, 1e-6);
    expect(found?.level).toBe('could-change');
  });

  it('is told but decides nothing where fewer than half of the rows repeat', () => {
    const found = pairCautions(ph, paco2, { ...context, repeatedRows: 20, identifiers: person }).find(
      ({ code }) => code === 'rows-not-independent',
    );
    expect([found?.level, found?.remedy?.coefficient]).toEqual(['note', withinGroup(ph, paco2, person, context).coefficient]);
  });

  it('is none where no case has rows enough, and where it is not known which rows belong together', () => {
    const single = Float64Array.from(ph, (_, i) => i);
    for (const more of [{ identifiers: single }, {}]) {
      const found = pairCautions(ph, paco2, { ...context, repeatedRows: 20, ...more }).find(({ code }) => code === 'rows-not-independent');
      expect([found?.remedy, found?.level]).toEqual([null, 'note']);
    }
  });
});

it.each([0, 2 ** 30, 1e12])('means of groups keep their digits beside a mean of %d', (far) => {
  const random = new Random(19);
  const labels = Float64Array.from({ length: 120 }, (_, i) => i % 24);
  const level = Float64Array.from({ length: 24 }, () => random.normal());
  // Sixteenths, which a double of about 1e12 holds exactly.
  const of = (noise: number) => Float64Array.from(labels, (label) => Math.round(16 * ((level[label] ?? 0) + noise * random.normal())) / 16);
  const [x, y] = [of(1), of(2)];
  const [near, moved] = [
    betweenGroups(x, y, labels),
    betweenGroups(
      x.map((value) => far + value),
      y.map((value) => far - value),
      labels,
    ),
  ];
  expect(moved.weighted.coefficient).toBeCloseTo(-near.weighted.coefficient, 13);
  expect(moved.unweighted.coefficient).toBeCloseTo(-near.unweighted.coefficient, 13);
  expect(moved.weighted.pValue / near.weighted.pValue).toBeCloseTo(1, 11);
});

it('three groups have a test, two have none', () => {
  const [x, y] = [Float64Array.of(1, 3, 4, 6, 8, 9), Float64Array.of(2, 2, 5, 3, 4, 9)];
  const three = betweenGroups(x, y, Float64Array.of(0, 0, 1, 1, 2, 2));
  expect([three.groups, three.weighted.df]).toEqual([3, 1]);
  expect(three.weighted.pValue).toBeGreaterThan(0);
  const two = betweenGroups(x, y, Float64Array.of(0, 0, 0, 1, 1, 1));
  expect([two.groups, two.weighted.coefficient, two.weighted.pValue]).toEqual([2, Number.NaN, Number.NaN]);
});
