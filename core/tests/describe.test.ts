import { readFileSync } from 'node:fs';
import { type Description, describe as describeVariable, histogram } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { expectFigure } from './accuracy';
import { column } from './tolerance';

type DescribeCase = { name: string; x: (number | null)[] } & Partial<Record<keyof Description, number>>;

// Computed with mpmath at 60 digits by reference/generate.py.
const { cases }: { cases: DescribeCase[] } = JSON.parse(readFileSync('reference/describe.json', 'utf8'));

describe('describe against mpmath at 60 digits', () => {
  it('has cases to read', () => expect(cases.length).toBeGreaterThan(5));

  test.each(cases.map((item) => [item.name, item] as const))('%s', (_, { name, x, ...wanted }) => {
    const got = describeVariable(column(x));
    for (const [figure, value] of Object.entries(wanted)) {
      expectFigure('describe', 'definition, mpmath 60 digits', got[figure as keyof Description], value, 1e-12, `${name}: ${figure}`);
    }
  });

  it('has no spread for one value, no skewness for a constant', () => {
    expect(describeVariable(Float64Array.of(3)).sd).toBeNaN();
    const constant = describeVariable(Float64Array.of(2, 2, 2, 2));
    expect([constant.sd, constant.mean, constant.range]).toEqual([0, 2, 0]);
    expect(constant.skewness).toBeNaN();
  });
});

describe('histogram', () => {
  it('counts every present value once', () => {
    const x = Float64Array.from({ length: 500 }, (_, i) => (i % 50 === 0 ? Number.NaN : Math.sin(i) * 9));
    const { counts, edges } = histogram(x);
    expect(counts.reduce((a, b) => a + b)).toBe(490);
    expect(edges.length).toBe(counts.length + 1);
  });

  it('puts the largest value into the last bin and a value on an edge into the upper one', () => {
    const { counts, edges } = histogram(Float64Array.of(0, 1, 2, 3, 4), { bins: 4 });
    expect([...counts]).toEqual([1, 1, 1, 2]);
    expect([...edges]).toEqual([0, 1, 2, 3, 4]);
  });

  it('takes the width of Freedman and Diaconis, Sturges where the quartiles coincide', () => {
    // n = 64, IQR = 31.5, range 63: width 2·31.5/4 = 15.75, four bins.
    expect(histogram(Float64Array.from({ length: 64 }, (_, i) => i)).counts.length).toBe(4);
    const peaked = Float64Array.from({ length: 32 }, (_, i) => (i === 0 ? Math.PI : 0));
    expect(histogram(peaked).counts.length).toBe(6);
  });

  it('follows how the values are rounded: a bar for each of few whole numbers, none empty between tenths', () => {
    const scale = Float64Array.from({ length: 300 }, (_, i) => 1 + ((i * i) % 7));
    expect([...histogram(Float64Array.from({ length: 70 }, (_, i) => 1 + (i % 7))).counts]).toEqual([10, 10, 10, 10, 10, 10, 10]);
    expect(histogram(scale).edges[0]).toBe(0.5);
    const tenths = Float64Array.from({ length: 2000 }, (_, i) => Math.round(10 * (5 + 1.5 * Math.sin(i * 1.7) + Math.cos(i * 0.3))) / 10);
    const { edges, counts } = histogram(tenths);
    const width = edges[1] - edges[0];
    expect(Math.abs(width * 10 - Math.round(width * 10))).toBeLessThan(1e-9);
    expect(counts.reduce((a, b) => a + b)).toBe(2000);
    const inner = counts.slice(1, -1);
    expect(inner.every((count) => count > 0)).toBe(true);
    // Each value lies well inside its bin, whatever its last bit.
    for (const value of tenths) expect(edges.every((edge) => Math.abs(edge - value) > 0.04)).toBe(true);
  });

  it('asked for about so many bins takes the nearest number that suits the rounding', () => {
    const whole = Float64Array.from({ length: 200 }, (_, i) => i % 20);
    expect([3, 5, 10, 20, 40].map((about) => histogram(whole, { about }).counts.length)).toEqual([3, 5, 10, 20, 20]);
    expect(
      histogram(
        Float64Array.from({ length: 50 }, (_, i) => Math.sqrt(i)),
        { about: 8 },
      ).counts.length,
    ).toBe(8);
  });

  it('has one bin for a constant, none for nothing, and finite edges at the ends of the number range', () => {
    for (const scale of [1e-9, 1e-10, 1e-100, 1e-170, 1e160]) {
      // As many bars as at any other size, for rounded values and for others.
      const steps = Float64Array.from({ length: 70 }, (_, i) => (1 + (i % 7)) * scale);
      expect(histogram(steps).counts.length).toBeGreaterThan(3);
      const even = Float64Array.from({ length: 64 }, (_, i) => Math.sqrt(i + 1));
      expect([...histogram(even.map((value) => value * scale)).counts]).toEqual([...histogram(even).counts]);
    }
    expect(histogram(Float64Array.from({ length: 70 }, (_, i) => (1 + (i % 7)) * 1e-9)).counts.length).toBe(7);
    expect([...histogram(Float64Array.of(5, 5)).counts]).toEqual([2]);
    expect(histogram(Float64Array.of(Number.NaN)).counts.length).toBe(0);
    expect([...histogram(Float64Array.of(-1.7e308, 1.7e308), { bins: 2 }).edges]).toEqual([-1.7e308, 0, 1.7e308]);
  });
});
