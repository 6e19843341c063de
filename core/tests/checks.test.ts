import { type CautionCode, CHECK_CODES, type CheckCode, type Method, type PairCheck, pairCautions, pairChecks } from '@ivlen/core';
import fc from 'fast-check';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';

const random = new Random(77);
const normal = (n: number) => Float64Array.from({ length: n }, () => random.normal());
const x = normal(60);
const straight = x.map((value) => 0.6 * value + random.normal());
const by = (checks: readonly PairCheck[], code: CheckCode) => checks.find((check) => check.code === code);

/** The cautions that stand for a check which did not hold. */
const RAISED: Readonly<Record<CheckCode, readonly CautionCode[]>> = {
  kinds: ['ordinal'],
  'shape-x': ['shape'],
  'shape-y': ['shape'],
  straight: ['curved'],
  'even-spread': ['fan-shaped'],
  'one-row': ['one-point'],
  'methods-agree': ['method-disagreement'],
  'groups-agree': ['groups-differ', 'groups-hide', 'groups-reverse'],
  'no-shared-component': ['shares-a-component'],
  'rows-independent': ['rows-not-independent'],
  'enough-rows': ['few-cases'],
  'few-missing': ['many-missing'],
  ties: ['ties'],
};

describe('checks of a pair', () => {
  it('are all there for r of a plain pair, and all hold', () => {
    const groups = x.map((_, i) => i % 3);
    const checks = pairChecks(x, straight, { method: 'pearson', groups, repeatedRows: 0 });
    expect(checks.map(({ code }) => code).toSorted()).toEqual([...CHECK_CODES].toSorted());
    expect(checks.filter(({ held }) => held !== true)).toEqual([]);
    expect(by(checks, 'enough-rows')?.values).toEqual({ n: 60 });
    expect(by(checks, 'few-missing')?.values).toEqual({ n: 60, rowsInUse: 60 });
    expect(by(checks, 'ties')?.values).toEqual({ tiedX: 0, tiedY: 0 });
  });

  it('of ranks ask nothing of kinds, shape, straightness and spread', () => {
    const codes = pairChecks(x, straight, { method: 'spearman' }).map(({ code }) => code);
    expect(codes).toEqual(['one-row', 'methods-agree', 'no-shared-component', 'rows-independent', 'enough-rows', 'few-missing', 'ties']);
  });

  it('that cannot be judged neither hold nor fail', () => {
    const few = pairChecks(x.slice(0, 12), straight.slice(0, 12), { method: 'pearson' });
    expect(by(few, 'even-spread')?.held).toBeNull();
    expect(by(few, 'rows-independent')).toEqual({ code: 'rows-independent', held: null, values: {} });
    const line = pairChecks(x, x, { method: 'pearson' });
    expect([by(line, 'straight')?.held, by(line, 'one-row')?.held, by(line, 'even-spread')?.held]).toEqual([null, null, null]);
    const constant = pairChecks(
      x,
      x.map(() => 5),
      { method: 'pearson', groups: x.map(() => 1) },
    );
    for (const code of ['shape-y', 'straight', 'one-row', 'methods-agree', 'groups-agree'] as const)
      expect([code, by(constant, code)?.held]).toEqual([code, null]);
    expect(
      pairChecks(new Float64Array(0), new Float64Array(0), { method: 'kendall' }).find(({ code }) => code === 'ties')?.held,
    ).toBeNull();
  });

  it('name the row that moves the coefficient most, carrying it or not', () => {
    const plain = by(pairChecks(x, straight, { method: 'pearson' }), 'one-row');
    expect([plain?.held, plain?.row]).toEqual([true, expect.any(Number)]);
    const carried = by(
      pairChecks(Float64Array.of(...x.slice(0, 15), 20), Float64Array.of(...straight.slice(20, 35), 20), { method: 'pearson' }),
      'one-row',
    );
    expect([carried?.held, carried?.row]).toEqual([false, 15]);
    expect(carried?.values.without).toBeLessThan(carried?.values.coefficient ?? 0);
  });

  it('count ties as pairs of rows: 3 tied of 10 and 1 of 10', () => {
    const got = by(pairChecks(Float64Array.of(1, 1, 1, 2, 3), Float64Array.of(1, 2, 3, 4, 4), { method: 'kendall' }), 'ties');
    expect(got).toEqual({ code: 'ties', held: false, values: { tiedX: 0.3, tiedY: 0.1 } });
  });
});

test('a check fails exactly where its caution is raised, whatever the columns', () => {
  const value = fc.oneof(
    fc.double({ min: -50, max: 50, noNaN: true }),
    fc.integer({ min: 0, max: 4 }),
    fc.constant(Number.NaN),
    fc.constant(400),
  );
  const rows = fc.array(fc.record({ x: value, y: value, group: fc.integer({ min: 0, max: 2 }) }), { maxLength: 40 });
  const raised = new Set<CautionCode>();
  fc.assert(
    fc.property(
      rows,
      fc.constantFrom<Method>('pearson', 'spearman', 'kendall'),
      fc.boolean(),
      fc.integer({ min: 0, max: 3 }),
      (cells, method, bend, repeatedRows) => {
        const a = Float64Array.from(cells, (row) => row.x);
        const b = Float64Array.from(cells, (row, i) => (bend ? a[i] ** 2 + 0.01 * row.y : row.y));
        const context = { method, groups: Float64Array.from(cells, ({ group }) => group), repeatedRows, rowsInUse: cells.length };
        const codes = pairCautions(a, b, context).map(({ code }) => code);
        for (const code of codes) raised.add(code);
        const failed = pairChecks(a, b, context).filter(({ held }) => held === false);
        const fromChecks = new Set(failed.flatMap(({ code }) => RAISED[code]));
        expect(codes.filter((code) => !fromChecks.has(code))).toEqual([]);
        expect(failed.filter(({ code }) => !RAISED[code].some((caution) => codes.includes(caution)))).toEqual([]);
      },
    ),
    { numRuns: 300, seed: 12 },
  );
  // The columns are such that most cautions come about: what is never raised proves nothing.
  expect([...raised].toSorted()).toEqual(
    expect.arrayContaining([
      'curved',
      'few-cases',
      'many-missing',
      'method-disagreement',
      'one-point',
      'rows-not-independent',
      'shape',
      'ties',
    ]),
  );
});
