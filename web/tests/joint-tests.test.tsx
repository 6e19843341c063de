import { type JointResult, type JointTestName, jointResultSchema, shapeSettingsSchema } from '@ivlen/contract';
import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { jointP } from '../src/stages/shape/together/joint-p';
import { JointTests } from '../src/stages/shape/together/joint-tests';
import { show } from './served';

const test = (pValue: number | null, statistic: number | null = 1.5) => ({
  statistic,
  df: null,
  pValue,
  log10P: pValue === null ? null : Math.log10(pValue),
});

function result(skewness: number | null, kurtosis: number | null): JointResult {
  return jointResultSchema.parse({
    kind: 'joint',
    variables: ['v1', 'v2', 'v3'],
    n: 40,
    incomplete: 0,
    undefinedBecause: null,
    mardia: {
      skewness: { ...test(skewness, skewness === null ? null : 12.34), df: 10, coefficient: 1.85 },
      kurtosis: { ...test(kurtosis, kurtosis === null ? null : -0.61), coefficient: 14.02 },
    },
    henzeZirkler: { ...test(0.32, 0.71), sampledFrom: null },
    doornikHansen: { ...test(0.0004, 24.6), df: 6 },
    distances: null,
    furthest: [],
  });
}

const shown = (jointTest: JointTestName, data: JointResult) => {
  show(<JointTests data={data} settings={shapeSettingsSchema.parse({ jointTest })} />);
  return within(screen.getByRole('table', { name: 'Tests of joint normality' }));
};
const cellsOf = (row: HTMLElement) =>
  within(row)
    .getAllByRole('cell')
    .map((cell) => cell.textContent);

describe('tests of joint normality', () => {
  it('show Mardia’s two parts, each with its own statistic, df and p', () => {
    const table = shown('mardia', result(0.03, 0.54));
    expect(cellsOf(table.getByRole('row', { name: /^Mardia, skewness/ }))).toEqual(['χ² 12.34', '10', '.030']);
    expect(cellsOf(table.getByRole('row', { name: /^Mardia, kurtosis/ }))).toEqual(['z −0.61', '', '.540']);
    // Of k variables k(k + 2) is expected (Mardia 1970).
    expect(table.getByRole('row', { name: /^Mardia, kurtosis/ }).textContent).toContain('b₂ 14.02; 15 expected');
    expect(cellsOf(table.getByRole('row', { name: /^Doornik–Hansen/ }))).toEqual(['χ² 24.60', '6', '< .001']);
  });

  it('write nothing where there is no statistic', () => {
    const table = shown('henze-zirkler', result(null, null));
    expect(cellsOf(table.getByRole('row', { name: /^Mardia, skewness/ }))).toEqual(['–', '10', '–']);
  });

  it.each([
    ['skewness is the smaller', 0.01, 0.4, 0.02],
    ['kurtosis is the smaller', 0.4, 0.02, 0.04],
    ['twice the smaller is more than 1', 0.8, 0.7, 1],
  ])('of Mardia’s pair p is twice the smaller one: %s', (_, skewness, kurtosis, p) => {
    const found = jointP(result(skewness, kurtosis), 'mardia');
    expect(found.pValue).toBeCloseTo(p, 12);
    expect(found.log10P).toBeCloseTo(Math.log10(p), 12);
  });

  it('of the others it is their own, and of none it is none', () => {
    expect(jointP(result(0.01, 0.4), 'henze-zirkler').pValue).toBe(0.32);
    expect(jointP(result(0.01, 0.4), 'doornik-hansen').pValue).toBe(0.0004);
    expect(jointP(result(null, null), 'mardia').pValue).toBeNaN();
  });
});
