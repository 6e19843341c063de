import { createHash } from 'node:crypto';
import { readdirSync } from 'node:fs';
import {
  ARCHIVE_VERSION,
  analysisResultSchema,
  type Change,
  type ExportRequest,
  errorSchema,
  exportReadySchema,
  importPreviewSchema,
  type Study,
  storedSettingsSchema,
  studyListItemSchema,
  studySchema,
  trailSchema,
} from '@ivlen/contract';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it, test } from 'vitest';
import { z } from 'zod';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';
import { zipBomb } from './zip-bomb';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

const TABLE = [
  'site,catchment,on,depth,"taxa, all",bank',
  'A1,Birk,2024-03-01,0.1,3,1',
  'A2,"Dray, upper",2024-03-02,-99,5,2',
  'A3,Birk,2024-03-09,1e-7,8,3',
  'A4,"the ""old"" mill",,123456.789,2,4',
  'A5,Birk,2024-03-11,30,11,1',
  'A6,Birk,2024-03-12,7.25,4,2',
  ',,,,,',
  'A8,Birk,2024-03-12,7.5,9,3',
].join('\n');

async function changed(study: Study, change: Change): Promise<Study> {
  return app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change, reason: 'because' });
}

const idOf = (study: Study, name: string) => study.state.variables.find((variable) => variable.name === name)?.id ?? '';

/** A study with all that an archive must keep: codes, labels, a derived variable, rows set aside, a subset, settings. */
async function richStudy(): Promise<Study> {
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=sites.csv', bytesOf(TABLE));
  await app.ask(importPreviewSchema, 'PATCH', `/imports/${id}`, { missingCodes: ['-99'] });
  let study = await app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Bäche & Ufer' });
  study = await changed(study, {
    type: 'edit-variable',
    variable: idOf(study, 'bank'),
    patch: { kind: 'ordinal', valueLabels: { 1: 'eroded', 4: 'sound' }, validRange: { low: 1, high: 4 } },
  });
  study = await changed(study, {
    type: 'derive',
    definition: {
      name: 'share',
      unit: null,
      derivation: { type: 'formula', formula: 'depth / [taxa, all]', sources: [], ignoreMissing: false },
    },
  });
  study = await changed(study, { type: 'set-aside', choice: { rows: [[5, 6]] }, because: 'misread' });
  study = await changed(study, {
    type: 'set-subset',
    subset: { join: 'all', rules: [{ type: 'one-of', variable: idOf(study, 'catchment'), values: ['Birk', 'Dray, upper'], not: false }] },
  });
  study = await changed(study, { type: 'edit-study', patch: { rowMeaning: 'one visit' } });
  await app.ask(storedSettingsSchema.partial(), 'PUT', `/studies/${study.id}/settings/correlations`, {
    version: 0,
    settings: { alternative: 'greater', missing: 'pairwise', levels: [0.1, 0.05], above: 'n' },
  });
  return study;
}

async function exported(study: Study, request: Partial<ExportRequest>): Promise<{ fileName: string; bytes: Uint8Array }> {
  const body = { revision: study.head, format: 'csv', rows: 'all', labels: false, ...request };
  const { id, fileName, bytes } = await app.ask(exportReadySchema, 'POST', `/studies/${study.id}/exports`, body);
  const response = await app.send('GET', `/exports/${id}`);
  expect(response.headers.get('content-disposition')).toBe(`attachment; filename="${fileName}"`);
  const content = new Uint8Array(await response.arrayBuffer());
  expect(content.length).toBe(bytes);
  return { fileName, bytes: content };
}

async function valuesOf(study: Study, name: string): Promise<number[]> {
  const response = await app.send('GET', `/studies/${study.id}/revisions/${study.head}/variables/${idOf(study, name)}/values`);
  return [...new Float64Array(await response.arrayBuffer())];
}

const matrixOf = (study: Study) =>
  app.ask(analysisResultSchema, 'POST', `/studies/${study.id}/analyses`, {
    revision: study.head,
    analysis: {
      kind: 'correlation',
      byVariable: {},
      method: 'pearson',
      level: 0.95,
      variables: ['depth', 'taxa, all', 'bank', 'share'].map((name) => idOf(study, name)),
      alternative: 'two-sided',
    },
  });

describe('the study archive', () => {
  it('in which a variable is computed from itself through another is refused, and nothing is made of it', async () => {
    const study = await richStudy();
    const { bytes } = await exported(study, { format: 'archive' });
    const files = unzipSync(bytes);
    const whole = JSON.parse(strFromU8(files['study.json'] ?? new Uint8Array()));
    const share = whole.state.variables.find(({ name }: { name: string }) => name === 'share');
    share.derivation = { type: 'formula', formula: 'share + 1', sources: [share.id], ignoreMissing: false };
    const before = await app.ask(z.array(studyListItemSchema), 'GET', '/studies');
    const circular = zipSync({ ...files, 'study.json': strToU8(JSON.stringify(whole)) });
    await expect(app.ask(studySchema, 'POST', '/archives?name=x.zip', circular)).rejects.toThrow(/share is computed from itself/);
    share.derivation = { type: 'formula', formula: 'gone + 1', sources: ['v99'], ignoreMissing: false };
    const orphaned = zipSync({ ...files, 'study.json': strToU8(JSON.stringify(whole)) });
    await expect(app.ask(studySchema, 'POST', '/archives?name=x.zip', orphaned)).rejects.toThrow(
      /share is computed from a variable that is not there/,
    );
    expect(await app.ask(z.array(studyListItemSchema), 'GET', '/studies')).toEqual(before);
  });

  it('brings everything back as it was, to the last digit', async () => {
    const study = await richStudy();
    const trail = await app.ask(trailSchema, 'GET', `/studies/${study.id}/trail`);
    const { fileName, bytes } = await exported(study, { format: 'archive' });
    expect(fileName).toBe('bache-ufer.zip');
    await app.send('DELETE', `/studies/${study.id}`);

    const restored = await app.ask(studySchema, 'POST', `/archives?name=${fileName}`, bytes);
    expect(restored.id).not.toBe(study.id);
    const plain = ({ state }: Study) => JSON.parse(JSON.stringify(state, (key, value) => (key === 'version' ? undefined : value)));
    expect(plain(restored)).toEqual(plain(study));
    expect([restored.name, restored.rows]).toEqual([study.name, 8]);
    for (const { name } of study.state.variables) {
      // The deleted study's columns are still there to be compared with.
      await app.send('POST', `/studies/${study.id}/restore`);
      expect(await valuesOf(restored, name)).toEqual(await valuesOf(study, name));
    }
    expect(await matrixOf(restored)).toEqual(await matrixOf(study));
    expect((await app.ask(storedSettingsSchema, 'GET', `/studies/${restored.id}/settings/correlations`)).settings).toMatchObject({
      alternative: 'greater',
      levels: [0.1, 0.05],
    });
    const after = await app.ask(trailSchema, 'GET', `/studies/${restored.id}/trail`);
    expect(after.decisions[0]?.summary).toBe('Brought back from the archive “bache-ufer.zip”');
    expect(after.decisions.slice(1)).toEqual(trail.decisions.map((decision) => ({ ...decision, earlier: true })));
    expect(after.undo).toBeNull();

    // The code for missing is still there to be corrected, and what is derived next is not taken for what was derived before.
    const uncoded = await changed(restored, { type: 'edit-variable', variable: idOf(restored, 'depth'), patch: { missingCodes: [] } });
    expect((await valuesOf(uncoded, 'depth'))[1]).toBe(-99);
    const more = await changed(uncoded, {
      type: 'derive',
      definition: { name: 'twice', unit: null, derivation: { type: 'formula', formula: '2 * depth', sources: [], ignoreMissing: false } },
    });
    expect(new Set(more.state.variables.map(({ id }) => id)).size).toBe(more.state.variables.length);
    expect(await valuesOf(more, 'share')).not.toEqual(await valuesOf(more, 'twice'));
  });

  it('is a data package that others can read', async () => {
    const study = await richStudy();
    const files = unzipSync((await exported(study, { format: 'archive' })).bytes);
    expect(Object.keys(files).sort()).toEqual(['data.csv', 'datapackage.json', 'study.json']);
    const { resources } = JSON.parse(strFromU8(files['datapackage.json'] ?? new Uint8Array()));
    const { fields, primaryKey } = resources[0].schema;
    expect(primaryKey).toEqual(['row']);
    const [header, first] = strFromU8(files['data.csv'] ?? new Uint8Array()).split('\r\n');
    expect(header).toBe('row,site,catchment,on,depth,"taxa, all",share,bank');
    expect(first).toBe('1,A1,Birk,2024-03-01,0.1,3,0.03333333333333333,1');
    expect(fields.map(({ name, type }: { name: string; type: string }) => `${name}: ${type}`)).toEqual([
      'row: integer',
      'site: string',
      'catchment: string',
      'on: date',
      'depth: number',
      'taxa, all: number',
      'share: number',
      'bank: number',
    ]);
    expect(fields.at(-1)).toMatchObject({
      constraints: { minimum: 1, maximum: 4 },
      categories: [
        { value: 1, label: 'eroded' },
        { value: 4, label: 'sound' },
      ],
      categoriesOrdered: true,
    });
  });

  test.each([
    ['a newer version', { format: 'ivlen study', version: ARCHIVE_VERSION + 1 }, 'newer-archive'],
    ['another format', { format: 'something else', version: 1 }, 'no-archive'],
    ['a study without its state', { format: 'ivlen study', version: 1, name: 'x' }, 'damaged-archive'],
  ])('of %s is refused in words, and leaves nothing', async (_, content, code) => {
    const before = readdirSync(app.folder);
    const bytes = zipSync({ 'study.json': strToU8(JSON.stringify(content)), 'data.csv': strToU8('row,a\n1,2\n') });
    const response = await app.send('POST', '/archives?name=x.zip', bytes);
    const { error } = errorSchema.parse(await response.json());
    expect([response.status, error.code]).toEqual([422, code]);
    expect(error.hint).toBeTruthy();
    expect(readdirSync(app.folder)).toEqual(before);
  });

  it('that unpacks to hundreds of times its size is refused, and leaves nothing', async () => {
    const before = readdirSync(app.folder);
    const response = await app.send('POST', '/archives?name=x.zip', zipBomb('data.csv', 300));
    expect(errorSchema.parse(await response.json()).error).toMatchObject({
      code: 'unpacks-too-large',
      message: expect.stringMatching(/more than \d+ MB/),
    });
    expect(readdirSync(app.folder)).toEqual(before);
  }, 60_000);

  it('whose data do not fit its study is refused, and no study is made', async () => {
    const files = unzipSync((await exported(await richStudy(), { format: 'archive' })).bytes);
    const studies = async () => (await app.ask(z.array(studyListItemSchema), 'GET', '/studies')).length;
    const before = await studies();
    for (const [from, to, where] of [
      ['8,A8', '8,A8,extra\r\n9,A8', 'data.csv has 9 rows instead of 8'],
      [',0.1,', ',many,', 'depth in data.csv'],
      ['row,', 'row,more,', 'data.csv has 9 columns instead of 8'],
    ] as const) {
      const data = strToU8(strFromU8(files['data.csv'] ?? new Uint8Array()).replace(from, to));
      const answer = async (changed: Record<string, Uint8Array>) =>
        errorSchema.parse(
          await (await app.send('POST', '/archives?name=x.zip', zipSync({ ...files, 'data.csv': data, ...changed }))).json(),
        ).error;
      expect(await answer({})).toMatchObject({
        code: 'damaged-archive',
        where: 'data.csv has another checksum than datapackage.json says',
      });
      // With the checksum written anew, or none, what does not fit is found all the same.
      const said = `sha256:${createHash('sha256').update(data).digest('hex')}`;
      const described = strToU8(strFromU8(files['datapackage.json'] ?? new Uint8Array()).replace(/sha256:[0-9a-f]{64}/, said));
      expect(await answer({ 'datapackage.json': described })).toMatchObject({ code: 'damaged-archive', where });
      expect(await answer({ 'datapackage.json': strToU8('{}') })).toMatchObject({ code: 'damaged-archive', where });
    }
    expect(await studies()).toBe(before);
  });
});

describe('tables for other programs', () => {
  it('CSV of all rows, and of those in use with labels; brought in again it is the same', async () => {
    const study = await richStudy();
    const all = strFromU8((await exported(study, {})).bytes);
    expect(all.split('\r\n').slice(0, 5)).toEqual([
      'site,catchment,on,depth,"taxa, all",share,bank',
      'A1,Birk,2024-03-01,0.1,3,0.03333333333333333,1',
      'A2,"Dray, upper",2024-03-02,,5,,2',
      'A3,Birk,2024-03-09,1e-7,8,1.25e-8,3',
      'A4,"the ""old"" mill",,123456.789,2,61728.3945,4',
    ]);
    const used = strFromU8((await exported(study, { rows: 'in-use', labels: true })).bytes);
    expect(used.trim().split('\r\n').slice(1)).toEqual([
      'A1,Birk,2024-03-01,0.1,3,0.03333333333333333,eroded',
      'A2,"Dray, upper",2024-03-02,,5,,2',
      'A3,Birk,2024-03-09,1e-7,8,1.25e-8,3',
      'A8,Birk,2024-03-12,7.5,9,0.8333333333333334,3',
    ]);
  });

  it('Parquet keeps numbers to the last digit, texts, dates and gaps', async () => {
    const study = await richStudy();
    const { fileName, bytes } = await exported(study, { format: 'parquet' });
    const preview = await app.ask(importPreviewSchema, 'POST', `/imports?name=${fileName}`, bytes);
    expect(preview.columns.map(({ name, storage }) => `${name}: ${storage}`)).toEqual([
      'site: code',
      'catchment: code',
      'on: day',
      'depth: number',
      'taxa, all: number',
      'share: number',
      'bank: number',
    ]);
    const again = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Again' });
    for (const name of ['on', 'depth', 'share', 'bank']) expect(await valuesOf(again, name)).toEqual(await valuesOf(study, name));
  });

  it('a file can be fetched once', async () => {
    const study = await richStudy();
    const body = { revision: study.head, format: 'csv', rows: 'all', labels: false };
    const { id } = await app.ask(exportReadySchema, 'POST', `/studies/${study.id}/exports`, body);
    await (await app.send('GET', `/exports/${id}`)).text();
    expect((await app.send('GET', `/exports/${id}`)).status).toBe(404);
    expect(readdirSync(app.folder).filter((name) => name.endsWith('.export'))).toEqual([]);
  });
});
