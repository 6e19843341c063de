import { correlationSettingsSchema, type PairCaution, pairKey } from '@ivlen/contract';
import { byMethod, METHOD_NAMES } from '@ivlen/core';
import { act, renderHook } from '@testing-library/react';
import { createElement, type ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it, test } from 'vitest';
import { buildMatrix } from '../src/coefficients/matrix';
import { distinctPairs } from '../src/coefficients/tally';
import { filterPairs, type RankedPair, rankedColumns, sortPairs } from '../src/stages/correlations/ranked/ranked-columns';
import { rankedTable } from '../src/stages/correlations/ranked/ranked-table';
import { type Ranking, useRanking } from '../src/stages/correlations/ranked/use-ranking';
import { tableCsv, textTable } from '../src/tables/columns';
import { testResult, testStudy } from './test-study';

const study = testStudy();
const settings = correlationSettingsSchema.parse({ methods: ['pearson', 'spearman', 'kendall'], adjust: 'bonferroni' });
const found = { coefficient: -0.63, pValue: 1e-9 };
const caution = (code: PairCaution['code'], level: PairCaution['level']): PairCaution => ({ code, level, values: {}, found, remedy: null });
const cautions = new Map([
  [pairKey('v1', 'v3'), [caution('curved', 'could-change'), caution('rows-not-independent', 'note')]],
  [pairKey('v1', 'v2'), [caution('shape', 'note'), caution('rows-not-independent', 'note')]],
  [pairKey('v2', 'v3'), [caution('rows-not-independent', 'note')]],
]);
const other = (method: 'spearman' | 'kendall', factor: number) => ({
  ...testResult(),
  methods: testResult().methods.map(() => method),
  coefficient: testResult().coefficient.map((value) => (value === null ? null : value * factor)),
});
const matrix = buildMatrix(study, study.state.variables, [testResult(), other('spearman', 0.8), other('kendall', 0.6)], settings, cautions);
const pairs: RankedPair[] = distinctPairs(matrix).map((main) => ({
  main,
  by: byMethod((method) => matrix.cellBy(method, main.row, main.column)),
}));
const columns = rankedColumns(settings);
const all: Ranking = { sort: 'size', ascending: false, find: '', least: 0, significance: 'any', cautioned: 'any' };
const names = (list: readonly RankedPair[]) => list.map(({ main }) => `${main.column.id}${main.row.id}`);
const sorted = (part: Partial<Ranking>) => names(sortPairs(pairs, { ...all, ...part }, columns));
const kept = (part: Partial<Ranking>) => names(filterPairs(pairs, { ...all, ...part }, settings));

describe('pairs in order', () => {
  test.each<[Partial<Ranking>, string[]]>([
    [{}, ['v1v3', 'v1v2', 'v2v3']],
    [{ ascending: true }, ['v1v2', 'v1v3', 'v2v3']],
    [{ sort: 'p', ascending: true }, ['v1v3', 'v1v2', 'v2v3']],
    [{ sort: 'p' }, ['v1v2', 'v1v3', 'v2v3']],
    [{ sort: 'adjusted', ascending: true }, ['v1v3', 'v1v2', 'v2v3']],
    [{ sort: 'pair', ascending: true }, ['v1v3', 'v1v2', 'v2v3']],
    [{ sort: 'pair' }, ['v2v3', 'v1v2', 'v1v3']],
    [{ sort: 'interval' }, ['v1v3', 'v1v2', 'v2v3']],
    [{ sort: 'shared' }, ['v1v3', 'v1v2', 'v2v3']],
    // Those that could change the conclusion weigh ten notes; rows that are not independent count for no pair.
    [{ sort: 'cautions' }, ['v1v3', 'v1v2', 'v2v3']],
    [{ sort: 'nothing of the kind' }, ['v1v3', 'v1v2', 'v2v3']],
  ])('by %j are %j, what is undefined last either way', (part, order) => expect(sorted(part)).toEqual(order));

  it('p that underflow are told apart by their logarithm', () => {
    const tiny = (log10P: number): RankedPair => ({
      ...(pairs[0] as RankedPair),
      main: { ...(pairs[0] as RankedPair).main, p: 0, log10P },
    });
    const [first] = sortPairs([tiny(-400), tiny(-900)], { ...all, sort: 'p', ascending: true }, columns);
    expect(first?.main.log10P).toBe(-900);
  });
});

describe('filters', () => {
  test.each<[Partial<Ranking>, string[]]>([
    [{}, ['v1v2', 'v1v3', 'v2v3']],
    [{ find: 'mayfly' }, ['v1v3', 'v2v3']],
    [{ find: '  NITR ' }, ['v1v2', 'v1v3']],
    [{ find: 'nothing' }, []],
    [{ least: 0.15 }, ['v1v2', 'v1v3']],
    [{ least: 0.1501 }, ['v1v3']],
    [{ significance: 'marked' }, ['v1v3']],
    [{ significance: 'unmarked' }, ['v1v2', 'v2v3']],
    [{ cautioned: 'decisive' }, ['v1v3']],
    [{ cautioned: 'some' }, ['v1v2', 'v1v3']],
    [{ cautioned: 'none' }, ['v2v3']],
    [{ cautioned: 'some', find: 'phosphate' }, ['v1v2']],
  ])(
    '%j leave %j',
    (part, list) => expect(kept(part)).toEqual(expect.arrayContaining(list)) ?? expect(kept(part)).toHaveLength(list.length),
  );

  it('by significance follow the adjusted p where there is one', () => {
    // .04 becomes .08 after Bonferroni among two pairs.
    const plain = filterPairs(
      distinctPairs(buildMatrix(study, study.state.variables, [testResult()], { ...settings, adjust: 'none' }, cautions)).map((main) => ({
        main,
        by: byMethod(() => main),
      })),
      { ...all, significance: 'marked' },
      settings,
    );
    expect(names(plain).toSorted()).toEqual(['v1v2', 'v1v3']);
    expect(kept({ significance: 'marked' })).toEqual(['v1v3']);
  });
});

describe('taken along', () => {
  const table = rankedTable(sortPairs(pairs, all, columns), columns, settings);

  it('as it is read, with marks by the adjusted p, and what they mean', () => {
    const { head, rows, note } = textTable(table);
    expect(head.slice(0, 5)).toEqual(['pair', 'size', 'r', 'ρ', 'τ']);
    expect(rows[0]?.slice(0, 6)).toEqual(['nitrate × mayfly taxa', '−.63***', '−.63', '−.50', '−.38', '40']);
    expect(rows[1]?.[1]).toBe('.15');
    expect(rows[0]?.at(-1)).toBe('curved');
    expect(note).toBe('Size, p and interval by Pearson’s r unless decided otherwise for a variable. * p ≤ .05, ** p ≤ .01, *** p ≤ .001.');
  });

  it('as a file with every digit, and every caution', () => {
    const [header, first, , last] = tableCsv(table).trim().split(/\r?\n/);
    expect(header).toBe(
      'variable_1,variable_2,method,coefficient,n,p,log10_p,p_bonferroni,low_95 %,high_95 %,pearson,spearman,kendall,cautions',
    );
    expect(first).toBe('nitrate,mayfly taxa,pearson,-0.63,40,1e-9,-9,2e-9,-0.77,-0.42,-0.63,-0.504,-0.378,curved; rows not independent');
    expect(last?.startsWith('phosphate,mayfly taxa,pearson,,38,')).toBe(true);
  });

  it('without adjustment has no column of it', () => {
    const plain = rankedColumns({ ...settings, adjust: 'none' });
    expect(plain.map(({ id }) => id)).not.toContain('adjusted');
    expect(plain.filter(({ id }) => METHOD_NAMES.some((method) => method === id))).toHaveLength(3);
  });
});

describe('the ranking in the address', () => {
  const open = (search: string) =>
    renderHook(() => useRanking(), {
      wrapper: ({ children }: { children: ReactNode }) => createElement(MemoryRouter, { initialEntries: [`/x${search}`] }, children),
    });

  it('is read back as it was set, and nonsense is left alone', () => {
    const { result } = open('');
    expect(result.current.ranking).toEqual(all);
    act(() => result.current.change({ sort: 'p', ascending: true, find: 'ph', least: 0.3, cautioned: 'decisive', significance: 'marked' }));
    expect(result.current.ranking).toEqual({
      sort: 'p',
      ascending: true,
      find: 'ph',
      least: 0.3,
      significance: 'marked',
      cautioned: 'decisive',
    });
    act(() => result.current.change(all));
    expect(result.current.ranking).toEqual(all);
    expect(open('?least=7&significance=most&cautioned=x&ascending=maybe').result.current.ranking).toEqual(all);
  });
});
