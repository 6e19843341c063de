import {
  type Change,
  categoriesSchema,
  correlationResultSchema,
  derivationPreviewSchema,
  describeResultSchema,
  foundCellsSchema,
  importPreviewSchema,
  missingResultSchema,
  rowBlockSchema,
  type Study,
  type Subset,
  studySchema,
  subsetCountSchema,
  suspiciousResultSchema,
} from '@ivlen/contract';
import { pearson } from '@ivlen/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

const DEPTH = [12.5, 11, 15, 18.25, 25, 21, 9, 13, 16, 17.5, 22, 14];
const TAXA = [9, 11, 10, 4, 3, 5, 12, 9, 7, 6, 4, 8];
const HABITAT = ['riffle', 'run', 'run', 'pool', 'pool', 'pool', 'riffle', 'riffle', 'run', 'run', 'pool', 'riffle'];
const TABLE = ['site,depth,taxa,habitat', ...DEPTH.map((depth, i) => `S${i + 1},${depth},${TAXA[i]},${HABITAT[i]}`)].join('\n');

async function makeStudy(table = TABLE): Promise<Study> {
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=sites.csv', bytesOf(table));
  return app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Sites' });
}
const change = (study: Study, to: Change, reason?: string) =>
  app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change: to, reason });
const refusal = async (study: Study, to: unknown) => {
  const response = await app.send('POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change: to });
  return ((await response.json()) as { error: { code: string; message: string } }).error;
};
const undo = (study: Study) => app.ask(studySchema, 'POST', `/studies/${study.id}/undo`, { expectedHead: study.head });
const summaryOf = async ({ id, head }: Study) =>
  (await app.database('revision').where({ study: id, number: head }).first('summary')).summary;
const rowsOf = async ({ id, head }: Study, query = 'block=0') =>
  (await app.ask(rowBlockSchema, 'GET', `/studies/${id}/revisions/${head}/rows?${query}`)).rows;
const columnOf = async (study: Study, name: string) => {
  const at = study.state.variables.findIndex((variable) => variable.name === name);
  return (await rowsOf(study)).map(({ cells }) => cells[at]);
};
const r = async ({ id, head }: Study, variables: string[]) => {
  const analysis = {
    kind: 'correlation',
    method: 'pearson',
    byVariable: {},
    alternative: 'two-sided',
    level: 0.95,
    variables,
  };
  const result = await app.ask(correlationResultSchema, 'POST', `/studies/${id}/analyses`, { revision: head, analysis });
  return { r: result.coefficient[1], n: result.n[1] };
};
const analyse = ({ id, head }: Study, analysis: object) => ['POST', `/studies/${id}/analyses`, { revision: head, analysis }] as const;
const only = (variable: string, ...values: string[]): Subset => ({
  join: 'all',
  rules: [{ type: 'one-of', variable, values, not: false }],
});
const idOf = (study: Study, name: string) => study.state.variables.find((variable) => variable.name === name)?.id ?? '';

describe('cells', () => {
  it('are corrected one by one, with what they were in the trail, and undone', async () => {
    const study = await makeStudy();
    const edited = await change(study, { type: 'edit-cells', variables: ['v2'], rows: [3], cells: [['1.5']] });
    expect(await summaryOf(edited)).toBe('depth in row 3 (S3): 15 became 1.5');
    expect((await columnOf(edited, 'depth'))[2]).toBe(1.5);
    const changed = DEPTH.with(2, 1.5);
    expect((await r(edited, ['v2', 'v3'])).r).toBeCloseTo(pearson(Float64Array.from(changed), Float64Array.from(TAXA)).coefficient, 14);
    const undone = await undo(edited);
    expect((await columnOf(undone, 'depth'))[2]).toBe(15);
    expect((await r(undone, ['v2', 'v3'])).r).toBeCloseTo(pearson(Float64Array.from(DEPTH), Float64Array.from(TAXA)).coefficient, 14);
  });

  it('take a pasted block, with new texts and missing values', async () => {
    const study = await makeStudy();
    const cells = [
      ['30', 'weir'],
      ['', 'pool'],
    ];
    const edited = await change(study, { type: 'edit-cells', variables: ['v2', 'v4'], rows: [11, 12], cells });
    expect(await summaryOf(edited)).toBe('4 cells of 2 variables corrected in rows 11–12');
    expect((await columnOf(edited, 'depth')).slice(10)).toEqual([30, null]);
    expect((await columnOf(edited, 'habitat')).slice(9)).toEqual(['run', 'weir', 'pool']);
  });

  it('refuse what cannot be read, writing nothing of the block', async () => {
    const study = await makeStudy();
    const block = {
      type: 'edit-cells',
      variables: ['v2', 'v3'],
      rows: [1, 2],
      cells: [
        ['7,4', '1'],
        ['3', 'many'],
      ],
    };
    const error = await refusal(study, block);
    expect(error.code).toBe('cell-unreadable');
    expect(error.message).toBe('Nothing was written: “7,4” for depth in row 1, “many” for taxa in row 2 cannot be read.');
    expect(
      (
        await refusal(study, {
          ...block,
          rows: [12, 13],
          cells: [
            ['1', '1'],
            ['1', '1'],
          ],
        })
      ).code,
    ).toBe('no-such-row');
    expect((await refusal(study, { ...block, cells: [['1'], ['1']] })).code).toBe('block-ragged');
    expect((await columnOf(study, 'depth'))[0]).toBe(12.5);
  });

  it('are told apart from codes for missing values, which can be changed later', async () => {
    const study = await makeStudy(TABLE.replace('S3,15,', 'S3,-99,'));
    expect((await columnOf(study, 'depth'))[2]).toBe(-99);
    const coded = await change(study, { type: 'edit-variable', variable: 'v2', patch: { missingCodes: ['-99'] } });
    expect((await columnOf(coded, 'depth'))[2]).toBeNull();
    expect((await r(coded, ['v2', 'v3'])).n).toBe(11);
    const plain = await change(coded, { type: 'edit-variable', variable: 'v2', patch: { missingCodes: [] } });
    expect((await columnOf(plain, 'depth'))[2]).toBe(-99);
  });
});

describe('rows', () => {
  it('are set aside with a reason, left out of all computing, and brought back', async () => {
    const study = await makeStudy();
    const less = await change(study, { type: 'set-aside', choice: { rows: [[4, 5]] }, because: 'misread' }, 'the gauge stuck');
    expect(less.state.inUse).toEqual({ rows: 10, version: 2 });
    expect((await r(less, ['v2', 'v3'])).n).toBe(10);
    expect((await rowsOf(less)).map(({ setAside }) => setAside).slice(2, 6)).toEqual([0, 1, 1, 0]);
    const more = await change(less, { type: 'set-aside', choice: { rule: only('v4', 'pool') }, because: 'other population' });
    expect(more.state.setAside).toMatchObject({ reasons: ['misread', 'other population'], count: 4 });
    expect(await summaryOf(more)).toBe('Rows 4–6 and 11 set aside: other population');
    const back = await change(more, { type: 'bring-back', choice: { rows: [[5, 5]] } });
    expect(await summaryOf(back)).toBe('Row 5 (S5) brought back');
    expect((await r(back, ['v2', 'v3'])).n).toBe(9);
    expect((await refusal(back, { type: 'bring-back', choice: { rows: [[1, 2]] } })).code).toBe('nothing-changes');
  });

  it('are sorted and found for looking, without being moved', async () => {
    const study = await makeStudy();
    expect((await rowsOf(study, 'block=0&sort=v2')).map(({ number }) => number).slice(0, 3)).toEqual([7, 2, 1]);
    expect((await rowsOf(study, 'block=0&sort=v4&descending=1')).map(({ number }) => number).slice(0, 2)).toEqual([2, 3]);
    const find = (text: string, query = '') =>
      app.ask(foundCellsSchema, 'GET', `/studies/${study.id}/revisions/1/find?text=${text}${query}`);
    expect((await find('POOL')).cells.map(({ row }) => row)).toEqual([4, 5, 6, 11]);
    expect(await find('18.25')).toEqual({ total: 1, cells: [{ row: 4, position: 3, variable: 'v2' }] });
    expect((await find('S7', '&sort=v2')).cells).toEqual([{ row: 7, position: 0, variable: 'v1' }]);
  });
});

describe('subsets', () => {
  it('count their rows live, and narrow what is computed', async () => {
    const study = await makeStudy();
    const subset: Subset = {
      join: 'all',
      rules: [
        { type: 'one-of', variable: 'v4', values: ['run', 'riffle'], not: false },
        { type: 'between', variable: 'v2', low: 11, high: 16, not: false },
        { type: 'rows', from: 2, to: 12, not: false },
      ],
    };
    const counted = await app.ask(subsetCountSchema, 'POST', `/studies/${study.id}/subset-count`, { revision: 1, subset });
    expect(counted).toEqual({ rows: 5, inUse: 5 });
    const narrowed = await change(study, { type: 'set-subset', subset });
    expect(narrowed.state.inUse?.rows).toBe(5);
    expect(await summaryOf(narrowed)).toBe('Only rows where habitat is one of run, riffle and depth is between 11 and 16 and rows 2 to 12');
    const kept = [1, 2, 7, 8, 11];
    const expected = pearson(
      Float64Array.from(kept, (i) => DEPTH[i] ?? 0),
      Float64Array.from(kept, (i) => TAXA[i] ?? 0),
    );
    expect((await r(narrowed, ['v2', 'v3'])).r).toBeCloseTo(expected.coefficient, 14);
  });

  it('are taken away again: all rows are in use, and the trail says so', async () => {
    const study = await makeStudy();
    const pools = await change(study, { type: 'set-subset', subset: only('v4', 'pool') });
    const all = await change(pools, { type: 'set-subset', subset: null });
    expect([pools.state.inUse?.rows, all.state.inUse, all.state.subset]).toEqual([4, null, null]);
    expect(await summaryOf(all)).toMatch(/^All rows/);
    expect((await r(all, ['v2', 'v3'])).n).toBe((await r(study, ['v2', 'v3'])).n);
    expect((await refusal(all, { type: 'set-subset', subset: null })).code).toBe('nothing-changes');
    // What was set aside stays so when the subset goes.
    const aside = await change(all, { type: 'set-aside', choice: { rows: [[1, 2]] }, because: 'misread' });
    const narrowed = await change(aside, { type: 'set-subset', subset: only('v4', 'pool') });
    const kept = await change(narrowed, { type: 'set-subset', subset: null });
    expect(kept.state.inUse?.rows).toBe(study.rows - 2);
  });

  it('follow corrections of the values that their rules are about', async () => {
    const study = await makeStudy();
    const pools = await change(study, { type: 'set-subset', subset: only('v4', 'pool') });
    const edited = await change(pools, { type: 'edit-cells', variables: ['v4'], rows: [1], cells: [['pool']] });
    expect([pools.state.inUse?.rows, edited.state.inUse?.rows]).toEqual([4, 5]);
  });

  it('have names to switch between', async () => {
    const study = await makeStudy();
    const named = await change(study, { type: 'name-subset', named: { name: 'Pools', subset: only('v4', 'pool') } });
    expect(named.state.namedSubsets.map(({ name }) => name)).toEqual(['Pools']);
    expect(named.state.inUse).toBeNull();
    const forgotten = await change(named, { type: 'forget-subset', name: 'Pools' });
    expect(forgotten.state.namedSubsets).toEqual([]);
  });

  it('that hold no row, or do not fit their variable, are refused', async () => {
    const study = await makeStudy();
    expect((await refusal(study, { type: 'set-subset', subset: only('v4', 'weir') })).code).toBe('subset-empty');
    const size = { join: 'all', rules: [{ type: 'between', variable: 'v4', low: 1, high: null, not: false }] };
    expect((await refusal(study, { type: 'set-subset', subset: size })).code).toBe('rule-does-not-fit');
  });
});

const formula = (name: string, text: string, ignoreMissing = false) => ({
  name,
  unit: null,
  derivation: { type: 'formula' as const, formula: text, ignoreMissing, sources: [] },
});

describe('derived variables', () => {
  it('stand beside their sources and follow them', async () => {
    const study = await makeStudy();
    const derived = await change(study, { type: 'derive', definition: formula('taxa per depth', 'taxa / depth') });
    expect(derived.state.variables.map(({ name }) => name)).toEqual(['site', 'depth', 'taxa', 'taxa per depth', 'habitat']);
    expect((await columnOf(derived, 'taxa per depth'))[4]).toBe(3 / 25);
    const edited = await change(derived, { type: 'edit-cells', variables: ['v2'], rows: [5], cells: [['30']] });
    expect((await columnOf(edited, 'taxa per depth'))[4]).toBe(0.1);
    const renamed = await change(edited, { type: 'edit-variable', variable: 'v2', patch: { name: 'water depth' } });
    const twice = await change(renamed, { type: 'derive', definition: formula('twice', '2 * [taxa per depth] + 0 * [water depth]') });
    expect((await columnOf(twice, 'twice'))[4]).toBe(0.2);
    expect(await summaryOf(twice)).toBe('twice = 2 * [taxa per depth] + 0 * [water depth]');
  });

  it('are previewed with what cannot be computed', async () => {
    const study = await makeStudy(TABLE.replace('S3,15,', 'S3,0,').replace('S5,25,', 'S5,,'));
    const preview = await app.ask(derivationPreviewSchema, 'POST', `/studies/${study.id}/derivation-preview`, {
      revision: 1,
      definition: formula('ratio', 'taxa / depth'),
    });
    expect(preview).toMatchObject({ computed: 10, missing: 1, undefinedCount: 1, undefinedRows: [3], sources: ['taxa', 'depth'] });
    expect(preview.rows[0]).toEqual({ number: 1, sources: [9, 12.5], result: 0.72 });
  });

  it('are refused where they are circular, unreadable or without a result', async () => {
    const study = await makeStudy();
    const one = await change(study, { type: 'derive', definition: formula('one', 'depth + 1') });
    const two = await change(one, { type: 'derive', definition: formula('two', 'one * 2') });
    const circular = await refusal(two, { type: 'redefine', variable: idOf(two, 'one'), definition: formula('one', 'two - depth') });
    expect(circular).toMatchObject({ code: 'circular', message: 'one would be computed from itself: one from two from one.' });
    expect((await refusal(two, { type: 'derive', definition: formula('x', 'dept + 1') })).code).toBe('no-such-name');
    expect((await refusal(two, { type: 'derive', definition: formula('x', 'habitat + 1') })).code).toBe('source-does-not-fit');
    expect((await refusal(two, { type: 'derive', definition: formula('x', 'depth +') })).message).toMatch(/character 8 .* it ends/);
    expect((await refusal(two, { type: 'derive', definition: formula('x', 'depth / (taxa - taxa)') })).code).toBe('nothing-computed');
    expect((await refusal(two, { type: 'derive', definition: formula('x', `${'('.repeat(999)}1${')'.repeat(999)}`) })).message).toMatch(
      /deep/,
    );
    expect((await refusal(two, { type: 'derive', definition: formula('one', 'depth') })).code).toBe('name-taken');
    expect((await refusal(two, { type: 'remove-variable', variable: 'v2' })).message).toBe('depth is needed by one.');
    expect((await refusal(two, { type: 'edit-cells', variables: [idOf(two, 'one')], rows: [1], cells: [['1']] })).code).toBe('derived');
  });

  it('cut a quantity, recode a category and take scales', async () => {
    let study = await makeStudy();
    study = await change(study, {
      type: 'derive',
      definition: { name: 'class', unit: null, derivation: { type: 'cut', source: 'v2', points: [12, 18] } },
    });
    expect(await columnOf(study, 'class')).toEqual(DEPTH.map((depth) => (depth < 12 ? 1 : depth < 18 ? 2 : 3)));
    const cut = study.state.variables.find(({ name }) => name === 'class');
    expect(cut).toMatchObject({ kind: 'ordinal', valueLabels: { 1: 'below 12', 2: '12 to below 18', 3: '18 and above' } });
    const texts = { riffle: 'flowing', run: 'flowing' };
    study = await change(study, {
      type: 'derive',
      definition: { name: 'flow', unit: null, derivation: { type: 'recode', source: 'v4', texts } },
    });
    expect((await columnOf(study, 'flow')).slice(0, 4)).toEqual(['flowing', 'flowing', 'flowing', 'pool']);
    const categories = await app.ask(
      categoriesSchema,
      'GET',
      `/studies/${study.id}/revisions/${study.head}/variables/${idOf(study, 'flow')}/categories`,
    );
    expect(categories.categories).toEqual([
      { text: 'flowing', value: expect.any(Number), rows: 8 },
      { text: 'pool', value: expect.any(Number), rows: 4 },
    ]);
    const scale = { type: 'scale' as const, source: 'v3', scale: 'log10' as const, shift: 0 };
    study = await change(study, { type: 'derive', definition: { name: 'log taxa', unit: null, derivation: scale } });
    expect((await columnOf(study, 'log taxa'))[2]).toBe(1);
    const refused = await refusal(study, { type: 'derive', definition: { name: 'x', unit: null, derivation: { ...scale, shift: -4 } } });
    expect(refused).toMatchObject({ code: 'scale-refused', message: 'This scale cannot be taken: 3 values are 0 or less.' });
  });

  it('fitted to the data follow which rows are set aside', async () => {
    const study = await makeStudy();
    const scores = await change(study, {
      type: 'derive',
      definition: { name: 'z', unit: null, derivation: { type: 'scale', source: 'v2', scale: 'standardize', shift: 0 } },
    });
    const less = await change(scores, { type: 'set-aside', choice: { rows: [[5, 5]] }, because: 'misread' });
    const [before, after] = [await columnOf(scores, 'z'), await columnOf(less, 'z')];
    expect(after[4]).toBeNull();
    expect(after[0]).not.toBe(before[0]);
    expect((await columnOf(await undo(less), 'z'))[0]).toBe(before[0]);
  });
});

describe('taking variables out', () => {
  it('leaves one at least, and what it was stays with the earlier revision', async () => {
    let study = await makeStudy();
    const all = study.state.variables.map(({ id }) => id);
    for (const variable of all.slice(0, -1)) study = await change(study, { type: 'remove-variable', variable });
    expect(study.state.variables.map(({ id }) => id)).toEqual(all.slice(-1));
    const last = await refusal(study, { type: 'remove-variable', variable: all.at(-1) });
    expect([last.code, last.message]).toEqual(['last-variable', 'The last variable of a study cannot be removed.']);
    expect((await refusal(study, { type: 'remove-variable', variable: all[0] })).code).toBe('no-such-variable');
  });
});

describe('what the table says of itself', () => {
  it('describes variables over the rows in use', async () => {
    const study = await change(await makeStudy(), { type: 'set-subset', subset: only('v4', 'pool') });
    const result = await app.ask(describeResultSchema, ...analyse(study, { kind: 'describe', variables: ['v2'] }));
    const pools = DEPTH.filter((_, i) => HABITAT[i] === 'pool');
    const mean = pools.reduce((sum, x) => sum + x, 0) / pools.length;
    expect(result.variables[0]).toMatchObject({ n: 4, missing: 0, min: 18.25, max: 25 });
    expect(result.variables[0]?.mean).toBeCloseTo(mean, 12);
  });

  it('tells which values are missing together', async () => {
    const study = await makeStudy(TABLE.replace('S3,15,10', 'S3,,').replace('S5,25,3', 'S5,,3'));
    const result = await app.ask(missingResultSchema, ...analyse(study, { kind: 'missing' }));
    expect(result).toMatchObject({
      completeRows: 10,
      variables: [
        { id: 'v2', missing: 2 },
        { id: 'v3', missing: 1 },
      ],
      pairs: [10, 10, 10, 11],
    });
    expect(result.patterns).toContainEqual({ missing: ['v2', 'v3'], rows: 1 });
  });

  it('lists suspicious values with what they do, until they are found right', async () => {
    const study = await makeStudy(TABLE.replace('S3,15,', 'S3,150,'));
    const list = async (of: Study) => (await app.ask(suspiciousResultSchema, ...analyse(of, { kind: 'suspicious' }))).suspicions;
    const [slip, ...others] = await list(study);
    expect(others).toEqual([]);
    if (slip?.type !== 'value') throw new Error('no value was found');
    expect(slip).toMatchObject({ reason: 'decimal-slip', variable: 'v2', row: 3, value: 150, suggestion: 15 });
    const left = DEPTH.filter((_, i) => i !== 2);
    expect(slip.effect.meanWithout).toBeCloseTo(left.reduce((sum, x) => sum + x, 0) / 11, 12);
    const without = pearson(Float64Array.from(left), Float64Array.from(TAXA.filter((_, i) => i !== 2))).coefficient;
    expect(slip.effect.correlations[0]?.rWithout).toBeCloseTo(without, 14);
    const right = await change(study, { type: 'accept-value', variable: 'v2', row: 3, value: 150 }, 'a plunge pool');
    expect(await list(right)).toEqual([]);
    const corrected = await change(right, { type: 'edit-cells', variables: ['v2'], rows: [3], cells: [['160']] });
    expect((await list(corrected))[0]).toMatchObject({ value: 160 });
  });

  it('finds repeated identifiers, equal rows and constants', async () => {
    const rows = ['S1,2.5,3', 'S2,4,3', 'S3,5,3', 'S4,6.5,3', 'S1,2.5,3', 'S6,7,3', 'S6,8,3'];
    const study = await makeStudy(`site,depth,taxa\n${rows.join('\n')}`);
    const { suspicions } = await app.ask(suspiciousResultSchema, ...analyse(study, { kind: 'suspicious' }));
    expect(suspicions).toEqual([
      { type: 'repeated-identifier', variable: 'v1', values: 2, rows: 4 },
      { type: 'duplicated-rows', rows: [1, 5] },
      { type: 'constant', variable: 'v3', value: 3 },
    ]);
  });
});

describe('a selection that is kept', () => {
  const keep = (rows: [number, number][], more: object = {}) =>
    ({ type: 'keep-selection', name: 'odd_ones', choice: { rows }, chosen: 'odd', others: 'usual', useOnly: false, ...more }) as Change;

  it('becomes a nominal variable of two groups over all rows, and is taken back by undo', async () => {
    const study = await makeStudy();
    const kept = await change(
      study,
      keep([
        [2, 3],
        [7, 7],
      ]),
    );
    const variable = kept.state.variables.at(-1);
    expect(variable).toMatchObject({ name: 'odd_ones', kind: 'nominal', storage: 'code' });
    expect(await columnOf(kept, 'odd_ones')).toEqual(Array.from({ length: 12 }, (_, i) => ([1, 2, 6].includes(i) ? 'odd' : 'usual')));
    expect(await summaryOf(kept)).toBe('odd_ones tells 3 rows (odd) from all others (usual)');
    const { categories } = await app.ask(
      categoriesSchema,
      'GET',
      `/studies/${kept.id}/revisions/${kept.head}/variables/${variable?.id}/categories`,
    );
    expect(categories?.map(({ text, rows }) => [text, rows])).toEqual([
      ['odd', 3],
      ['usual', 9],
    ]);
    expect((await undo(kept)).state.variables.map(({ name }) => name)).not.toContain('odd_ones');
  });

  it('becomes the subset as well, on request, and coefficients follow', async () => {
    const study = await makeStudy();
    const kept = await change(study, keep([[1, 5]], { useOnly: true }));
    expect(kept.state.inUse?.rows).toBe(5);
    const { r: coefficient, n } = await r(kept, [idOf(kept, 'depth'), idOf(kept, 'taxa')]);
    expect(n).toBe(5);
    expect(coefficient).toBeCloseTo(pearson(Float64Array.from(DEPTH.slice(0, 5)), Float64Array.from(TAXA.slice(0, 5))).coefficient, 12);
    expect(await summaryOf(kept)).toContain('only the odd ones are used');
  });

  it('is refused without rows of the table, with a name that is taken, and with one word for both groups', async () => {
    const study = await makeStudy();
    expect((await refusal(study, keep([[13, 13]]))).message).toContain('no row 13');
    expect((await refusal(study, keep([[1, 2]], { name: 'depth' }))).code).toBe('name-taken');
    expect((await refusal(study, keep([[1, 2]], { others: 'odd' }))).message).toContain('“odd”');
    expect((await refusal(study, keep([]))).code).toBe('no-rows');
  });
});
