import {
  type Change,
  categoriesSchema,
  exportReadySchema,
  foundCellsSchema,
  importPreviewSchema,
  rowBlockSchema,
  type Study,
  studySchema,
  trailSchema,
} from '@ivlen/contract';
import { parquetReadObjects } from 'hyparquet';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

/** Names that every object of the language has, as columns, as cells, as labels and in formulas. */
const NAMES = ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf'];
const ROWS = NAMES.map((text, i) => [text, ...NAMES.slice(1).map((_, k) => String(i + k + 1))]);
const TABLE = [NAMES.join(','), ...ROWS.map((row) => row.join(',')), ...ROWS.map((row) => row.join(','))].join('\n');

let app: TestApplication;
let study: Study;
beforeAll(async () => {
  app = await openTestApplication();
  const preview = await app.ask(importPreviewSchema, 'POST', '/imports?name=names.csv', bytesOf(`${TABLE}\n`));
  study = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Names' });
});
afterAll(() => app.close());

const idOf = (name: string, of = study) => of.state.variables.find((variable) => variable.name === name)?.id ?? '';
async function changed(change: Change): Promise<Study> {
  return app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change });
}
async function exported(format: 'csv' | 'parquet' | 'archive', of = study): Promise<Uint8Array> {
  const body = { revision: of.head, format, rows: 'all', labels: true };
  const { id } = await app.ask(exportReadySchema, 'POST', `/studies/${of.id}/exports`, body);
  return new Uint8Array(await (await app.send('GET', `/exports/${id}`)).arrayBuffer());
}

describe('names that every object inherits', () => {
  it('are columns and cells like any others', async () => {
    expect(study.state.variables.map(({ name }) => name)).toEqual(NAMES);
    const { rows } = await app.ask(rowBlockSchema, 'GET', `/studies/${study.id}/revisions/${study.head}/rows?block=0`);
    expect(rows.slice(0, 5).map(({ cells }) => cells[0])).toEqual(NAMES);
    const { categories } = await app.ask(
      categoriesSchema,
      'GET',
      `/studies/${study.id}/revisions/${study.head}/variables/${idOf('constructor')}/categories`,
    );
    expect(categories?.map(({ text, rows: count }) => [text, count])).toEqual(NAMES.toSorted().map((name) => [name, 2]));
    const found = await app.ask(foundCellsSchema, 'GET', `/studies/${study.id}/revisions/${study.head}/find?text=toString`);
    expect(found.total).toBe(2);
  });

  it('are written as they stand, with labels where they have one', async () => {
    study = await changed({ type: 'edit-variable', variable: idOf('constructor'), patch: { valueLabels: { toString: 'as text' } } });
    const csv = new TextDecoder().decode(await exported('csv')).split('\r\n');
    expect(csv[0]).toBe(NAMES.join(','));
    expect(csv.slice(1, 6).map((line) => line.split(',')[0])).toEqual(NAMES.map((name) => (name === 'toString' ? 'as text' : name)));
    expect(csv.join()).not.toContain('function');
  });

  it('are written as Parquet and read back', async () => {
    const bytes = await exported('parquet');
    const objects = await parquetReadObjects({
      file: bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer,
      columns: ['constructor', 'toString'],
    });
    expect(objects).toHaveLength(10);
    expect(objects.map((row) => row.toString)).toEqual(ROWS.concat(ROWS).map((row) => Number(row[1])));
  });

  it('stand in formulas, in reasons and in the trail', async () => {
    study = await changed({
      type: 'derive',
      definition: {
        name: 'prototype',
        unit: null,
        derivation: { type: 'formula', formula: 'toString + valueOf', sources: [], ignoreMissing: false },
      },
    });
    study = await changed({ type: 'edit-cells', variables: [idOf('constructor')], rows: [1], cells: [['__proto__']] });
    study = await changed({ type: 'set-aside', choice: { rows: [[2, 2]] }, because: 'constructor' });
    const trail = await app.ask(trailSchema, 'GET', `/studies/${study.id}/trail`);
    const said = trail.decisions.map(({ summary }) => summary).join('\n');
    expect(said).toContain('set aside: constructor');
    expect(said).toContain('__proto__');
    expect(said).not.toContain('function');
    const values = await app.send('GET', `/studies/${study.id}/revisions/${study.head}/variables/${idOf('prototype')}/values`);
    expect([...new Float64Array(await values.arrayBuffer())].slice(0, 5)).toEqual([5, 7, 9, 11, 13]);
  });

  it('go into an archive and come back', async () => {
    const restored = await app.ask(studySchema, 'POST', '/archives?name=names.zip', await exported('archive'));
    expect(restored.state.variables.map(({ name, valueLabels }) => [name, valueLabels])).toEqual(
      study.state.variables.map(({ name, valueLabels }) => [name, valueLabels]),
    );
    const { rows } = await app.ask(rowBlockSchema, 'GET', `/studies/${restored.id}/revisions/${restored.head}/rows?block=0`);
    expect(rows[0]?.cells[0]).toBe('__proto__');
    expect(rows[2]?.cells[0]).toBe('__proto__');
  });
});
