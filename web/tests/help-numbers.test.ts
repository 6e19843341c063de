import { partialCorrelation, pearson, powerForCorrelation, sampleSizeForCorrelation, spearman, testReported } from '@ivlen/core';
import { describe, expect, it } from 'vitest';
import { demoTexts, demoValues } from '../src/help-texts/demo-values';
import { SAMPLE } from '../src/help-texts/figures/sides';
import { TEXTS } from '../src/help-texts/texts';
import { coefficientText, pText } from '../src/numbers/number-text';

const page = (id: string) => TEXTS.get(id) ?? '';
const r = (x: string, y: string) => coefficientText(pearson(demoValues(x), demoValues(y)).coefficient);
const rho = (x: string, y: string) => coefficientText(spearman(demoValues(x), demoValues(y)).coefficient);

describe('what the pages say of the demo is so', () => {
  it('of single pairs', () => {
    expect(page('what-a-coefficient-says')).toContain(`r = ${r('nitrate', 'mayfly_taxa')} for nitrate and mayfly taxa`);
    expect(page('reading-a-matrix')).toContain(
      `The cell says r = ${r('elevation', 'mayfly_taxa')}: stations that lie higher had more taxa`,
    );
    expect(page('values-or-ranks')).toContain(
      `makes r = ${r('turbidity', 'dissolved_oxygen')} with dissolved oxygen; ρ is ${rho('turbidity', 'dissolved_oxygen')}`,
    );
  });

  it('of the one station that makes the last of them', () => {
    const turbidity = demoValues('turbidity');
    const furthest = turbidity.indexOf(turbidity.reduce((most, value) => (value > most ? value : most), 0));
    const without = (name: string) => demoValues(name).filter((_, row) => row !== furthest);
    expect(Math.abs(pearson(without('turbidity'), without('dissolved_oxygen')).coefficient)).toBeLessThan(0.15);
  });

  it('of elevation held constant', () => {
    const partial = partialCorrelation(demoValues('water_temp'), demoValues('phosphate'), [demoValues('elevation')], { method: 'pearson' });
    expect(page('association-and-cause')).toContain(`warm streams have more phosphate: r = ${r('water_temp', 'phosphate')}`);
    expect(page('association-and-cause')).toContain(`and ${coefficientText(partial.coefficient)} is left`);
  });

  it('of dissolved solids', () => {
    const ratio = demoValues('dissolved_solids').map((value, i) => value / (demoValues('conductivity')[i] ?? 1));
    expect((ratio.reduce((sum, value) => sum + value, 0) / ratio.length).toFixed(2)).toBe('0.64');
    expect(page('collinearity')).toContain('about .64 times the conductivity');
  });

  it('of two groups: r of zeros and ones has the t of two means with equal spread', () => {
    const elevation = demoValues('elevation');
    const group = Float64Array.from(demoTexts('geology'), (text) => Number(text === 'granite'));
    const [other, own] = [0, 1].map((code) => [...elevation].filter((_, i) => group[i] === code));
    const mean = (values: number[] = []) => values.reduce((sum, value) => sum + value, 0) / values.length;
    const squares = (values: number[] = []) => values.reduce((sum, value) => sum + (value - mean(values)) ** 2, 0);
    const [n0, n1] = [other?.length ?? 0, own?.length ?? 0];
    const pooled = (squares(other) + squares(own)) / (n0 + n1 - 2);
    const t = (mean(own) - mean(other)) / Math.sqrt(pooled * (1 / n0 + 1 / n1));
    const { statistic } = pearson(group, elevation);
    expect(n1).toBeGreaterThan(20);
    expect(statistic?.value).toBeCloseTo(t, 9);
    expect(statistic?.df).toBe(n0 + n1 - 2);
  });
});

describe('what the pages say of chance is so', () => {
  const p = (coefficient: number, n: number) => testReported({ coefficient, n }).pValue;

  it('p of a small coefficient of many rows, and of a large one of few', () => {
    expect([pText(p(0.1, 1000)), p(0.5, 12).toFixed(2)]).toEqual(['.002', '0.10']);
    expect(page('p-interval-and-power')).toContain('r = .10 with 1,000 rows has p = .002; r = .50 with 12 rows has p = .10');
  });

  it('power', () => {
    expect(Math.round(100 * powerForCorrelation({ r: 0.3, n: 30 }))).toBe(37);
    expect(sampleSizeForCorrelation({ r: 0.3, power: 0.8 }).n).toBe(84);
    expect(page('p-interval-and-power')).toContain('With 30 rows in 37 of 100 samples; with 84 rows in 80');
  });

  it('where significance begins in samples of 30', () => {
    const { n, twoSided, oneSided } = SAMPLE;
    expect(p(twoSided, n)).toBeCloseTo(0.05, 3);
    expect(testReported({ coefficient: oneSided, n }, { alternative: 'greater' }).pValue).toBeCloseTo(0.05, 3);
    expect(page('hypotheses')).toContain('what lies beyond .36 on either side counts as significant');
  });

  it('how many marks chance brings', () => {
    expect([28 * 0.05, 66 * 0.05].map((expected) => expected.toFixed(1))).toEqual(['1.4', '3.3']);
    expect(page('reading-a-matrix')).toContain('Among 28 pairs at the level .05, one or two have a mark by chance');
    expect(page('p-interval-and-power')).toContain('Sixty-six do so three times');
  });
});
