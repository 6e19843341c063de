import { readFileSync } from 'node:fs';
import {
  correlationResultSchema,
  correlationSettingsSchema,
  type ImportPreview,
  importPreviewSchema,
  pairResultSchema,
  storedSettingsSchema,
  studyListItemSchema,
  studySchema,
  summaryResultSchema,
} from '@ivlen/contract';
import { pearson } from '@ivlen/core';
import { loadDemo } from '@ivlen/server';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

const TABLE = 'site,depth,taxa,habitat\nA1,12.5,9,riffle\nA2,,11,run\nA3,15,10,run\nA4,18.25,4,pool\nA5,25,3,pool\n';
const startImport = (text: string): Promise<ImportPreview> =>
  app.ask(importPreviewSchema, 'POST', '/imports?name=sites.csv', bytesOf(text));
const makeStudy = async (text = TABLE, name = 'Sites') => {
  const { id } = await startImport(text);
  return app.ask(studySchema, 'POST', '/studies', { importId: id, name });
};
const count = async (table: string) => Number((await app.database(table).count<{ count: string }[]>('* as count'))[0]?.count);
const codeOf = async (response: Response) => ((await response.json()) as { error: { code: string } }).error.code;

describe('bringing a table in', () => {
  it('stores nothing as a study before "Create study", and forgets the file after it', async () => {
    const before = await count('study');
    const preview = await startImport(TABLE);
    expect(await count('study')).toBe(before);
    const study = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Sites' });
    expect(study).toMatchObject({ name: 'Sites', rows: 5, head: 1 });
    expect(study.state.variables.map(({ name, kind }) => [name, kind])).toEqual([
      ['site', 'identifier'],
      ['depth', 'continuous'],
      ['taxa', 'discrete'],
      ['habitat', 'identifier'],
    ]);
    expect((await app.send('GET', `/imports/${preview.id}`)).status).toBe(404);
  });

  it('keeps corrections while the file waits', async () => {
    const { id } = await startImport(TABLE);
    await app.ask(importPreviewSchema, 'PATCH', `/imports/${id}`, { columns: { 3: { kind: 'nominal' } } });
    await app.ask(importPreviewSchema, 'PATCH', `/imports/${id}`, { columns: { 1: { name: 'depth of water' } } });
    const again = await app.ask(importPreviewSchema, 'GET', `/imports/${id}`);
    expect(again.columns.map(({ name, kind }) => [name, kind])).toEqual([
      ['site', 'identifier'],
      ['depth of water', 'continuous'],
      ['taxa', 'discrete'],
      ['habitat', 'nominal'],
    ]);
  });

  it('refuses what stops an import, storing nothing', async () => {
    const { id, problems } = await startImport('a,b,c\n');
    expect(problems[0]?.severity).toBe('stops');
    const before = await count('study');
    const response = await app.send('POST', '/studies', { importId: id, name: 'No rows' });
    expect([response.status, await codeOf(response)]).toEqual([422, 'import-stopped']);
    expect(await count('study')).toBe(before);
  });

  it('refuses a binary file, and keeps none of it', async () => {
    const before = await count('import_file');
    const response = await app.send(
      'POST',
      '/imports?name=photo.jpg',
      Uint8Array.from({ length: 999 }, (_, i) => (i * 91) % 256),
    );
    expect([response.status, await codeOf(response)]).toEqual([422, 'not-text']);
    expect(await count('import_file')).toBe(before);
  });

  it('gives a file up', async () => {
    const { id } = await startImport(TABLE);
    await app.ask(z.object({ done: z.literal(true) }), 'DELETE', `/imports/${id}`);
    expect((await app.send('GET', `/imports/${id}`)).status).toBe(404);
  });
});

describe('a study', () => {
  it('opens with its quantities in the working set', async () => {
    const study = await makeStudy();
    const stored = await app.ask(storedSettingsSchema, 'GET', `/studies/${study.id}/settings/working-set`);
    expect(stored).toMatchObject({ version: 1, settings: { variables: ['v2', 'v3'] } });
  });

  it('is renamed, duplicated with data and settings, deleted and restored', async () => {
    const study = await makeStudy();
    const renamed = await app.ask(studySchema, 'PATCH', `/studies/${study.id}`, { name: '  Sites of June ' });
    expect(renamed.name).toBe('Sites of June');
    await app.ask(storedSettingsSchema, 'PUT', `/studies/${study.id}/settings/working-set`, {
      version: 1,
      settings: { variables: ['v3'] },
    });
    const copy = await app.ask(studySchema, 'POST', `/studies/${study.id}/duplicate`);
    expect(copy).toMatchObject({ name: 'Sites of June (copy)', rows: 5, state: renamed.state });
    expect((await app.ask(studySchema, 'POST', `/studies/${copy.id}/duplicate`)).name).toBe('Sites of June (copy 2)');
    const values = await (await app.send('GET', `/studies/${copy.id}/revisions/1/variables/v2/values`)).arrayBuffer();
    expect([...new Float64Array(values)]).toEqual([12.5, Number.NaN, 15, 18.25, 25]);
    const settings = await app.ask(storedSettingsSchema, 'GET', `/studies/${copy.id}/settings/working-set`);
    expect(settings.settings).toEqual({ variables: ['v3'] });

    const listed = async () => (await app.ask(z.array(studyListItemSchema), 'GET', '/studies')).map(({ id }) => id);
    await app.send('DELETE', `/studies/${study.id}`);
    expect(await listed()).not.toContain(study.id);
    expect((await app.send('GET', `/studies/${study.id}`)).status).toBe(404);
    await app.ask(studySchema, 'POST', `/studies/${study.id}/restore`);
    expect(await listed()).toContain(study.id);
  });

  it('needs a name', async () => {
    const study = await makeStudy();
    const response = await app.send('PATCH', `/studies/${study.id}`, { name: '  ' });
    expect([response.status, ((await response.json()) as { error: { message: string } }).error.message]).toEqual([
      422,
      'A study needs a name.',
    ]);
  });

  it('changes by revisions; one made at an old head is refused', async () => {
    const study = await makeStudy();
    const change = { type: 'edit-variable', variable: 'v3', patch: { kind: 'ordinal' } };
    const changed = await app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: 1, change });
    expect([changed.head, changed.state.variables[2]?.kind]).toEqual([2, 'ordinal']);
    const late = await app.send('POST', `/studies/${study.id}/changes`, { expectedHead: 1, change });
    expect([late.status, await codeOf(late)]).toEqual([409, 'head-moved']);
    // The chunks of revision 1 are what revision 2 reads, along its ancestry.
    const values = await (await app.send('GET', `/studies/${study.id}/revisions/2/variables/v3/values`)).arrayBuffer();
    expect([...new Float64Array(values)]).toEqual([9, 11, 10, 4, 3]);
    const trail = await app.database('revision').where({ study: study.id }).orderBy('number').select('number', 'parent', 'summary');
    expect(trail.map(({ number, parent }) => [number, parent])).toEqual([
      [1, null],
      [2, 1],
    ]);
    expect(trail[1]).toMatchObject({ summary: 'taxa is ordinal, no longer discrete' });
  });

  it('refuses a kind that its cells cannot have', async () => {
    const study = await makeStudy();
    const response = await app.send('POST', `/studies/${study.id}/changes`, {
      expectedHead: 1,
      change: { type: 'edit-variable', variable: 'v1', patch: { kind: 'continuous' } },
    });
    expect([response.status, await codeOf(response)]).toEqual([422, 'kind-does-not-fit']);
  });

  it('reads the newest chunk along a revision’s own ancestry, not along an undone branch', async () => {
    const study = await makeStudy();
    const correct = (cell: string) =>
      app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, {
        expectedHead: 1,
        change: { type: 'edit-cells', variables: ['v3'], rows: [1], cells: [[cell]] },
      });
    // Revisions 2 and 3 both follow 1; 2 is an undone branch.
    await correct('1');
    await app.ask(studySchema, 'POST', `/studies/${study.id}/undo`, { expectedHead: 2 });
    await correct('2');
    const at = async (revision: number) => [
      ...new Float64Array(await (await app.send('GET', `/studies/${study.id}/revisions/${revision}/variables/v3/values`)).arrayBuffer()),
    ];
    expect(await at(1)).toEqual([9, 11, 10, 4, 3]);
    expect(await at(2)).toEqual([1, 11, 10, 4, 3]);
    expect(await at(3)).toEqual([2, 11, 10, 4, 3]);
  });
});

describe('settings', () => {
  it('are saved with the version expected, so that two windows do not overwrite each other', async () => {
    const { id } = await makeStudy();
    const path = `/studies/${id}/settings/correlations`;
    const changed = { methods: ['spearman'], alternative: 'less', missing: 'listwise', levels: [0.1, 0.01], above: 'n' };
    const settings = correlationSettingsSchema.parse(changed);
    expect(await app.ask(storedSettingsSchema, 'GET', path)).toEqual({ version: 0, settings: null, unreadable: false });
    expect(await app.ask(storedSettingsSchema, 'PUT', path, { version: 0, settings })).toEqual({ version: 1, settings, unreadable: false });
    for (const version of [0, 7]) {
      const late = await app.send('PUT', path, { version, settings });
      expect([late.status, await codeOf(late)]).toEqual([409, 'settings-moved']);
    }
    expect(await app.ask(storedSettingsSchema, 'GET', path)).toEqual({ version: 1, settings, unreadable: false });
  });

  it('are checked: levels go from large to small', async () => {
    const { id } = await makeStudy();
    const response = await app.send('PUT', `/studies/${id}/settings/correlations`, { version: 0, settings: { levels: [0.01, 0.05] } });
    expect([response.status, await codeOf(response)]).toEqual([422, 'invalid-request']);
  });
});

describe('analyses', () => {
  it('are those of the core, on the values of the revision', async () => {
    const { id } = await makeStudy();
    const analysis = {
      kind: 'correlation',
      byVariable: {},
      variables: ['v2', 'v3'],
      method: 'pearson',
      alternative: 'two-sided',
      level: 0.95,
    };
    const matrix = await app.ask(correlationResultSchema, 'POST', `/studies/${id}/analyses`, { revision: 1, analysis });
    const wanted = pearson(Float64Array.of(12.5, 15, 18.25, 25), Float64Array.of(9, 10, 4, 3));
    expect(matrix.coefficient[2]).toBeCloseTo(wanted.coefficient, 14);
    expect(matrix.pValue[2]).toBeCloseTo(wanted.pValue, 14);
    expect(matrix.n).toEqual([4, 4, 4, 5]);
    expect(matrix.pValue[0]).toBeNull();

    const pair = { kind: 'pair', x: 'v2', y: 'v3', alternative: 'two-sided', level: 0.95 };
    const result = await app.ask(pairResultSchema, 'POST', `/studies/${id}/analyses`, { revision: 1, analysis: pair });
    expect(result).toMatchObject({ n: 4, x: { n: 4, mean: 17.6875 }, y: { mean: 6.5 } });
    expect(result.tests.pearson).toMatchObject({ statistic: { name: 't', df: 2 }, pMethod: 't', degenerate: false });
    // Four complete rows, ranks 1 2 3 4 against 3 4 2 1: ρ = 1 − 6·18/60, S = −4 of 6.
    expect(result.tests.spearman).toMatchObject({ coefficient: -0.8, pMethod: 'exact' });
    expect(result.tests.kendall.coefficient).toBeCloseTo(-4 / 6, 14);
    const summary = await app.ask(summaryResultSchema, 'POST', `/studies/${id}/analyses`, { revision: 1, analysis: { kind: 'summary' } });
    expect(summary.variables.map(({ n, missing, distinct }) => [n, missing, distinct])).toEqual([
      [5, 0, 5],
      [4, 1, 4],
      [5, 0, 5],
      [5, 0, 3],
    ]);
  });

  it('refuse identifiers and categories with the reason', async () => {
    const { id } = await makeStudy();
    const analysis = {
      kind: 'correlation',
      byVariable: {},
      variables: ['v1', 'v3'],
      method: 'pearson',
      alternative: 'two-sided',
      level: 0.95,
    };
    const response = await app.send('POST', `/studies/${id}/analyses`, { revision: 1, analysis });
    expect(response.status).toBe(422);
    expect(await response.json()).toMatchObject({
      error: { code: 'cannot-be-correlated', message: 'site is identifier and has no correlation coefficient.' },
    });
  });

  it('answer an unknown revision, variable or study with 404', async () => {
    const { id } = await makeStudy();
    const statuses = await Promise.all(
      [
        `/studies/${id}/revisions/9/variables/v2/values`,
        `/studies/${id}/revisions/1/variables/v9/values`,
        '/studies/8d5f1f2e-7a55-4ad4-9c55-5b1e1a7c0f11',
      ].map(async (path) => (await app.send('GET', path)).status),
    );
    expect(statuses).toEqual([404, 404, 404]);
  });

  it('let values be cached for a year by their tag', async () => {
    const { id } = await makeStudy();
    const path = `/studies/${id}/revisions/1/variables/v2/values`;
    const first = await app.send('GET', path);
    expect(first.headers.get('cache-control')).toContain('immutable');
    const again = await app.send('GET', path, undefined, { 'If-None-Match': first.headers.get('etag') ?? '' });
    expect(again.status).toBe(304);
  });
});

describe('the demo', () => {
  it('is loaded once, raw, with its codebook', async () => {
    const own = await openTestApplication();
    await loadDemo(own.database, 'samples');
    await loadDemo(own.database, 'samples');
    const studies = await own.ask(z.array(studyListItemSchema), 'GET', '/studies');
    expect(studies.map(({ name, rows }) => [name, rows]).toSorted()).toEqual([
      ['Aldermere beds', 60],
      ['Aldermere kick samples', 12],
      ['Aldermere streams', 248],
    ]);
    const streams = await own.ask(studySchema, 'GET', `/studies/${studies.find(({ rows }) => rows === 248)?.id}`);
    const described = JSON.parse(readFileSync('samples/aldermere-streams.json', 'utf8')) as { variables: Record<string, { kind: string }> };
    expect(Object.fromEntries(streams.state.variables.map(({ name, kind }) => [name, kind]))).toEqual(
      Object.fromEntries(Object.entries(described.variables).map(([name, { kind }]) => [name, kind])),
    );
    expect(streams.state.variables.find(({ name }) => name === 'nitrate')).toMatchObject({ unit: 'mg/L', role: 'predictor', decimals: 2 });
    await own.close();
  });
});
