import { readFileSync } from 'node:fs';
import { boxCox, cubeRoot, ln, log10, rankNormal, reciprocal, reflect, sqrt, square, standardize, yeoJohnson } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { expectFigure, expectFigures } from './accuracy';
import { column } from './tolerance';

interface PowerCase {
  name: string;
  x: number[];
  lambda: number;
  values: number[];
}
const scales: { boxCox: PowerCase[]; yeoJohnson: PowerCase[]; rankNormal: { x: number[]; values: number[] } } = JSON.parse(
  readFileSync('reference/scales.json', 'utf8'),
);
const LIKELIHOOD = 'zero of the likelihood’s slope, mpmath 60 digits';

describe.each([
  ['boxCox', boxCox, scales.boxCox],
  ['yeoJohnson', yeoJohnson, scales.yeoJohnson],
] as const)('%s', (name, scale, cases) => {
  test.each(cases.map((item) => [item.name, item] as const))('%s', (what, item) => {
    const { values, lambda } = scale(column(item.x));
    expectFigure(name, LIKELIHOOD, lambda, item.lambda, 1e-10, what);
    expectFigures(name, LIKELIHOOD, values ?? [], item.values, 1e-9, what);
  });
});

it('rank-normal scores are Blom’s of midranks', () => {
  expectFigures(
    'rankNormal',
    'definition, mpmath 60 digits',
    rankNormal(column(scales.rankNormal.x)).values ?? [],
    scales.rankNormal.values,
    1e-13,
  );
});

describe('domains', () => {
  const x = Float64Array.of(0, -3, Number.NaN, 4, 16);

  it('a log of values not above 0 is refused with their number and the shift that would serve', () => {
    for (const scale of [log10, ln, boxCox]) {
      const { values, refused } = scale(x);
      expect([values, refused]).toEqual([null, { because: 'values-not-positive', count: 2, shift: 4 }]);
      expect(scale(x.map((value) => value + 4)).refused).toBeNull();
    }
  });

  it('a root of negative values is refused likewise, a reciprocal where signs or zeros mix', () => {
    expect(sqrt(x).refused).toEqual({ because: 'negative-values', count: 1, shift: 3 });
    expect(sqrt(x.map((value) => value + 3)).refused).toBeNull();
    expect(reciprocal(x).refused).toMatchObject({ because: 'zeros-or-both-signs', count: 2 });
    expect([...(reciprocal(Float64Array.of(-2, -4, Number.NaN)).values ?? [])]).toEqual([-0.5, -0.25, Number.NaN]);
  });

  it('missing values stay missing, and the input is not changed', () => {
    const values = Float64Array.of(1, Number.NaN, 100);
    expect([...(log10(values).values ?? [])]).toEqual([0, Number.NaN, 2]);
    expect([...values]).toEqual([1, Number.NaN, 100]);
  });

  it('scales that turn the order round say so', () => {
    const positive = Float64Array.of(1, 2, 4);
    expect([log10, sqrt, cubeRoot, square, rankNormal, standardize].map((scale) => scale(positive).reversed)).toEqual(
      new Array(6).fill(false),
    );
    expect([reciprocal(positive).reversed, reflect(positive).reversed, square(positive.map((v) => -v)).reversed]).toEqual([
      true,
      true,
      true,
    ]);
    expect([...(reflect(positive).values ?? [])]).toEqual([4, 3, 1]);
    expect([square(x).monotone, square(positive).monotone]).toEqual([false, true]);
  });

  it('a constant cannot be standardized or given a power', () => {
    const constant = Float64Array.of(3, 3, 3);
    for (const scale of [standardize, boxCox, yeoJohnson]) expect(scale(constant).refused?.because).toBe('no-variation');
    expect(boxCox(Float64Array.of(1, 2, 3, 4), { lambda: 0 }).values?.[1]).toBeCloseTo(Math.log(2), 15);
    expect([...(yeoJohnson(Float64Array.of(-2, 0, 3), { lambda: 1 }).values ?? [])].map((v) => Math.round(v * 1e12) / 1e12)).toEqual([
      -2, 0, 3,
    ]);
  });
});
