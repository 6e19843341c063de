import { readFileSync } from 'node:fs';
import { concentrationEllipse, createRanker, spearman } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { expectFigure, expectFigures } from './accuracy';
import { column } from './tolerance';

type Column = (number | null)[];
const reference: {
  ranks: Record<'x' | 'y' | 'alone' | 'xInPair' | 'yInPair', Column>;
  ellipses: { share: number; distance: number }[];
} = JSON.parse(readFileSync('reference/scatterplots.json', 'utf8'));

describe('ranks of a column among the rows of a pair', () => {
  const [x, y] = [column(reference.ranks.x), column(reference.ranks.y)];

  it('are those of rankdata, over all its values and over the rows that the other column has too', () => {
    const ranker = createRanker(x);
    expectFigures('createRanker', 'scipy rankdata', ranker(), reference.ranks.alone, 0);
    expectFigures('createRanker', 'scipy rankdata', ranker(y), reference.ranks.xInPair, 0);
    expectFigures('createRanker', 'scipy rankdata', createRanker(y)(x), reference.ranks.yInPair, 0);
  });

  it('give Spearman’s ρ as the correlation of what is drawn', () => {
    const [u, v] = [createRanker(x)(y), createRanker(y)(x)];
    const both = [...u.keys()].filter((row) => u[row] === u[row]);
    const mean = (both.length + 1) / 2;
    const sum = (of: (row: number) => number) => both.reduce((total, row) => total + of(row), 0);
    const du = (row: number) => (u[row] ?? 0) - mean;
    const dv = (row: number) => (v[row] ?? 0) - mean;
    const rho = sum((row) => du(row) * dv(row)) / Math.sqrt(sum((row) => du(row) ** 2) * sum((row) => dv(row) ** 2));
    expect(rho).toBeCloseTo(spearman(x, y).coefficient, 14);
  });

  it('refuses a partner of another length', () => {
    expect(() => createRanker(x)(y.slice(1))).toThrow(/same number of rows/);
  });
});

describe('ellipse of concentration', () => {
  const moments = { meanX: 3, meanY: -2, sdX: 2, sdY: 0.5, r: -0.7 };

  test.each(reference.ellipses.map((item) => [item.share, item] as const))(
    'share %d lies at the distance of chi-squared',
    (share, item) => {
      const ellipse = concentrationEllipse(moments, share);
      expectFigure('concentrationEllipse', 'scipy chi2', ellipse?.distance ?? Number.NaN, item.distance, 1e-12);
      // Every point of the outline is at that Mahalanobis distance from the means.
      ellipse?.x.forEach((x, i) => {
        const [u, v] = [(x - moments.meanX) / moments.sdX, ((ellipse.y[i] ?? 0) - moments.meanY) / moments.sdY];
        const squared = (u * u - 2 * moments.r * u * v + v * v) / (1 - moments.r ** 2);
        expect(Math.sqrt(squared)).toBeCloseTo(item.distance, 10);
      });
    },
  );

  it('has none without variation, and refuses shares that are none', () => {
    expect(concentrationEllipse({ ...moments, sdX: 0 }, 0.9)).toBeNull();
    expect(concentrationEllipse({ ...moments, r: Number.NaN }, 0.9)).toBeNull();
    expect(() => concentrationEllipse(moments, 1)).toThrow(RangeError);
  });
});
