import { type Analysis, analysisSchema, type StudyState } from '@ivlen/contract';
import { createInlineWorkers, type Workers } from '@ivlen/server';
import { expect, it, test } from 'vitest';
import { analyse } from '../src/analyses/analyses';
import { NO_PIECES } from '../src/analyses/analysis';
import { type AnalysisColumns, factsOf } from '../src/analyses/analysis-columns';
import { Spread } from '../src/analyses/spread';
import type { Task } from '../src/workers/tasks';

const ROWS = 90_000;
const IDS = ['v1', 'v2', 'v3', 'v4', 'v5', 'v6', 'v7', 'v8', 'v9', 'v10'];

/** Numbers between 0 and 1, the same in every run. */
function uniform(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

const draw = uniform(7);
const common = Float64Array.from({ length: ROWS }, draw);
const values = IDS.map((_, j) =>
  common.map((value) => (j === 3 && draw() < 0.05 ? Number.NaN : j % 3 === 1 ? Math.round(9 * (value + draw())) : value + 2 * draw())),
);
const state = {
  // Of the codebook only what an analysis of numbers reads.
  variables: IDS.map((id) => ({ id, kind: 'continuous', storage: 'number', version: 1 })),
  accepted: [],
} as unknown as StudyState;
const columns: AnalysisColumns = {
  variables: IDS,
  values,
  numeric: IDS.map(() => true),
  rows: null,
  rowsInUse: ROWS,
  codebook: factsOf(state),
};
const table = { study: 's', rows: ROWS, state };
const request = (more: object): Analysis =>
  analysisSchema.parse({
    kind: 'correlation',
    variables: IDS,
    method: 'pearson',
    byVariable: {},
    alternative: 'two-sided',
    level: 0.95,
    interval: 'default',
    control: [],
    ...more,
  });

/** Workers that note what they were given. */
function noting(threads: number): Workers & { readonly tasks: Task['task'][] } {
  const inline = createInlineWorkers(threads);
  const tasks: Task['task'][] = [];
  return {
    ...inline,
    tasks,
    runPart: (task, signal) => {
      tasks.push(task.task);
      return inline.runPart(task, signal);
    },
  };
}

const tools = { signal: new AbortController().signal, progress: () => {} };
async function spread(on: Spread, analysis: Analysis) {
  const known = await on.pieces(table, analysis, columns, NO_PIECES, tools);
  return { pieces: known.places.length, result: analyse(analysis, columns, () => {}, known) };
}

test.each([
  ['Pearson’s r', {}],
  ['Spearman’s ρ', { method: 'spearman' }],
  ['Kendall’s τ', { method: 'kendall' }],
  ['methods of their own', { byVariable: { v2: 'spearman', v5: 'kendall' } }],
  ['rows complete for a set', { method: 'spearman', rows: { completeFor: IDS, group: null } }],
  ['one group', { rows: { completeFor: [], group: { by: 'v2', value: 5 } } }],
  ['one held constant', { control: ['v10'], variables: IDS.slice(0, 9) }],
])('%s: the same digits for any number of threads', async (_, more) => {
  const analysis = request(more);
  const alone = analyse(analysis, columns);
  const size = (more as { variables?: string[] }).variables?.length ?? 10;
  for (const threads of [1, 2, 3, 7]) {
    const { pieces, result } = await spread(new Spread(noting(threads)), analysis);
    // All pairs, and each variable with itself.
    expect(pieces).toBe((size * (size + 1)) / 2);
    expect(result, `${threads} threads`).toEqual(alone);
  }
});

it('sorts each column once: a further variable costs only its own sort and pairs', async () => {
  const workers = noting(2);
  const on = new Spread(workers);
  const nine = request({ method: 'spearman', variables: IDS.slice(0, 9) });
  const known = await on.pieces(table, nine, columns, NO_PIECES, tools);
  expect(workers.tasks.filter((task) => task === 'rank')).toHaveLength(9);
  workers.tasks.length = 0;
  const more = await on.pieces(table, request({ method: 'spearman' }), columns, known, tools);
  expect([more.places.length, workers.tasks.filter((task) => task === 'rank').length]).toEqual([10, 1]);
  workers.tasks.length = 0;
  // Another coefficient of ranks, on the same sorted columns.
  expect((await on.pieces(table, request({ method: 'kendall' }), columns, NO_PIECES, tools)).places.length).toBe(55);
  expect(workers.tasks).toEqual(['pieces', 'pieces']);
});

it('keeps ranks by study and rows: the same variable of another study, or of other rows, is sorted anew', async () => {
  const workers = noting(2);
  const on = new Spread(workers);
  const of = (study: string, more: object, own: AnalysisColumns) =>
    on.pieces({ ...table, study }, request({ method: 'spearman', ...more }), own, NO_PIECES, tools);
  const mirrored = { ...columns, values: values.map((column) => column.map((value) => value * value)) };
  await of('s', {}, columns);
  const other = await of('t', {}, mirrored);
  const [alone] = [
    await new Spread(noting(2)).pieces({ ...table, study: 't' }, request({ method: 'spearman' }), mirrored, NO_PIECES, tools),
  ];
  expect(other).toEqual(alone);
  expect(workers.tasks.filter((task) => task === 'rank')).toHaveLength(20);
  const cut = { rows: { completeFor: IDS, group: null } };
  expect(await of('s', cut, columns)).toEqual(
    await new Spread(noting(2)).pieces(table, request({ method: 'spearman', ...cut }), columns, NO_PIECES, tools),
  );
  // A later version of the rows in use is other rows too.
  const later = { ...table, state: { ...state, inUse: { rows: ROWS, version: 5 } } as unknown as StudyState };
  workers.tasks.length = 0;
  await on.pieces(later, request({ method: 'spearman' }), mirrored, NO_PIECES, tools);
  expect(workers.tasks.filter((task) => task === 'rank')).toHaveLength(10);
});

it('leaves small work whole, and what is known alone', async () => {
  const workers = noting(2);
  const small = { ...columns, rowsInUse: 100, values: values.map((column) => column.slice(0, 100)) };
  expect((await new Spread(workers).pieces(table, request({}), small, NO_PIECES, tools)).places.length).toBe(0);
  const all = await new Spread(createInlineWorkers(2)).pieces(table, request({}), columns, NO_PIECES, tools);
  expect((await new Spread(workers).pieces(table, request({}), columns, all, tools)).places.length).toBe(0);
  expect(workers.tasks).toEqual([]);
});
