import { analysisSchema, type StudyState } from '@ivlen/contract';
import { createInlineWorkers } from '@ivlen/server';
import { expect, it, test } from 'vitest';
import { analyse, moduleOf } from '../src/analyses/analyses';
import { NO_PIECES } from '../src/analyses/analysis';
import { type AnalysisColumns, factsOf } from '../src/analyses/analysis-columns';
import { Spread } from '../src/analyses/spread';

const ROWS = 300;
const IDS = ['v1', 'v2', 'v3', 'v4'];
const values = IDS.map((_, j) => Float64Array.from({ length: ROWS }, (__, i) => Math.sin(i * (j + 2)) + (j % 2) * Math.cos(i)));
// Of the codebook only what these analyses read.
const state = {
  variables: IDS.map((id) => ({
    id,
    kind: 'continuous',
    storage: 'number',
    version: 1,
    derivation: null,
    valueLabels: {},
    missingCodes: [],
  })),
  accepted: [],
} as unknown as StudyState;
const columnsOf = (columns: readonly Float64Array[], rows: number): AnalysisColumns => ({
  variables: IDS,
  values: columns,
  numeric: IDS.map(() => true),
  rows: null,
  rowsInUse: rows,
  codebook: factsOf(state),
});

const among = { alternative: 'two-sided', level: 0.95 };
const matrix = { kind: 'correlation', variables: IDS, method: 'pearson', byVariable: {}, interval: 'default', control: [], ...among };
const pair = { kind: 'resample', x: 'v1', y: 'v2', method: 'spearman', times: 2000, seed: 7, ...among };

test.each([
  ['a matrix of r', matrix, 'pairs', 10],
  ['a matrix of τ', { ...matrix, method: 'kendall' }, 'pairs', 10],
  ['a matrix by methods of their own', { ...matrix, byVariable: { v2: 'spearman' } }, 'pairs', 10],
  ['a matrix with one held constant', { ...matrix, variables: IDS.slice(0, 3), control: ['v4'] }, 'pairs', 6],
  [
    'cautions',
    {
      kind: 'cautions',
      variables: IDS,
      method: 'pearson',
      byVariable: {},
      shapeRule: { kind: 'limits', skewness: 2, excessKurtosis: 7 },
      groupBy: null,
      alpha: 0.05,
    },
    'pairs',
    6,
  ],
  ['a bootstrap', { ...pair, what: 'bootstrap' }, 'samples', 2000],
  ['a permutation test', { ...pair, what: 'permutation' }, 'samples', 2000],
] as const)('%s tells how far it is: never back, never beyond, to the end', (_, request, counts, all) => {
  const analysis = analysisSchema.parse(request);
  const told: [number, number][] = [];
  analyse(analysis, columnsOf(values, ROWS), (done, total) => told.push([done, total]));
  expect(moduleOf(analysis).counts).toBe(counts);
  expect(told.length).toBeGreaterThan(1);
  for (const [at, [done, total]] of told.entries()) {
    expect(total).toBe(all);
    expect(done).toBeGreaterThanOrEqual(told[at - 1]?.[0] ?? 0);
    expect(done).toBeLessThanOrEqual(all);
  }
  expect(told.at(-1)).toEqual([all, all]);
});

it('adds up what the parts of a large matrix have done, on any number of threads', async () => {
  const rows = 120_000;
  const large = IDS.map((_, j) => Float64Array.from({ length: rows }, (__, i) => Math.sin(i * (j + 2))));
  for (const threads of [1, 2, 3]) {
    let progress = () => ({ done: -1, total: -1 });
    await new Spread(createInlineWorkers(threads)).pieces(
      { study: 's', rows, state },
      analysisSchema.parse({ ...matrix, method: 'spearman' }),
      columnsOf(large, rows),
      NO_PIECES,
      {
        signal: new AbortController().signal,
        progress: (of) => {
          progress = of;
        },
      },
    );
    expect(progress(), `${threads} threads`).toEqual({ done: 10, total: 10 });
  }
});
