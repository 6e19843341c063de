import { correctAttenuation, intraclass, pearson } from '@ivlen/core';
import { describe, expect, it } from 'vitest';
import { Random } from '../src/random/random';
import { expectFigure } from './accuracy';

/** Shrout & Fleiss (1979), table 2: six targets, four judges. */
const TARGETS = [
  [9, 2, 5, 8],
  [6, 1, 3, 2],
  [8, 4, 6, 8],
  [7, 1, 2, 6],
  [10, 5, 6, 9],
  [6, 2, 4, 7],
];
const judges = [0, 1, 2, 3].map((j) => Float64Array.from(TARGETS, (row) => row[j] ?? Number.NaN));

describe('reliability from repeated columns', () => {
  it('of Shrout & Fleiss (1979): .17, .44, .91 as published, with limits from F', () => {
    const { one, mean, alpha, n, k } = intraclass(judges);
    const source = 'Shrout & Fleiss (1979), worked with scipy';
    expectFigure('intraclass', source, one.value, 0.1657418, 1e-6);
    expectFigure('intraclass', source, one.low, -0.1329323, 1e-6);
    expectFigure('intraclass', source, one.high, 0.7225601, 1e-6);
    expectFigure('intraclass', source, mean.value, 0.4427971, 1e-6);
    expectFigure('intraclass', source, alpha.value, 0.9093155, 1e-6);
    expectFigure('intraclass', source, alpha.low, 0.6756747, 1e-6);
    expectFigure('intraclass', source, alpha.high, 0.9858917, 1e-6);
    expect([n, k]).toEqual([6, 4]);
  });

  it('large values with small differences keep their digits', () => {
    const far = judges.map((column) => column.map((value) => 1e9 + value));
    expect(intraclass(far).alpha.value).toBeCloseTo(intraclass(judges).alpha.value, 9);
  });

  it.each([1e-300, 1e-170, 1e-160, 1e155, 1e160, 1e307])('of values about %d is the same', (scale) => {
    const [found, wanted] = [intraclass(judges.map((column) => column.map((value) => value * scale))), intraclass(judges)];
    for (const form of ['one', 'mean', 'alpha'] as const) {
      for (const part of ['value', 'low', 'high'] as const) expect(found[form][part]).toBeCloseTo(wanted[form][part], 12);
    }
    const reversed = intraclass(judges.map((column) => column.slice().reverse()));
    expect(reversed.mean.value).toBeCloseTo(wanted.mean.value, 14);
  });

  it.each([
    ['one column', judges.slice(0, 1), 'one-column'],
    ['no column', [], 'one-column'],
    ['two rows', judges.map((column) => column.slice(0, 2)), 'too-few-cases'],
    ['no differences between rows', judges.map(() => new Float64Array(6).fill(2)), 'constant'],
    ['rows alike in columns that differ', [0.1, 0.3, 0.5].map((value) => new Float64Array(6).fill(value)), 'constant'],
    ['rows with the same mean', [Float64Array.of(0.1, 0.3, 0.2, 0.4), Float64Array.of(0.5, 0.3, 0.4, 0.2)], 'constant'],
  ] as const)('of %s is undefined, with the reason', (_, columns, because) => {
    const found = intraclass(columns);
    expect([found.one.value, found.mean.value, found.alpha.low, found.undefinedBecause]).toEqual([
      Number.NaN,
      Number.NaN,
      Number.NaN,
      because,
    ]);
  });

  it('of exact repeats is 1', () => {
    const { one, alpha } = intraclass([ten(), ten()]);
    expect([one.value, alpha.value]).toEqual([1, 1]);
  });
});

function ten(): Float64Array {
  return Float64Array.from({ length: 10 }, (_, i) => i * i);
}

describe('correction for attenuation', () => {
  /** Rows whose r is .5 exactly: y is half of x and the rest of what is at right angles to it. */
  function ofHalf(n: number): [Float64Array, Float64Array] {
    const angle = (i: number) => (2 * Math.PI * i) / n;
    const x = Float64Array.from({ length: n }, (_, i) => Math.cos(angle(i)));
    return [x, Float64Array.from({ length: n }, (_, i) => 0.5 * Math.cos(angle(i)) + Math.sqrt(0.75) * Math.sin(angle(i)))];
  }

  it('of r = .5 among 100 rows with reliabilities .8 and .7: .668 [.450, .847]', () => {
    const found = correctAttenuation(...ofHalf(100), { kind: 'known', value: 0.8 }, { kind: 'known', value: 0.7 });
    expect(found.observed).toBeCloseTo(0.5, 12);
    const source = 'Spearman (1904), worked with scipy';
    expectFigure('correctAttenuation', source, found.corrected, 0.6681531, 1e-6);
    expectFigure('correctAttenuation', source, found.low, 0.4498585, 1e-6);
    expectFigure('correctAttenuation', source, found.high, 0.847405, 1e-6);
    expect(found.method).toBe('known');
  });

  it('beyond ±1 stays as it is; one variable without error counts as 1', () => {
    const found = correctAttenuation(...ofHalf(100), { kind: 'known', value: 0.2 }, { kind: 'known', value: 0.5 });
    expect(found.corrected).toBeCloseTo(0.5 / Math.sqrt(0.1), 12);
    expect(correctAttenuation(...ofHalf(100), null, { kind: 'known', value: 0.25 }).corrected).toBeCloseTo(1, 12);
  });

  it('a reliability above 1, of 0, or below is refused; one estimated below 0 leaves nothing', () => {
    for (const value of [1.2, 0, -0.3, Number.NaN]) {
      expect(() => correctAttenuation(...ofHalf(20), { kind: 'known', value }, null)).toThrow(RangeError);
    }
    const [x, y] = ofHalf(20);
    const against = { kind: 'repeated', columns: [x, x.map((value) => -value)], form: 'one' } as const;
    const none = correctAttenuation(x, y, against, null, { replicates: 100 });
    expect([none.corrected, none.low]).toEqual([Number.NaN, Number.NaN]);
  });

  it('with reliabilities from the same rows finds the true coefficient, and its interval holds it (simulated, seed 9)', () => {
    const random = new Random(9);
    let [mean, held] = [0, 0];
    const samples = 40;
    for (let s = 0; s < samples; s++) {
      const truth = Float64Array.from({ length: 120 }, () => random.normal());
      const other = truth.map((value) => 0.6 * value + 0.8 * random.normal());
      const measured = (values: Float64Array) => values.map((value) => value + 0.7 * random.normal());
      const [a, b, c, d] = [measured(truth), measured(truth), measured(other), measured(other)];
      const found = correctAttenuation(
        a,
        c,
        { kind: 'repeated', columns: [a, b], form: 'one' },
        { kind: 'repeated', columns: [c, d], form: 'one' },
        {
          replicates: 300,
          seed: s,
        },
      );
      mean += found.corrected / samples;
      expect(found.observed).toBe(pearson(a, c).coefficient);
      if (found.low <= 0.6 && 0.6 <= found.high) held++;
    }
    expect(Math.abs(mean - 0.6)).toBeLessThan(0.05);
    expect(held).toBeGreaterThanOrEqual(33);
  });
});
