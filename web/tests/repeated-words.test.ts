import type { RepeatedRowsResult } from '@ivlen/contract';
import { describe, expect, it } from 'vitest';
import { repeatedInWords, repeatedTable } from '../src/pair-card/repeated-words';
import { tableCsv, textTable } from '../src/tables/columns';

const interval = (low: number, high: number, method = 'bootstrap-clusters') => ({ low, high, level: 0.95, method });
const result: RepeatedRowsResult = {
  kind: 'repeated-rows',
  n: 248,
  identifiers: 236,
  repeating: 12,
  repeatedRows: 24,
  within: { coefficient: -0.31, df: 11, pValue: 0.302, interval: interval(-0.74, 0.3, 'fisher') },
  slopes: { f: 1.2345, df: 11, dfResidual: 224, pValue: 0.27 },
  between: { coefficient: -0.64, df: 234, pValue: 1e-12 },
  whole: {
    pearson: { coefficient: -0.62, interval: interval(-0.69, -0.53) },
    spearman: { coefficient: -0.6, interval: interval(-0.68, -0.51) },
    kendall: { coefficient: -0.43, interval: interval(-0.49, -0.36) },
  },
  replicates: 2000,
  seed: 1,
};

const TWO_SIDED = { alternative: 'two-sided' as const, levels: [0.05, 0.01, 0.001] };

describe('rows of the same case, in words', () => {
  it('says how many repeat, then within, between, slopes and how the intervals were got', () => {
    expect(repeatedInWords(result, 'station', TWO_SIDED)).toEqual([
      '24 of 248 rows belong to 12 of 236 that have several.',
      'Within each station, r(11) = −.31, p = .302: whether rows of one station that are higher in one are higher in the other.',
      'Between them, of their means weighted by rows, r(234) = −.64, p < .001.',
      'That the line is equally steep in each is not rejected: F(11, 224) = 1.23, p = .270.',
      'Intervals over all rows are percentiles of 2,000 samples in which each station comes with all its rows (seed 1).',
    ]);
  });

  it('names the side of what is tested on one', () => {
    const words = repeatedInWords(result, 'station', { ...TWO_SIDED, alternative: 'less' });
    expect(words.slice(1, 4)).toEqual([
      expect.stringContaining('p = .302, one-sided: whether rows'),
      'Between them, of their means weighted by rows, r(234) = −.64, p < .001, one-sided.',
      expect.not.stringContaining('one-sided'),
    ]);
  });

  it('rejects equal slopes by their very p', () => {
    const steep = { ...result, slopes: { ...result.slopes, pValue: 0.05 } };
    expect(repeatedInWords(steep, 'station', TWO_SIDED)[3]).toContain('is rejected: F(11, 224) = 1.23, p = .050');
  });

  it('says so where nothing repeats, and leaves out what cannot be computed', () => {
    expect(repeatedInWords({ ...result, repeating: 0, repeatedRows: 0 }, 'person', TWO_SIDED)).toEqual([
      'No person stands in more than one of the 248 rows: they count as one case each.',
    ]);
    const none = { coefficient: null, pValue: null };
    const few: RepeatedRowsResult = {
      ...result,
      identifiers: 6,
      within: { ...none, df: null, interval: null },
      between: { ...none, df: 4 },
      slopes: { ...result.slopes, f: null, pValue: null },
      whole: {
        pearson: { coefficient: 0.3, interval: null },
        spearman: { coefficient: 0.2, interval: null },
        kendall: { coefficient: null, interval: null },
      },
    };
    expect(repeatedInWords(few, 'person', TWO_SIDED)).toEqual([
      '24 of 248 rows belong to 12 of 6 that have several.',
      'No coefficient within each person: a variable does not vary inside them, or too few rows repeat.',
      'Fewer than ten to draw from: no intervals over all rows.',
    ]);
    expect(textTable(repeatedTable(few, 'person', [0.05])).rows.at(-1)).toEqual(['τ over all', '–', '', '']);
  });

  it('has a line for each in the table, with every digit in the file', () => {
    const table = repeatedTable(result, 'station', [0.05]);
    expect(textTable(table).rows).toEqual([
      ['r within', '−.310', '[−.740, .300]', '.302'],
      ['r between', '−.640', '', '< .001'],
      ['r over all', '−.620', '[−.690, −.530]', ''],
      ['ρ over all', '−.600', '[−.680, −.510]', ''],
      ['τ over all', '−.430', '[−.490, −.360]', ''],
    ]);
    expect(tableCsv(table).split(/\r?\n/)[1]).toBe('r within,-0.31,-0.74,0.3,0.302,11');
  });
});
