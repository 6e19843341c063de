import { correlationSettingsSchema } from '@ivlen/contract';
import { byMethod } from '@ivlen/core';
import { expect, it } from 'vitest';
import type { GridCellData } from '../src/coefficients/cell-data';
import { buildMatrix } from '../src/coefficients/matrix';
import { rectangleFamily } from '../src/coefficients/rectangle-family';
import { distinctPairs, tally } from '../src/coefficients/tally';
import { cellText } from '../src/stages/correlations/matrix-table';
import { filterPairs, rankedColumns, sortPairs } from '../src/stages/correlations/ranked/ranked-columns';
import { rankedTable } from '../src/stages/correlations/ranked/ranked-table';
import { tableCsv } from '../src/tables/columns';
import { testResult, testStudy } from './test-study';

const study = testStudy();
const settings = correlationSettingsSchema.parse({});
const { variables } = study.state;
const [nitrate, phosphate, taxa] = variables as [(typeof variables)[0], (typeof variables)[0], (typeof variables)[0]];

function matrix(patch: Partial<typeof settings> = {}, cautions?: Parameters<typeof buildMatrix>[4]) {
  return buildMatrix(study, variables, [testResult()], { ...settings, ...patch }, cautions);
}

it('counts each pair once, apart those without a coefficient, and names variables associated with nothing', () => {
  expect(tally(matrix(), settings)).toEqual({ pairs: 2, marked: 2, expected: '0.1', fewest: 38, most: 40, without: 1, alone: [] });
  const strict = { ...settings, levels: [0.01] };
  expect(tally(matrix(), strict)).toMatchObject({ marked: 1, alone: [phosphate] });
});

it('adjusts p for the distinct pairs that have one, and marks by it', () => {
  const adjusted = matrix({ adjust: 'bonferroni' });
  expect(adjusted.cell(nitrate, phosphate).adjustedP).toBe(0.08);
  expect(adjusted.cell(phosphate, nitrate).adjustedP).toBe(0.08);
  expect(adjusted.cell(taxa, nitrate).adjustedP).toBe(2e-9);
  expect(adjusted.cell(taxa, phosphate).adjustedP).toBeNaN();
  expect(tally(adjusted, { ...settings, adjust: 'bonferroni' })).toMatchObject({ marked: 1, expected: null });
  expect(cellText(adjusted.cell(nitrate, phosphate), 'coefficient', settings)).toBe('.15');
});

it('adjusts the rectangle of outcomes and predictors for its own pairs alone', () => {
  const whole = { ...settings, adjust: 'bonferroni' as const };
  const family = rectangleFamily(matrix(whole), [phosphate], [nitrate], whole);
  expect(family(matrix(whole).cell(nitrate, phosphate)).adjustedP).toBe(0.04);
  expect(family(matrix(whole).cell(phosphate, nitrate)).adjustedP).toBe(0.04);
});

it('takes another order without another result', () => {
  const names = (order: 'listed' | 'name' | 'cluster') => matrix({ order }).variables.map(({ name }) => name);
  expect(names('listed')).toEqual(['nitrate', 'phosphate', 'mayfly_taxa']);
  expect(names('name')).toEqual(['mayfly_taxa', 'nitrate', 'phosphate']);
  // Nitrate is nearest to both others, so that it stands between them.
  expect(names('cluster')[1]).toBe('nitrate');
  expect(matrix({ order: 'name' }).cell(taxa, nitrate).coefficient).toBe(-0.63);
});

it('ranks pairs by size, filters them, and leaves undefined ones last', () => {
  const m = matrix();
  const pairs = distinctPairs(m).map((main) => ({ main, by: byMethod((): GridCellData | undefined => main) }));
  const columns = rankedColumns(settings);
  const ranking = { sort: 'size', ascending: false, find: '', least: 0, significance: 'any', cautioned: 'any' } as const;
  const names = (of: typeof pairs) => of.map(({ main }) => `${main.column.name} ${main.row.name}`);
  expect(names(sortPairs(pairs, ranking, columns))).toEqual(['nitrate mayfly_taxa', 'nitrate phosphate', 'phosphate mayfly_taxa']);
  expect(names(sortPairs(pairs, { ...ranking, ascending: true }, columns))).toEqual([
    'nitrate phosphate',
    'nitrate mayfly_taxa',
    'phosphate mayfly_taxa',
  ]);
  expect(names(filterPairs(pairs, { ...ranking, find: 'taxa' }, settings))).toHaveLength(2);
  expect(names(filterPairs(pairs, { ...ranking, least: 0.5 }, settings))).toEqual(['nitrate mayfly_taxa']);
  expect(filterPairs(pairs, { ...ranking, significance: 'unmarked' }, settings)).toHaveLength(1);
  const csv = tableCsv(rankedTable(pairs, rankedColumns(settings), settings)).split('\r\n');
  expect(csv[0]).toBe('variable_1,variable_2,method,coefficient,n,p,log10_p,low_95 %,high_95 %,pearson,spearman,kendall,cautions');
  expect(csv[1]).toBe('nitrate,phosphate,pearson,0.15,38,0.04,-1.4,0.01,0.28,0.15,0.15,0.15,');
  expect(csv[3]).toContain('phosphate,mayfly taxa,pearson,,38,,,,');
});

it('keeps the cautions of a pair whichever of the two comes first', () => {
  const cautions = new Map([
    ['v1~v3', [{ code: 'curved', level: 'could-change', values: {}, found: { coefficient: 0.4, pValue: 0.01 }, remedy: null } as const]],
  ]);
  expect(matrix({}, cautions).cell(taxa, nitrate).cautions).toHaveLength(1);
  expect(matrix({}, cautions).cell(nitrate, taxa).cautions).toHaveLength(1);
  expect(matrix({}, cautions).cell(nitrate, phosphate).cautions).toHaveLength(0);
});

it('marks a second coefficient by its own adjusted p', () => {
  const both = { ...settings, methods: ['pearson', 'spearman'] as ('pearson' | 'spearman')[], adjust: 'bonferroni' as const };
  const second = { ...testResult(), methods: Array.from({ length: 9 }, () => 'spearman' as const) };
  const cell = buildMatrix(study, variables, [testResult(), second], both, undefined).cell(nitrate, phosphate);
  expect([cell.secondMethod, cell.secondP, cell.secondAdjustedP]).toEqual(['spearman', 0.04, 0.08]);
  expect(cellText(cell, 'second', both)).toBe('.15');
  expect(cellText(cell, 'second', { ...both, levels: [0.1] })).toBe('.15*');
});

it('has no cell of a method while it is computed, nor of variables that its result is not of', () => {
  const study = testStudy();
  const methods = ['pearson', 'spearman', 'kendall'] as const;
  const asked = correlationSettingsSchema.parse({ methods });
  const [first, second, third] = study.state.variables;
  if (!first || !second || !third) throw new Error('the test study has three variables');
  const rho = {
    ...testResult(),
    methods: testResult().methods.map(() => 'spearman' as const),
    coefficient: testResult().coefficient.map(() => 0.25),
  };
  const loading = buildMatrix(study, study.state.variables, [testResult(), rho, undefined], asked, undefined);
  expect(loading.complete).toBe(false);
  expect(loading.cellBy('spearman', second, first)?.coefficient).toBe(0.25);
  expect(loading.cellBy('kendall', second, first)).toBeUndefined();
  const [pair] = distinctPairs(loading).map((main) => ({ main, by: byMethod((method) => loading.cellBy(method, main.row, main.column)) }));
  const shown = Object.fromEntries(rankedColumns(asked).map(({ name, shown: text }) => [name, pair && text(pair)]));
  expect([shown.ρ, shown.τ]).toEqual(['.25', '…']);
  expect(
    tableCsv(rankedTable(pair ? [pair] : [], rankedColumns(asked), asked))
      .split('\r\n')[1]
      ?.split(',')
      .slice(-2),
  ).toEqual(['', '']);
  // A result of two of the three, as after a variable more was ticked.
  const two = { ...rho, variables: rho.variables.slice(0, 2), coefficient: [1, 0.25, 0.25, 1] };
  const mixed = buildMatrix(study, study.state.variables, [testResult(), two as never, undefined], asked, undefined);
  expect(mixed.cellBy('spearman', third, first)).toBeUndefined();
  expect(mixed.cell(third, first).second).toBeNaN();
  expect(buildMatrix(study, study.state.variables, [testResult(), rho, rho], asked, undefined).complete).toBe(true);
});
