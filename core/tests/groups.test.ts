import { readFileSync } from 'node:fs';
import {
  type AcrossGroups,
  type AcrossGroupsOptions,
  acrossGroups,
  betweenGroups,
  bootstrapDifference,
  bootstrapDifferenceOfPairs,
  type CorrelationTest,
  compareIndependent,
  compareNonOverlapping,
  compareOverlapping,
  compareSlopes,
  correctRangeRestriction,
  groupDisagreement,
  isRangeRestricted,
  type Method,
  partialCorrelation,
  pearson,
  permutationCompare,
  randomEffects,
  testPair,
  withinGroup,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';
import { expectFigure, expectFigures } from './accuracy';

/** Computed by reference/generate.py with mpmath, scipy and statsmodels. */
const reference = JSON.parse(readFileSync('reference/groups.json', 'utf8'));
const column = (values: readonly (number | null)[]) => Float64Array.from(values, (value) => value ?? Number.NaN);

describe('how much groups differ', () => {
  it.each([0, 1, 2])('case %i against mpmath', (k) => {
    const { groups, method, ...figures } = reference.random[k] as { groups: { coefficient: number; n: number }[]; method: Method } & Record<
      string,
      number
    >;
    const got = randomEffects(groups, { method });
    expectFigures(
      'randomEffects',
      'the papers’ formulas, mpmath 60 digits',
      [got.iSquared, got.tauSquared, got.coefficient, got.interval?.low ?? Number.NaN, got.interval?.high ?? Number.NaN],
      [figures.iSquared, figures.tauSquared, figures.coefficient, figures.low, figures.high] as number[],
      1e-10,
    );
    const { q, pValue } = compareIndependent(groups, { method });
    expectFigures('compareIndependent', 'scipy and mpmath', [q, pValue], [figures.q, figures.p] as number[], 1e-10);
  });

  it('is as published for four and for three groups, seven digits', () => {
    const of = (rs: readonly number[], ns: readonly number[]) => rs.map((coefficient, k) => ({ coefficient, n: ns[k] }));
    const four = randomEffects(of([0.12, 0.55, 0.4, -0.05], [60, 62, 63, 60]), { method: 'pearson' });
    expect([four.iSquared, four.tauSquared, four.coefficient].map((value) => value.toFixed(7))).toEqual([
      '0.8082969',
      '0.0723965',
      '0.2720377',
    ]);
    expect([four.interval?.low.toFixed(7), four.interval?.high.toFixed(7)]).toEqual(['-0.1951742', '0.6386182']);
    const three = randomEffects(of([0.51, 0.46, 0.55], [103, 85, 60]), { method: 'pearson' });
    expect([three.iSquared, three.coefficient.toFixed(7)]).toEqual([0, '0.5031817']);
    expect([three.interval?.low.toFixed(7), three.interval?.high.toFixed(7)]).toEqual(['0.2684958', '0.6814804']);
  });

  it('is said of three groups or more that can be tested, and of no others', () => {
    const groups = [0.2, 0.5, 1, Number.NaN].map((coefficient) => ({ coefficient, n: 20 }));
    expect(randomEffects(groups, { method: 'pearson' })).toMatchObject({ groups: 2, iSquared: Number.NaN, interval: null });
    expect(randomEffects([...groups, { coefficient: 0.1, n: 3 }], { method: 'pearson' }).groups).toBe(2);
    // Groups that agree exactly: nothing is more than chance, and the interval is not empty.
    const alike = randomEffects(
      Array.from({ length: 3 }, () => ({ coefficient: 0.4, n: 30 })),
      { method: 'pearson' },
    );
    expect([alike.iSquared, alike.tauSquared]).toEqual([0, 0]);
    expect(alike.coefficient).toBeCloseTo(0.4, 14);
    expect((alike.interval?.high ?? 0) - (alike.interval?.low ?? 0)).toBeGreaterThan(0.3);
  });
});

describe('equal slopes', () => {
  it.each([0, 1])('case %i against statsmodels', (k) => {
    const wanted = reference.slopes[k] as { x: number[]; y: number[]; labels: number[]; groups: Record<string, number>[] } & Record<
      string,
      number
    >;
    const got = compareSlopes(column(wanted.x), column(wanted.y), column(wanted.labels));
    expectFigures(
      'compareSlopes',
      'statsmodels, own against common slopes',
      [got.f, got.df, got.dfResidual, got.pValue, got.commonSlope],
      [wanted.f, wanted.df, wanted.dfResidual, wanted.p, wanted.common],
      1e-9,
    );
    for (const [place, group] of got.groups.entries()) {
      const { slope, intercept, se, low, high } = wanted.groups[place] as Record<string, number>;
      expectFigures(
        'compareSlopes',
        'statsmodels, a line in each group',
        [group.slope, group.intercept, group.se, group.interval?.low ?? Number.NaN, group.interval?.high ?? Number.NaN],
        [slope, intercept, se, low, high] as number[],
        // scipy's t quantile is good to 2e-9; limits near zero have lost a digit or two of it.
        1e-7,
      );
    }
  });

  it('is about steepness, not closeness: groups may share r and not the slope', () => {
    const x = Float64Array.of(1, 2, 3, 4, 5, 6, 1, 2, 3, 4, 5, 6);
    const noise = [0.2, -0.1, 0.3, -0.3, 0.1, -0.2];
    const y = x.map((value, i) => (i < 6 ? value + noise[i] : 3 * (value + noise[i - 6])));
    const labels = x.map((_, i) => (i < 6 ? 0 : 1));
    const { groups } = groupDisagreement(x, y, labels, { method: 'pearson' });
    expect(groups[0].test.coefficient).toBeCloseTo(groups[1].test.coefficient, 12);
    expect(compareSlopes(x, y, labels).pValue).toBeLessThan(1e-5);
  });

  it('has no p where the points lie exactly on the lines, and says why', () => {
    const x = Float64Array.of(1, 2, 3, 4, 1, 2, 3, 5);
    const labels = x.map((_, i) => (i < 4 ? 0 : 1));
    for (const y of [x.map((value, i) => (i < 4 ? value : 3 * value)), x.map((value) => 2 * value + 1)]) {
      expect(compareSlopes(x, y, labels)).toMatchObject({ undefinedBecause: 'exact-fit', pValue: Number.NaN, f: Number.NaN });
    }
  });

  it('leaves out groups without a line, and says when too few are left', () => {
    const x = Float64Array.of(1, 2, 3, 4, 7, 7, 7, 1, 2);
    const y = Float64Array.of(2, 1, 4, 3, 1, 2, 3, 5, 6);
    const got = compareSlopes(x, y, Float64Array.of(0, 0, 0, 0, 1, 1, 1, 2, 2));
    expect([got.untested, got.undefinedBecause, got.groups.length]).toEqual([[1, 2], 'too-few-groups', 1]);
    expect(compareSlopes(Float64Array.of(1, 2, 3), Float64Array.of(1, 3, 2), Float64Array.of(Number.NaN, 0, 0)).undefinedBecause).toBe(
      'too-few-groups',
    );
  });

  it('keeps its digits far from zero', () => {
    const { x, y, labels, f, common } = reference.slopes[1];
    const got = compareSlopes(
      column(x),
      column(y).map((value) => 1e9 + value),
      column(labels),
    );
    // 1e9 + noise of size 1 has lost seven of the sixteen digits before anything is computed.
    expectFigures('compareSlopes', 'the same shifted by 1e9', [got.f, got.commonSlope], [f, common], 1e-6);
  });
});

describe('between groups', () => {
  const { x, y, labels } = reference.slopes[0];

  it('means weighted by rows, against weighted least squares of statsmodels', () => {
    const got = betweenGroups(column(y), column(x), column(labels));
    const wanted = reference.between;
    expect([got.groups, got.weighted.df]).toEqual([8, wanted.df]);
    expectFigures(
      'betweenGroups',
      'statsmodels weighted least squares',
      [got.weighted.coefficient, got.weighted.pValue, got.unweighted.coefficient],
      [wanted.weighted, wanted.p, wanted.unweighted],
      1e-9,
    );
    // As published (Bland & Altman 1995, part 2), to two digits.
    expect([got.weighted.coefficient.toFixed(7), got.unweighted.coefficient.toFixed(7)]).toEqual(['0.0697586', '0.0817731']);
  });

  it('is tested on one side on request: the two sides make one', () => {
    const of = (alternative: 'greater' | 'less' | 'two-sided') => betweenGroups(column(y), column(x), column(labels), { alternative });
    const [greater, less, both] = [of('greater'), of('less'), of('two-sided')];
    expect(greater.weighted.pValue + less.weighted.pValue).toBeCloseTo(1, 12);
    // r is positive.
    expect(greater.weighted.pValue).toBeCloseTo(both.weighted.pValue / 2, 12);
    expect(greater.unweighted.pValue).toBeCloseTo(both.unweighted.pValue / 2, 12);
  });

  it('needs three groups whose means differ', () => {
    const two = betweenGroups(Float64Array.of(1, 2, 3, 4), Float64Array.of(2, 1, 4, 3), Float64Array.of(0, 0, 1, 1));
    expect(two.weighted).toMatchObject({ coefficient: Number.NaN, pValue: Number.NaN });
    const same = betweenGroups(Float64Array.of(1, 3, 2, 2, 0, 4), Float64Array.of(1, 2, 3, 4, 5, 6), Float64Array.of(0, 0, 1, 1, 2, 2));
    expect(same.weighted.coefficient).toBeNaN();
  });
});

describe('range restriction', () => {
  it('is corrected as Thorndike’s case 2, limits likewise', () => {
    expect(correctRangeRestriction({ coefficient: 0.3, interval: null }, 2).coefficient).toBeCloseTo(0.5324139, 7);
    const interval = { low: 0.1, high: 0.39, level: 0.95, method: 'fisher' };
    const got = correctRangeRestriction({ coefficient: 0.25, interval }, 1.5);
    expectFigure('correctRangeRestriction', 'worked by hand', got.coefficient, (0.25 * 1.5) / Math.sqrt(1 + 0.0625 * 1.25), 1e-14);
    expect(got.coefficient).toBeCloseTo(0.3611576, 7);
    expect(got.interval?.low).toBe(correctRangeRestriction({ coefficient: 0.1, interval: null }, 1.5).coefficient);
    expect([got.interval?.level, got.interval?.method]).toEqual([0.95, 'thorndike']);
  });

  it('leaves ±1 and 0 as they are, and refuses what is no ratio', () => {
    expect([1, -1, 0].map((coefficient) => correctRangeRestriction({ coefficient, interval: null }, 3).coefficient)).toEqual([1, -1, 0]);
    for (const ratio of [0, -1, Number.NaN, Number.POSITIVE_INFINITY]) {
      expect(() => correctRangeRestriction({ coefficient: 0.3, interval: null }, ratio)).toThrow(RangeError);
    }
    expect(() => correctRangeRestriction({ coefficient: 1.2, interval: null }, 2)).toThrow(RangeError);
  });

  it('is said below two thirds, not at it, and not of what has no spread', () => {
    expect([isRangeRestricted(2, 3), isRangeRestricted(1.99, 3), isRangeRestricted(Number.NaN, 3)]).toEqual([false, true, false]);
  });
});

describe('published worked examples, seven digits', () => {
  const seven = (value: number | undefined) => (value ?? Number.NaN).toFixed(7);

  it('two independent coefficients (Zou 2007: [−.087, .359])', () => {
    const { z, pValue, cohensQ, interval } = compareIndependent(
      [
        { coefficient: 0.49, n: 145 },
        { coefficient: 0.36, n: 87 },
      ],
      { method: 'pearson' },
    );
    expect([z, pValue, cohensQ, interval?.low, interval?.high].map(seven)).toEqual([
      '1.1563862',
      '0.2475232',
      '0.1591744',
      '-0.0871820',
      '0.3591677',
    ]);
  });

  it('four groups, and three, that differ or do not', () => {
    const of = (rs: readonly number[], ns: readonly number[]) =>
      compareIndependent(
        rs.map((coefficient, k) => ({ coefficient, n: ns[k] })),
        { method: 'pearson' },
      );
    const four = of([0.12, 0.55, 0.4, -0.05], [60, 62, 63, 60]);
    expect([four.q, four.pValue, four.pooled].map(seven)).toEqual(['15.6491961', '0.0013381', '0.2756206']);
    const three = of([0.51, 0.46, 0.55], [103, 85, 60]);
    expect([three.q, three.pValue].map(seven)).toEqual(['0.5073525', '0.7759430']);
  });

  it('dependent ones (Steiger 1980; Zou 2007)', () => {
    const overlapping = compareOverlapping({ rAB: 0.4, rAC: 0.5, rBC: 0.1, n: 103 });
    expect([overlapping.williams.t, overlapping.williams.pValue, overlapping.meng.z].map(seven)).toEqual([
      '-0.8912799',
      '0.3749185',
      '-0.8882145',
    ]);
    const apart = compareNonOverlapping({ rAB: 0.5, rCD: 0.6, rAC: 0.7, rAD: 0.5, rBC: 0.5, rBD: 0.8, n: 103 });
    expect([apart.dunnClark.z, apart.steiger.z].map(seven)).toEqual(['-1.4079413', '-1.4049748']);
    const zou = compareOverlapping({ rAB: 0.396, rAC: 0.179, rBC: 0.088, n: 66 }).interval;
    expect([zou?.low, zou?.high].map(seven)).toEqual(['-0.0929019', '0.5167600']);
    const other = compareNonOverlapping({ rAB: 0.396, rCD: 0.189, rAC: 0.208, rAD: 0.143, rBC: 0.023, rBD: 0.423, n: 66 }).interval;
    expect([other?.low, other?.high].map(seven)).toEqual(['-0.0959560', '0.5009151']);
  });

  it('pH and PaCO₂ of eight persons (Bland & Altman 1995; data from memory, which give the published r and p)', () => {
    const { x, y, labels } = reference.slopes[0];
    const [paco2, ph, person] = [x, y, labels].map(column) as [Float64Array, Float64Array, Float64Array];
    const within = withinGroup(ph, paco2, person, { method: 'pearson' });
    expect([within.coefficient, within.pValue, within.interval?.low, within.interval?.high].map(seven)).toEqual([
      '-0.5067697',
      '0.0008471',
      '-0.7067146',
      '-0.2318631',
    ]);
    const { comparison } = acrossGroups([ph, paco2], person, { method: 'pearson' }).compare(0, 1);
    expect([comparison.q, comparison.pValue].map(seven)).toEqual(['18.6156736', '0.0048644']);
    expect([comparison.df, comparison.untested]).toEqual([6, [6]]);
    const slopes = compareSlopes(paco2, ph, person);
    expect([slopes.commonSlope, slopes.f, slopes.pValue].map(seven)).toEqual(['-0.1083230', '3.4154118', '0.0080288']);
    expect([slopes.df, slopes.dfResidual]).toEqual([7, 31]);
  });
});

describe('many pairs across groups', () => {
  const random = new Random(12);
  const n = 90;
  const labels = Float64Array.from({ length: n }, (_, i) => (i % 10 === 9 ? Number.NaN : [2, 5, 3][i % 3]));
  const base = Array.from({ length: 4 }, () => Float64Array.from({ length: n }, () => Math.round(8 * random.normal())));
  const columns = [
    base[0],
    base[1].map((value, i) => value + base[0][i]),
    base[2].map((value, i) => (i % 7 === 0 ? Number.NaN : value - base[0][i])),
    base[3],
  ];
  const inGroup = (values: Float64Array, label: number) => values.filter((_, i) => labels[i] === label);
  const of = (options: AcrossGroupsOptions): AcrossGroups => acrossGroups(columns, labels, options);

  test.each(['pearson', 'spearman', 'kendall'] as const)(
    '%s: each coefficient is the test of that group alone, and so is all that follows',
    (method) => {
      const across = of({ method });
      expect(across.groups.map(({ label }) => label)).toEqual([2, 3, 5]);
      const labelled = (values: Float64Array) => values.filter((_, i) => labels[i] === labels[i]);
      for (const [i, j] of [
        [0, 1],
        [2, 0],
        [3, 2],
      ]) {
        const [x, y] = [columns[i], columns[j]];
        const got = across.compare(i, j);
        expectSame(
          got.groups,
          [2, 3, 5].map((label) => testPair(method, inGroup(x, label), inGroup(y, label))),
        );
        expectSame([got.pooled], [testPair(method, labelled(x), labelled(y))]);
        const { comparison, reversed, hidden, differ } = groupDisagreement(labelled(x), labelled(y), labelled(labels), { method });
        expect([got.comparison.q, got.comparison.pValue]).toEqual([
          expect.closeTo(comparison.q, 10),
          expect.closeTo(comparison.pValue, 12),
        ]);
        expect([got.comparison.untested, got.reversed, got.hidden, got.differ]).toEqual([comparison.untested, reversed, hidden, differ]);
        const within = withinGroup(x, y, labels, { method });
        expectSame([got.within], [within]);
        expect(got.random).toEqual(
          randomEffects(
            got.groups.map(({ coefficient, n: rows, zVariance }) => ({ coefficient, n: rows, zVariance })),
            { method },
          ),
        );
      }
    },
  );

  /** To rounding: columns centred once for many pairs round otherwise than those of one. */
  function expectSame(got: readonly CorrelationTest[], wanted: readonly CorrelationTest[]): void {
    const figures = ({ coefficient, pValue, interval, zVariance }: CorrelationTest) => [
      coefficient,
      pValue,
      interval?.low,
      interval?.high,
      zVariance,
    ];
    expect(got.map(({ n: rows, pMethod, undefinedBecause }) => [rows, pMethod, undefinedBecause])).toEqual(
      wanted.map(({ n: rows, pMethod, undefinedBecause }) => [rows, pMethod, undefinedBecause]),
    );
    expect(got.flatMap(figures)).toEqual(wanted.flatMap(figures).map((value) => (value === undefined ? value : expect.closeTo(value, 12))));
  }

  it('holds others constant in each group, and within them by the groups as well', () => {
    const controls = [columns[3]];
    const got = acrossGroups(columns, labels, { method: 'pearson', controls }).compare(0, 1);
    const alone = partialCorrelation(inGroup(columns[0], 3), inGroup(columns[1], 3), [inGroup(columns[3], 3)], { method: 'pearson' });
    expect([got.groups[1].coefficient, got.groups[1].zVariance]).toEqual([alone.coefficient, alone.zVariance]);
    // Deviations from the groups' means, the control's too: the same as with indicators of the groups.
    const deviations = (values: Float64Array) =>
      [2, 3, 5].flatMap((label) => {
        const own = inGroup(values, label);
        const mean = own.reduce((sum, value) => sum + value, 0) / own.length;
        return [...own].map((value) => value - mean);
      });
    const [u, v, w] = [0, 1, 3].map((k) => Float64Array.from(deviations(columns[k])));
    expectFigure(
      'acrossGroups',
      'deviations from the groups’ means',
      got.within.coefficient,
      partialCorrelation(u, v, [w], { method: 'pearson' }).coefficient,
      1e-12,
    );
    expect(got.within.statistic?.df).toBe(81 - 3 - 1 - 1);
  });

  it('compares two-sided whatever the alternative of the coefficients, by variances that are comparable', () => {
    const [two, less, free] = [
      of({ method: 'pearson' }),
      of({ method: 'pearson', alternative: 'less' }),
      of({ method: 'pearson', interval: 'adf' }),
    ].map((across) => across.compare(0, 1));
    expect(less.comparison.q).toBeCloseTo(two.comparison.q, 12);
    expect(less.groups[0].pValue).toBeGreaterThan(0.9);
    expect(free.comparison.q).toBeCloseTo(two.comparison.q, 12);
    expect(free.groups[0].interval).not.toEqual(two.groups[0].interval);
    // On choice Fieller's variance of ρ is that of the comparison as well.
    const fieller = of({ method: 'spearman', interval: 'fieller' }).compare(0, 1);
    const groups = fieller.groups.map(({ coefficient, n: rows }) => ({ coefficient, n: rows }));
    expect(fieller.comparison.q).toBeCloseTo(compareIndependent(groups, { method: 'spearman', variance: 'fieller' }).q, 12);
  });

  it('shows groups that cannot be tested, and never gives p = 0 for them', () => {
    const x = Float64Array.of(1, 2, 3, 4, 5, 1, 2, 3, 4, 4, 4, 4, 4, 9, Number.NaN, 3);
    const y = Float64Array.of(2, 1, 4, 3, 5, 2, 4, 6, 8, 1, 2, 3, 4, 9, 1, Number.NaN);
    const g = Float64Array.of(0, 0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2, 3, 4, 4);
    const { comparison, groups, within, reversed } = acrossGroups([x, y], g, { method: 'pearson' }).compare(0, 1);
    expect(comparison).toMatchObject({ untested: [1, 2, 3, 4], pValue: Number.NaN, q: Number.NaN });
    expect(groups.map(({ undefinedBecause }) => undefinedBecause)).toEqual([
      undefined,
      undefined,
      'constant-x',
      'too-few-cases',
      'too-few-cases',
    ]);
    expect(groups[1].coefficient).toBe(1);
    expect([within.pValue > 0, reversed]).toEqual([true, false]);
    const none = acrossGroups(
      [x, y],
      g.map(() => Number.NaN),
      { method: 'spearman' },
    );
    expect(none.groups).toEqual([]);
    expect(none.compare(0, 1)).toMatchObject({ groups: [], reversed: false, hidden: false });
  });

  it('refuses columns of unequal length', () => {
    expect(() => acrossGroups([columns[0], Float64Array.of(1)], labels, { method: 'pearson' })).toThrow(RangeError);
  });
});

describe('the demo across its catchments, and penguins across their species', () => {
  const demo: string[] = readFileSync('samples/aldermere-streams.csv', 'utf8').trim().split(/\r?\n/);
  const head = demo[0].split(',');
  const values = (name: string) => demo.slice(1).map((line) => line.split(',')[head.indexOf(name)]);
  const numbers = (name: string) => Float64Array.from(values(name), (text) => (text === '' ? Number.NaN : Number(text)));
  const { catchments, pairs } = reference.demo as { catchments: string[]; pairs: ({ x: string; y: string } & Wanted)[] };
  const labels = Float64Array.from(values('catchment'), (name) => catchments.indexOf(name));
  type Wanted = { n: number[]; within: number } & Record<Method, { groups: number[]; pooled: number; q?: number; p?: number }>;

  function expectAcross(got: AcrossGroups, i: number, j: number, method: Method, wanted: Wanted, against: string): void {
    const { groups, pooled, comparison, within } = got.compare(i, j);
    expect(groups.map(({ n }) => n)).toEqual(wanted.n);
    expectFigures(
      'acrossGroups',
      against,
      groups.map(({ coefficient }) => coefficient),
      wanted[method].groups,
      1e-10,
    );
    expectFigure('acrossGroups', against, pooled.coefficient, wanted[method].pooled, 1e-10);
    if (wanted[method].q === undefined) return;
    expectFigures('acrossGroups', against, [comparison.q, comparison.pValue], [wanted[method].q ?? 0, wanted[method].p ?? 0], 1e-8);
    if (method === 'pearson') expectFigure('acrossGroups', against, within.coefficient, wanted.within, 1e-10);
  }

  test.each(['pearson', 'spearman', 'kendall'] as const)('%s of every pair in every catchment, against scipy', (method) => {
    const names = [...new Set(pairs.flatMap(({ x, y }) => [x, y]))];
    const got = acrossGroups(names.map(numbers), labels, { method });
    expect(pairs).toHaveLength(28);
    for (const wanted of pairs) expectAcross(got, names.indexOf(wanted.x), names.indexOf(wanted.y), method, wanted, 'scipy on the demo');
  });

  test('bill depth and body mass reverse inside the species (Horst, Hill & Gorman 2020), against scipy', () => {
    const { penguins } = JSON.parse(readFileSync('reference/open-data.json', 'utf8'));
    const got = acrossGroups([column(penguins.billDepth), column(penguins.bodyMass)], column(penguins.label), { method: 'pearson' });
    expectAcross(got, 0, 1, 'pearson', reference.penguins, 'scipy on open data');
    expect(got.compare(0, 1)).toMatchObject({ reversed: true, hidden: false });
    expect(got.compare(0, 1).within.coefficient).toBeGreaterThan(0.6);
  });
});

describe('resampling of groups and pairs', () => {
  const random = new Random(4);
  const [a, b, c, d] = Array.from({ length: 4 }, () => Float64Array.from({ length: 40 }, () => random.normal()));

  it('tells how far permutations have come, to the last', () => {
    const told: number[] = [];
    permutationCompare(
      a,
      b,
      a.map((_, i) => i % 2),
      { method: 'pearson', permutations: 199, onProgress: (done) => told.push(done) },
    );
    expect([told[0], told.at(-1)]).toEqual([64, 199]);
  });

  it('the difference of two pairs without a shared variable, over their common rows; that with one is the same', () => {
    const options = { method: 'spearman', replicates: 200 } as const;
    expect(bootstrapDifferenceOfPairs([a, b], [a, c], options)).toEqual(bootstrapDifference(a, b, c, options));
    const close = b.map((value, i) => a[i] + 0.2 * value);
    const { interval } = bootstrapDifferenceOfPairs([a, close], [c, d], options);
    expect(interval?.low).toBeGreaterThan(0.2);
    expect(bootstrapDifferenceOfPairs([a, b], [c, d.map(() => 1)], options).interval).toBeNull();
    const missing = a.map((value, i) => (i < 20 ? Number.NaN : value));
    expect(bootstrapDifferenceOfPairs([missing, b], [c, d], options)).toEqual(
      bootstrapDifferenceOfPairs([a.subarray(20), b.subarray(20)], [c.subarray(20), d.subarray(20)], options),
    );
    expect(pearson(a, close).coefficient).toBeGreaterThan(0.9);
  });
});
