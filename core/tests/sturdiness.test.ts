import {
  type Choice,
  combinationsOf,
  computeWays,
  kendall,
  ln,
  maximumLikelihood,
  partialCorrelation,
  pearson,
  percentageBend,
  rankNormal,
  reciprocal,
  scaleRelation,
  spearman,
  summarizeWays,
  testLikelihood,
  type Way,
  withinGroup,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';

const N = 40;
const wave = (row: number, speed: number) => Math.sin(row * speed) + Math.cos(row * speed * 0.37);
const x = Float64Array.from({ length: N }, (_, row) => Math.exp(wave(row, 1.3)));
const y = Float64Array.from({ length: N }, (_, row) => Math.exp(0.6 * wave(row, 1.3) + wave(row, 2.9)));
const z = Float64Array.from({ length: N }, (_, row) => wave(row, 0.7));
/** The values of a transformation that refuses nothing here. */
const on = ({ values }: { values: Float64Array | null }) => values ?? new Float64Array(0);
const groups = Float64Array.from({ length: N }, (_, row) => row % 3);
const identifiers = Float64Array.from({ length: N }, (_, row) => Math.floor(row / 2));
const all = new Uint8Array(N).fill(1);
const only = (...rows: number[]) => Uint8Array.from({ length: N }, (_, row) => (rows.includes(row) ? 1 : 0));
const values = (column: Float64Array, keeps: (row: number) => boolean) => column.filter((_, row) => keeps(row));
const wayOf = (ways: readonly Way[], ...options: number[]) => {
  const found = ways.find((way) => way.options.every((stands, c) => stands.includes(options[c] ?? -1)));
  if (!found) throw new Error(`no way for ${options.join()}`);
  return found;
};

describe('all ways', () => {
  const choices: Choice[] = [
    { kind: 'coefficient', options: ['pearson', 'spearman', 'kendall', 'percentage-bend'] },
    { kind: 'scale', of: 'x', options: [x, on(ln(x)), 'rank-normal'] },
    { kind: 'rows', rows: only(3, 4, 5), options: ['out', 'in'] },
    { kind: 'rows', rows: only(17), options: ['in', 'out'] },
    { kind: 'held', options: [{ kind: 'nothing' }, { kind: 'controls', columns: [z] }, { kind: 'groups', labels: groups }] },
  ];
  const { ways, own, combinations, looked } = computeWays({ x, y, rows: all, choices, own: [0, 0, 0, 0, 0] });

  it('are each what the functions for one pair say of the same rows', () => {
    const tests = { pearson, spearman, kendall } as const;
    for (const [m, method] of (['pearson', 'spearman', 'kendall'] as const).entries()) {
      for (const scale of [0, 1, 2]) {
        for (const aside of [0, 1]) {
          for (const row of [0, 1]) {
            const keeps = (at: number) => (aside === 1 || ![3, 4, 5].includes(at)) && (row === 0 || at !== 17);
            const raw = values(x, keeps);
            const u = scale === 0 ? raw : scale === 1 ? on(ln(raw)) : on(rankNormal(raw));
            const v = values(y, keeps);
            const plain = tests[method](u, v);
            const way = wayOf(ways, m, scale, aside, row, 0);
            expect(way.coefficient).toBeCloseTo(plain.coefficient, 12);
            expect(way.pValue).toBeCloseTo(plain.pValue, 12);
            expect([way.low, way.high]).toEqual([
              expect.closeTo(plain.interval?.low ?? 9, 10),
              expect.closeTo(plain.interval?.high ?? 9, 10),
            ]);
            expect(way.n).toBe(raw.length);
            const partial = partialCorrelation(u, v, [values(z, keeps)], { method, replicates: 0 });
            expect(wayOf(ways, m, scale, aside, row, 1).coefficient).toBeCloseTo(partial.coefficient, 12);
            const within = withinGroup(u, v, values(groups, keeps), { method });
            expect(wayOf(ways, m, scale, aside, row, 2).coefficient).toBeCloseTo((within.meanOfZ ?? within).coefficient, 12);
          }
        }
      }
    }
  });

  it('have percentage bend where nothing is held constant, and else say that there is none', () => {
    expect(wayOf(ways, 3, 1, 1, 0, 0).coefficient).toBeCloseTo(percentageBend(on(ln(x)), y).coefficient, 12);
    const impossible = wayOf(ways, 3, 1, 1, 0, 1);
    expect([impossible.impossible, impossible.coefficient, impossible.z]).toEqual(['no-such-partial', Number.NaN, Number.NaN]);
  });

  it('that compute the same count once', () => {
    expect([combinations, looked]).toEqual([4 * 3 * 2 * 2 * 3, 4 * 3 * 2 * 2 * 3]);
    // Both coefficients of ranks on three scales are one way; r and percentage bend are three.
    expect(ways).toHaveLength((2 * 3 + 2) * 2 * 2 * 3);
    expect(wayOf(ways, 1, 0, 0, 0, 0).options[1]).toEqual([0, 1, 2]);
    expect(wayOf(ways, 0, 0, 0, 0, 0).options[1]).toEqual([0]);
    expect(ways[own]).toBe(wayOf(ways, 0, 0, 0, 0, 0));
  });

  it('are compared on z, τ as sin(πτ/2)', () => {
    const way = wayOf(ways, 2, 0, 1, 0, 0);
    expect(way.z).toBeCloseTo(Math.atanh(Math.sin((Math.PI * way.coefficient) / 2)), 12);
    expect(wayOf(ways, 0, 0, 1, 0, 0).z).toBeCloseTo(Math.atanh(pearson(x, y).coefficient), 12);
  });
});

describe('single choices', () => {
  const waysOf = (choices: Choice[], more: Partial<Parameters<typeof computeWays>[0]> = {}) =>
    computeWays({ x, y, rows: all, choices, own: choices.map(() => 0), ...more }).ways;

  it('a scale that falls as the values rise has its sign, interval and one-sided p turned back', () => {
    const falling = on(reciprocal(x));
    const choices: Choice[] = [
      { kind: 'coefficient', options: ['pearson', 'spearman'] },
      { kind: 'scale', of: 'x', options: [x, falling] },
    ];
    const ways = waysOf(choices, { alternative: 'greater' });
    const straight = pearson(falling, y, { alternative: 'less' });
    const way = wayOf(ways, 0, 1);
    expect(way.coefficient).toBeCloseTo(-straight.coefficient, 14);
    expect(way.pValue).toBeCloseTo(straight.pValue, 14);
    expect([way.low, way.high]).toEqual([expect.closeTo(-(straight.interval?.high ?? 9), 12), 1]);
    // Of ranks it is the same way.
    expect(ways).toHaveLength(3);
    expect(wayOf(ways, 1, 1).pValue).toBeCloseTo(spearman(x, y, { alternative: 'greater' }).pValue, 14);
  });

  it('means per identifier average scale by scale, and are no ranks of the raw means', () => {
    const choices: Choice[] = [
      { kind: 'coefficient', options: ['spearman'] },
      { kind: 'scale', of: 'x', options: [x, on(ln(x))] },
      { kind: 'identifier', labels: identifiers, options: ['rows', 'means'] },
    ];
    const ways = waysOf(choices);
    const mean = (column: Float64Array) =>
      Float64Array.from({ length: N / 2 }, (_, i) => ((column[2 * i] ?? 0) + (column[2 * i + 1] ?? 0)) / 2);
    expect(ways).toHaveLength(3);
    expect(wayOf(ways, 0, 1, 1).n).toBe(N / 2);
    expect(wayOf(ways, 0, 1, 1).coefficient).toBeCloseTo(spearman(mean(on(ln(x))), mean(y)).coefficient, 12);
    expect(wayOf(ways, 0, 0, 1).coefficient).toBeCloseTo(spearman(mean(x), mean(y)).coefficient, 12);
  });

  it('an identifier that never repeats makes no second way', () => {
    const single = Float64Array.from({ length: N }, (_, row) => row);
    expect(waysOf([{ kind: 'identifier', labels: single, options: ['rows', 'means'] }])).toHaveLength(1);
  });

  it('listwise over a set is another way only where something is missing', () => {
    const gaps = z.map((value, row) => (row < 5 ? Number.NaN : value));
    expect(waysOf([{ kind: 'missing', set: [z], options: ['pairwise', 'listwise'] }])).toHaveLength(1);
    const ways = waysOf([{ kind: 'missing', set: [z, gaps], options: ['pairwise', 'listwise'] }]);
    expect(ways.map(({ n }) => n)).toEqual([N, N - 5]);
    expect(ways[1]?.coefficient).toBeCloseTo(pearson(x.subarray(5), y.subarray(5)).coefficient, 12);
  });

  it('maximum likelihood uses rows with gaps too, is r only, and is the ordinary way where nothing is missing', () => {
    const gaps = y.map((value, row) => (row % 5 === 0 ? Number.NaN : value));
    const choices: Choice[] = [
      { kind: 'coefficient', options: ['pearson', 'spearman'] },
      { kind: 'missing', set: [], options: ['pairwise', 'maximum-likelihood'] },
      { kind: 'held', options: [{ kind: 'nothing' }, { kind: 'groups', labels: groups }] },
      { kind: 'identifier', labels: identifiers, options: ['rows', 'means'] },
    ];
    const ways = waysOf(choices, { y: gaps });
    const likely = testLikelihood(maximumLikelihood([x, gaps]), 0, 1);
    const found = wayOf(ways, 0, 1, 0, 0);
    expect([found.coefficient, found.pValue, found.low, found.n]).toEqual([likely.coefficient, likely.pValue, likely.interval?.low, N]);
    for (const options of [
      [1, 1, 0, 0],
      [0, 1, 1, 0],
      [0, 1, 0, 1],
    ])
      expect(wayOf(ways, ...options).impossible).toBe('no-likelihood');
    expect(waysOf([{ kind: 'missing', set: [], options: ['pairwise', 'maximum-likelihood'] }])).toHaveLength(1);
    const few = waysOf([{ kind: 'missing', set: [], options: ['maximum-likelihood'] }], { rows: only(0, 5, 7) });
    expect(few[0]?.impossible).toBe('too-few-cases');
    const constant = waysOf([{ kind: 'missing', set: [], options: ['maximum-likelihood'] }], {
      y: gaps.map((value) => (value === value ? 2 : value)),
    });
    expect(constant[0]?.impossible).toBe('constant-y');
  });

  it('a subset takes its rows, or all', () => {
    const inside = Uint8Array.from({ length: N }, (_, row) => (row < 25 ? 1 : 0));
    expect(waysOf([{ kind: 'subset', inside, options: ['inside', 'all'] }]).map(({ n }) => n)).toEqual([25, N]);
  });

  it('rows that may not be used at all come in by no choice', () => {
    const rows = Uint8Array.from({ length: N }, (_, row) => (row < 30 ? 1 : 0));
    expect(waysOf([{ kind: 'rows', rows: only(2, 35), options: ['in', 'out'] }], { rows }).map(({ n }) => n)).toEqual([30, 29]);
  });

  it('groups that differ within a case belong to none when cases are averaged', () => {
    const own = identifiers.map((label) => label % 2);
    const mixed = own.map((label, row) => (row === 1 ? 1 - label : label));
    const choices = (labels: Float64Array): Choice[] => [
      { kind: 'held', options: [{ kind: 'groups', labels }] },
      { kind: 'identifier', labels: identifiers, options: ['means'] },
    ];
    expect(waysOf(choices(own))[0]?.n).toBe(N / 2);
    expect(waysOf(choices(mixed))[0]?.n).toBe(N / 2 - 1);
  });

  test.each([
    ['fewer than four rows', only(1, 2, 3), 'too-few-cases'],
    ['no row at all', only(), 'too-few-cases'],
  ])('%s make no way, and the reason is said', (_, rows, because) => {
    const [way] = waysOf([{ kind: 'coefficient', options: ['pearson'] }], { rows });
    expect([way?.impossible, way?.coefficient, way?.pValue]).toEqual([because, Number.NaN, Number.NaN]);
  });

  test.each(['pearson', 'spearman', 'kendall', 'percentage-bend'] as const)(
    '%s of a variable that does not vary is impossible',
    (method) => {
      const [way] = waysOf([{ kind: 'coefficient', options: [method] }], { x: new Float64Array(N).fill(4) });
      expect(way?.impossible).toBe('constant-x');
    },
  );

  it('a perfect coefficient has no z', () => {
    const [way] = waysOf([{ kind: 'coefficient', options: ['pearson'] }], { y: x.map((value) => 3 - 2 * value) });
    expect([way?.coefficient, way?.z, way?.impossible]).toEqual([-1, Number.NEGATIVE_INFINITY, null]);
  });

  it('an option in force that does not exist is refused, and so is a choice without any', () => {
    expect(() => computeWays({ x, y, rows: all, choices: [{ kind: 'coefficient', options: ['pearson'] }], own: [1] })).toThrow(RangeError);
    expect(() => computeWays({ x, y, rows: all, choices: [{ kind: 'coefficient', options: [] }], own: [0] })).toThrow(RangeError);
  });
});

describe('more combinations than are computed', () => {
  it('are sampled by a seed, each once, the own among them', () => {
    const counts = Array.from({ length: 14 }, () => 2);
    const own = counts.map((_, c) => c % 2);
    const first = combinationsOf(counts, own, { most: 500, seed: 7 });
    expect(first.total).toBe(2 ** 14);
    expect(new Set(first.chosen.map((options) => options.join())).size).toBe(500);
    expect(first.chosen.some((options) => options.join() === own.join())).toBe(true);
    expect(combinationsOf(counts, own, { most: 500, seed: 7 })).toEqual(first);
    expect(combinationsOf(counts, own, { most: 500, seed: 8 })).not.toEqual(first);
    // Each option of each choice about half the time: 500 draws lie within .4 to .6 but once in 100,000.
    for (const c of counts.keys()) {
      const share = first.chosen.filter((options) => options[c] === 1).length / 500;
      expect(share).toBeGreaterThan(0.4);
      expect(share).toBeLessThan(0.6);
    }
  });
});

describe('how a scale stands to the raw values', () => {
  const raw = Float64Array.of(1, 2, 2, 4, Number.NaN, 9);
  test.each([
    ['a logarithm', raw.map((value) => Math.log(value)), { sign: 1, keepsRanks: true }],
    ['a reciprocal', raw.map((value) => 1 / value), { sign: -1, keepsRanks: true }],
    ['one that rounds', raw.map((value) => Math.floor(value / 3)), { sign: 1, keepsRanks: false }],
    ['one that goes up and down', raw.map((value) => (value - 3) ** 2), { sign: 1, keepsRanks: false }],
    ['one that tells ties apart', Float64Array.of(1, 2, 3, 4, 5, 6), { sign: 1, keepsRanks: false }],
    ['one that does not vary', new Float64Array(6).fill(1), { sign: 1, keepsRanks: false }],
  ])('%s', (_, scale, relation) => {
    expect(scaleRelation(raw, scale)).toEqual(relation);
  });
});

/** A way with its options and coefficient only. */
const way = (options: number[], coefficient: number, pValue = 0.01): Way => ({
  options: options.map((option) => [option]),
  coefficient,
  z: Math.atanh(coefficient),
  low: Number.NaN,
  high: Number.NaN,
  pValue,
  n: 20,
  impossible: null,
});

describe('the summary of ways', () => {
  // z as a sum of two choices: 2 × 3 cells, balanced, so that shares are the sums of squares of an analysis of variance.
  const effects = [
    [0, 0.4],
    [0, 0.1, 0.5],
  ] as const;
  const additive = [0, 1].flatMap((a) => [0, 1, 2].map((b) => way([a, b], Math.tanh((effects[0][a] ?? 0) + (effects[1][b] ?? 0)))));

  it('shares the spread of z as an analysis of variance does', () => {
    const { shares, together } = summarizeWays(additive, { counts: [2, 3], own: 0, alpha: 0.05 });
    // Sums of squares: 6 · .2² = .24 for the first; 2 · (.2² + .1² + .3²) = .28 for the second.
    expect(shares).toEqual([
      { choice: 1, share: expect.closeTo(0.28 / 0.52, 12) },
      { choice: 0, share: expect.closeTo(0.24 / 0.52, 12) },
    ]);
    expect(together).toBeCloseTo(0, 12);
  });

  it('gives to choices together what no choice brings by itself', () => {
    const crossed = [0, 1].flatMap((a) => [0, 1].map((b) => way([a, b], a === b ? 0.5 : -0.5)));
    const { shares, together } = summarizeWays(crossed, { counts: [2, 2], own: 0, alpha: 0.05 });
    expect(shares.map(({ share }) => share)).toEqual([expect.closeTo(0, 12), expect.closeTo(0, 12)]);
    expect(together).toBeCloseTo(1, 12);
  });

  it('counts signs and decisions, and names what the rarer ones have in common', () => {
    // Positive only with the first of the first choice and the last of the third.
    const ways = [0, 1].flatMap((a) =>
      [0, 1].flatMap((b) => [0, 1, 2].map((c) => way([a, b, c], a === 0 && c === 2 ? 0.08 : -0.5, c === 1 ? 0.2 : 0.01))),
    );
    const told = summarizeWays(ways, { counts: [2, 2, 3], own: 0, alpha: 0.05 });
    expect([told.computed, told.negative, told.positive, told.tested, told.significant]).toEqual([12, 10, 2, 12, 8]);
    expect([told.lowest, told.median, told.highest]).toEqual([-0.5, -0.5, 0.08]);
    expect(told.sign).toEqual({
      ways: 2,
      always: true,
      parts: [
        { choice: 0, options: [0] },
        { choice: 2, options: [2] },
      ],
    });
    expect(told.decision).toEqual({ ways: 4, always: true, significant: false, parts: [{ choice: 2, options: [1] }] });
  });

  it('says that a condition is needed but not enough', () => {
    const ways = [way([0, 0], 0.1), way([0, 1], -0.3), way([1, 0], -0.3), way([1, 1], -0.4), way([0, 2], 0.2), way([1, 2], -0.1)];
    const told = summarizeWays([...ways, way([0, 1], -0.2)], { counts: [2, 3], own: 1, alpha: 0.05 });
    expect(told.sign).toEqual({
      ways: 2,
      always: true,
      parts: [
        { choice: 0, options: [0] },
        { choice: 1, options: [0, 2] },
      ],
    });
    const needed = summarizeWays([way([0, 0], 0.1), way([0, 1], -0.2), way([1, 0], -0.3), way([0, 0], -0.1)], {
      counts: [2, 2],
      own: 1,
      alpha: 0.05,
    });
    expect(needed.sign).toEqual({
      ways: 1,
      always: false,
      parts: [
        { choice: 0, options: [0] },
        { choice: 1, options: [0] },
      ],
    });
  });

  it('takes ways that agree in everything for what they are', () => {
    const told = summarizeWays([way([0], 0.4), way([1], 0.4)], { counts: [2], own: 0, alpha: 0.05 });
    expect([told.sign, told.decision, told.together]).toEqual([null, null, 0]);
    expect(told.shares).toEqual([{ choice: 0, share: 0 }]);
  });

  it('leaves out what has no coefficient, no p or no z where it counts', () => {
    const impossible: Way = { ...way([2], Number.NaN, Number.NaN), impossible: 'too-few-cases' };
    const told = summarizeWays([way([0], 1), way([1], 0.4, Number.NaN), impossible, way([3], 0.3, 0.2)], {
      counts: [4],
      own: 0,
      alpha: 0.05,
    });
    expect([told.computed, told.impossible, told.perfect, told.tested, told.significant]).toEqual([3, 1, 1, 2, 1]);
    expect([told.highest, told.together]).toEqual([1, 0]);
    expect(told.shares[0]?.share).toBeCloseTo(1, 12);
    const none = summarizeWays([impossible], { counts: [4], own: 0, alpha: 0.05 });
    expect([none.computed, none.lowest, none.median, none.sign, none.decision]).toEqual([0, Number.NaN, Number.NaN, null, null]);
  });
});
