import { readFileSync } from 'node:fs';
import {
  type CautionCode,
  type CautionContext,
  decimalSlips,
  describe as describeVariable,
  duplicatedRows,
  effectWithout,
  fanShape,
  farOutLimit,
  groupDisagreement,
  isShapeMarked,
  linearity,
  modifiedZ,
  pairCautions,
  pearson,
  suspiciousValues,
} from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { Random } from '../src/random/random';
import { column } from './tolerance';

const random = new Random(31);
const normal = (n: number) => Float64Array.from({ length: n }, () => random.normal());
const x = normal(60);
const straight = x.map((value) => 0.6 * value + random.normal());
const codes = (a: Float64Array, b: Float64Array, context: Partial<CautionContext> = {}): CautionCode[] =>
  pairCautions(a, b, { method: 'pearson', ...context }).map(({ code }) => code);

describe('cautions of a pair', () => {
  it('are none for a plain one', () => expect(codes(x, straight)).toEqual([]));

  it('curved and fan-shaped under Pearson only, with their values', () => {
    const bent = x.map((value) => value + 1.6 * value * value + 0.3 * random.normal());
    const [curved] = pairCautions(x, bent, { method: 'pearson' }).filter(({ code }) => code === 'curved');
    expect(curved.level).toBe('could-change');
    expect(curved.values.pValue).toBeLessThan(1e-6);
    expect(codes(x, bent, { method: 'spearman' })).not.toContain('curved');
    const positive = x.map((value) => 5 + value);
    const fan = positive.map((value) => value + 0.02 * value ** 3 * random.normal());
    expect(fanShape(positive, fan).fanShaped).toBe(true);
    expect(codes(positive, fan)).toContain('fan-shaped');
  });

  it('a monotonic bend shows by the larger rank coefficient alone', () => {
    const a = Float64Array.from({ length: 8 }, (_, i) => i);
    expect(
      linearity(
        a,
        a.map((value) => Math.exp(3 * value)),
      ),
    ).toMatchObject({ curved: true });
    expect(linearity(a, a).curved).toBe(false);
  });

  it('few cases, many missing, an order, a shared component, repeated identifiers', () => {
    const gaps = straight.map((value, i) => (i < 20 ? Number.NaN : value));
    expect(codes(x.slice(0, 9), straight.slice(0, 9))).toContain('few-cases');
    expect(codes(x.slice(0, 10), straight.slice(0, 10))).not.toContain('few-cases');
    expect(codes(x, gaps)).toContain('many-missing');
    expect(codes(x.slice(0, 48), straight.slice(0, 48), { rowsInUse: 60 })).not.toContain('many-missing');
    expect(codes(x, straight, { ordinal: true, shared: { kind: 'inseparable' }, repeatedRows: 4 })).toEqual([
      'shares-a-component',
      'rows-not-independent',
      'ordinal',
    ]);
    expect(codes(x, straight, { ordinal: true, method: 'kendall' })).toEqual([]);
  });

  it('shape never on a rank coefficient', () => {
    const skewed = x.map((value) => Math.exp(1.6 * value));
    expect(codes(skewed, straight)).toContain('shape');
    expect(codes(skewed, straight, { method: 'spearman' })).not.toContain('shape');
    expect(codes(x, straight, { shapeRule: { kind: 'limits', skewness: 0.01, excessKurtosis: 0.01 } })).toContain('shape');
  });

  it('one point that carries it, and methods that disagree', () => {
    const [a, b] = [Float64Array.of(...normal(15), 20), Float64Array.of(...normal(15), 20)];
    expect(codes(a, b)).toEqual(expect.arrayContaining(['one-point', 'method-disagreement']));
    const point = pairCautions(a, b, { method: 'pearson' }).find(({ code }) => code === 'one-point');
    expect(Math.abs(point?.values.without ?? 1)).toBeLessThan(Math.abs(point?.found.coefficient ?? 0));
    expect([point?.level, point?.remedy?.row, point?.remedy?.n]).toEqual(['could-change', 15, 15]);
  });

  it('many ties under a rank method', () => {
    const coarse = x.map((value) => (value > 0 ? 1 : 0));
    expect(codes(coarse, straight, { method: 'kendall' })).toContain('ties');
    expect(codes(x, straight, { method: 'kendall' })).not.toContain('ties');
  });
});

describe('groups', () => {
  it('reverse the sign among penguins (Horst, Hill & Gorman 2020): bill depth and body mass', () => {
    const { penguins } = JSON.parse(readFileSync('reference/open-data.json', 'utf8'));
    const [depth, mass, label] = [column(penguins.billDepth), column(penguins.bodyMass), column(penguins.label)];
    const got = groupDisagreement(depth, mass, label, { method: 'pearson' });
    expect(got.pooled.coefficient).toBeCloseTo(penguins.r, 12);
    expect(got.groups.map(({ test }) => test.coefficient)).toEqual(penguins.bySpecies.map((r: number) => expect.closeTo(r, 12)));
    expect([got.pooled.coefficient < 0, got.reversed, got.hidden]).toEqual([true, true, false]);
    expect(codes(depth, mass, { groups: label })).toContain('groups-reverse');
  });

  it('hide an association that runs both ways', () => {
    const noisy = x.map((value) => value + 0.5 * random.normal());
    const labels = Float64Array.from({ length: 120 }, (_, i) => (i < 60 ? 1 : 2));
    const got = groupDisagreement(Float64Array.of(...x, ...x), Float64Array.of(...noisy, ...noisy.map((value) => -value)), labels, {
      method: 'spearman',
    });
    expect([got.hidden, got.differ, got.reversed]).toEqual([true, true, false]);
  });
});

describe('suspicious values', () => {
  const ph = Float64Array.of(7.1, 7.4, 6.9, 7.3, 74, 7.2, 7.0, 7.5, Number.NaN, 6.8, 0.71);

  it('a slipped decimal point comes with its correction', () => {
    expect(decimalSlips(ph)).toEqual([
      { row: 4, value: 74, suggestion: 7.4 },
      { row: 10, value: 0.71, suggestion: 7.1 },
    ]);
  });

  it('stated limits come first, then slips, then what is far out', () => {
    const got = suspiciousValues(Float64Array.of(...ph, 55), { low: 1, high: 70 });
    expect(got.map(({ row, reason }) => [row, reason])).toEqual([
      [4, 'above-range'],
      [10, 'below-range'],
      [11, 'far-out'],
    ]);
    expect(got[0].suggestion).toBe(7.4);
  });

  it('modified z falls back to the mean deviation where more than half are equal', () => {
    // Iglewicz & Hoaglin (1993): .6745(x − median)/MAD; median 3, MAD 1.
    expect(modifiedZ(Float64Array.of(1, 2, 3, 4, 13))[4]).toBeCloseTo(6.745, 12);
    expect(modifiedZ(Float64Array.of(0, 0, 0, 0, 5))[4]).toBeCloseTo(5 / (1.253314 * 1), 6);
    expect([...modifiedZ(Float64Array.of(2, 2, Number.NaN))]).toEqual([0, 0, Number.NaN]);
    expect(suspiciousValues(Float64Array.of(5, 5, 5, 5))).toEqual([]);
  });

  it('concentrations are judged by their logarithms: a long right tail is no slip, a slip still is one', () => {
    const skewed = Float64Array.from({ length: 200 }, () => Math.exp(1 + 1.1 * random.normal()));
    expect(decimalSlips(skewed)).toEqual([]);
    expect(suspiciousValues(skewed).length).toBeLessThan(4);
    const narrow = Float64Array.from({ length: 200 }, () => Math.exp(1 + 0.2 * random.normal()));
    const slipped = Float64Array.of(...narrow.map((value) => Number(value.toPrecision(4))), 28.29, 0.2829, 282.9);
    // One place only: what fits after two is far out, and no slip.
    expect(decimalSlips(slipped).map(({ row }) => row)).toEqual([200, 201]);
    expect(suspiciousValues(slipped).find(({ row }) => row === 202)?.reason).toBe('far-out');
    // The point moves in the digits: 2.829, not 2.8290000000000002.
    expect(decimalSlips(slipped)[0].suggestion).toBe(2.829);
  });

  it('whole numbers have no point that slips, and a slip comes to lie among the others', () => {
    const ages = Float64Array.from({ length: 60 }, (_, i) => 20 + ((i * 7) % 40));
    expect(suspiciousValues(Float64Array.of(...ages, 350)).map(({ reason }) => reason)).toEqual(['far-out']);
    const lengths = ages.map((age) => age + 0.5);
    expect(suspiciousValues(Float64Array.of(...lengths, 350)).map(({ reason }) => reason)).toEqual(['decimal-slip']);
    // 1,985 would be 198.5: outside what the others are, so that no slip explains it.
    expect(suspiciousValues(Float64Array.of(...lengths, 1985)).map(({ reason }) => reason)).toEqual(['far-out']);
  });

  it('far from all others is only what has an empty stretch of more than an interquartile range before it', () => {
    const close = Float64Array.from({ length: 40 }, (_, i) => 10 + (i % 8) / 4);
    // 14 is beyond the limit, with 13 on the way there, 1 behind the others and 1 before it: the range between the quartiles is 1.
    expect(suspiciousValues(Float64Array.of(...close, 12.6, 13.4, 14.2, 15)).map(({ row }) => row)).toEqual([]);
    expect(suspiciousValues(Float64Array.of(...close, 15, 15.2)).map(({ row }) => row)).toEqual([40, 41]);
    expect(suspiciousValues(Float64Array.of(0.2, 0.5, 0.6, 0.4, 0.3, 0.5)).length).toBe(0);
  });

  it('what one row does to mean, SD and correlations is computed anew without it', () => {
    const x = Float64Array.of(1, 2, 3, 4, 1e17);
    const y = Float64Array.of(2, 4, 5, 9, Number.NaN);
    const z = Float64Array.of(4, 3, 2, 1, 1e9);
    const got = effectWithout(x, 4, [y, z]);
    expect([got.meanWithout, got.sdWithout]).toEqual([2.5, Math.sqrt(5 / 3)]);
    expect(got.mean).toBeCloseTo(2e16, -4);
    expect(got.correlations[0].r).toBe(pearson(x, y).coefficient);
    expect(got.correlations[0].rWithout).toBe(got.correlations[0].r);
    expect(got.correlations[1].r).toBeGreaterThan(0.999);
    expect(got.correlations[1].rWithout).toBe(-1);
  });

  it('rows that are equal throughout are found, missing cells included', () => {
    const columns = [Float64Array.of(1, 2, 1, Number.NaN, Number.NaN), Float64Array.of(5, 6, 5, 7, 7)];
    expect(duplicatedRows(columns)).toEqual([
      [0, 2],
      [3, 4],
    ]);
  });
});

describe('far-out values are judged by how many there are', () => {
  it('the limit is what 5 % of normal samples pass, and never less than 3.7', () => {
    expect([20, 50, 200, 1000].map((n) => farOutLimit(n).toFixed(1))).toEqual(['4.0', '3.8', '3.8', '4.1']);
    for (let n = 4; n < 5000; n += 7) expect(farOutLimit(n)).toBeGreaterThan(3.7);
    expect([farOutLimit(1), farOutLimit(4), farOutLimit(1e7)]).toEqual([6.886, 6.886, 4.998]);
    expect(farOutLimit(25)).toBeCloseTo(3.936, 12);
  });

  it('a value above the old 3.5 but within what so many rows bring is no longer marked', () => {
    const middle = Float64Array.from({ length: 199 }, (_, i) => normalLike((i + 0.5) / 199));
    const z = (value: number) => modifiedZ(Float64Array.of(...middle, value))[199];
    expect([z(3.65) > 3.5, z(3.65) < farOutLimit(200)]).toEqual([true, true]);
    expect(suspiciousValues(Float64Array.of(...middle, 3.65)).filter(({ row }) => row === 199)).toEqual([]);
    expect(suspiciousValues(Float64Array.of(...middle, 4.6)).map(({ row, reason }) => [row, reason])).toEqual([[199, 'far-out']]);
  });
});

/** About the normal quantile (Tukey's lambda of .14), for an even sample. */
function normalLike(p: number): number {
  return 4.91 * (p ** 0.14 - (1 - p) ** 0.14);
}

test('the shape rule judges unrounded values', () => {
  const values = { skewness: 2.0000001, skewnessSe: 0.3, excessKurtosis: 1, excessKurtosisSe: 0.6 };
  expect(isShapeMarked(values)).toBe(true);
  expect(isShapeMarked({ ...values, skewness: 2 })).toBe(false);
  expect(isShapeMarked({ ...values, skewness: 0.5 }, { kind: 'standard-errors', limit: 1.96 })).toBe(false);
  expect(isShapeMarked({ ...values, skewness: 0.6 }, { kind: 'standard-errors', limit: 1.96 })).toBe(true);
  expect(isShapeMarked(describeVariable(Float64Array.of(1, 1, 1)))).toBe(false);
});
