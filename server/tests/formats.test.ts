import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { errorSchema, type ImportPreview, importPreviewSchema, studySchema } from '@ivlen/contract';
import { zipSync } from 'fflate';
import { parquetWriteBuffer } from 'hyparquet-writer';
import { afterAll, beforeAll, describe, expect, it, test } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';
import { workbook } from './workbook-file';
import { zipBomb } from './zip-bomb';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

const bring = (name: string, bytes: Uint8Array) => app.ask(importPreviewSchema, 'POST', `/imports?name=${name}`, bytes);
const problem = ({ problems }: ImportPreview, code: string) => problems.find((item) => item.code === code);

async function valuesOf(preview: ImportPreview, column: string): Promise<number[]> {
  const study = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Brought in' });
  const id = study.state.variables.find(({ name }) => name === column)?.id;
  const response = await app.send('GET', `/studies/${study.id}/revisions/1/variables/${id}/values`);
  return [...new Float64Array(await response.arrayBuffer())];
}

type CellValue = string | number | { error: string };

function sheetRows(rows: readonly (readonly CellValue[])[]): string {
  const cell = (value: CellValue, place: string) => {
    if (typeof value === 'number') return `<c r="${place}"><v>${value}</v></c>`;
    if (typeof value === 'object') return `<c r="${place}" t="e"><f>1/0</f><v>${value.error}</v></c>`;
    return `<c r="${place}" t="inlineStr"><is><t>${value}</t></is></c>`;
  };
  return rows
    .map((row, r) => `<row r="${r + 1}">${row.map((value, c) => cell(value, `${String.fromCharCode(65 + c)}${r + 1}`)).join('')}</row>`)
    .join('');
}

describe('a workbook', () => {
  const rows: CellValue[][] = [
    ['station', 'nitrate', 'taxa'],
    ['A 1', 0.1, 9],
    ['B "2"', { error: '#DIV/0!' }, 11],
    ['C', 1234.5678, 12],
    ['D', -2, 15],
  ];
  const book = workbook({ 'Notes &amp; more': sheetRows([['nothing here']]), Survey: sheetRows(rows) });

  it('has a choice of sheets; numbers keep their digits and errors are told', async () => {
    const first = await bring('survey.xlsx', book);
    expect(first).toMatchObject({ sheets: ['Notes & more', 'Survey'], settings: { format: 'workbook', sheet: 'Survey' } });
    expect(problem(first, 'sheets')?.message).toBe(
      'Of 2 sheets “Survey” is read, the first that looks like a table; the others are “Notes & more”.',
    );
    const notes = await app.ask(importPreviewSchema, 'PATCH', `/imports/${first.id}`, problem(first, 'sheets')?.mends[0]?.patch);
    expect(notes.settings.sheet).toBe('Notes & more');
    expect(problem(notes, 'no-rows')?.hint).toContain('Or read another sheet than “Notes & more”: “Survey”.');
    const preview = await app.ask(importPreviewSchema, 'PATCH', `/imports/${first.id}`, { sheet: 'Survey' });
    expect(preview.columns.map(({ name, kind }) => [name, kind])).toEqual([
      ['station', 'identifier'],
      ['nitrate', 'continuous'],
      ['taxa', 'discrete'],
    ]);
    expect(problem(preview, 'spreadsheet-error')?.message).toContain('nitrate: 1 cell holds “#DIV/0!” (row 2)');
    const corrected = await app.ask(importPreviewSchema, 'PATCH', `/imports/${first.id}`, { columns: { 2: { kind: 'ordinal' } } });
    expect(corrected).toMatchObject({ sheets: ['Notes & more', 'Survey'], settings: { sheet: 'Survey' } });
    expect(await valuesOf(corrected, 'nitrate')).toEqual([0.1, Number.NaN, 1234.5678, -2]);
  });

  it('numbers that stand there as texts are read with the marks that are set, beside those that are numbers', async () => {
    const sheet = sheetRows([
      ['place', 'people'],
      ['Aster', '794,246'],
      ['Birk', 1200.5],
      ['Cole', '88,210'],
      ['Dray', '1,020,300'],
    ]);
    const first = await bring('people.xlsx', workbook({ S: sheet }));
    expect(first.columns[1]?.storage).toBe('code');
    const offer = problem(first, 'numbers-as-text');
    expect([offer?.message, offer?.mends[0]?.label]).toEqual([
      'people: numbers stand as texts: “794,246”, “1200.5”, “88,210”.',
      'Read “,” between thousands',
    ]);
    const read = await app.ask(importPreviewSchema, 'PATCH', `/imports/${first.id}`, offer?.mends[0]?.patch);
    expect(read.columns[1]).toMatchObject({ storage: 'number', kind: 'continuous' });
    expect(await valuesOf(read, 'people')).toEqual([794246, 1200.5, 88210, 1020300]);
  });

  it('that unpacks to far more than it says is refused in words, and leaves nothing', async () => {
    const before = readdirSync(app.folder);
    for (const [file, most] of [
      ['xl/worksheets/sheet1.xml', 128],
      ['xl/media/photo.bin', 400],
    ] as const) {
      await expect(bring('bomb.xlsx', zipBomb(file, 420))).rejects.toThrow(`The file unpacks to more than ${most} MB`);
    }
    expect(readdirSync(app.folder)).toEqual(before);
  }, 60_000);
});

describe('a Parquet file', () => {
  it('is read to the last digit, with whole numbers, dates, texts and gaps', async () => {
    const bytes = new Uint8Array(
      parquetWriteBuffer({
        columnData: [
          { name: 'site', data: ['a', 'b', 'tab\there', 'd'], type: 'STRING' },
          { name: 'ph', data: [7.1, null, 0.1 + 0.2, -1e-12], type: 'DOUBLE' },
          { name: 'count', data: [1n, 20n, 9007199254740991n, 4n], type: 'INT64' },
          { name: 'on', data: ['2024-03-01', '2024-03-02', '2024-03-09', '2024-03-04'].map((day) => new Date(day)), type: 'TIMESTAMP' },
        ],
      }),
    );
    const preview = await bring('survey.parquet', bytes);
    expect(preview.columns.map(({ storage }) => storage)).toEqual(['code', 'number', 'number', 'day']);
    expect(preview.head[2]?.[0]).toBe('tab\there');
    expect(await valuesOf(preview, 'ph')).toEqual([7.1, Number.NaN, 0.1 + 0.2, -1e-12]);
  });
});

describe('JSON', () => {
  test.each([
    ['a list of rows', '[{"a": 1.5, "b": "x"}, {"b": "y, z", "c": 7}, {"a": null, "c": 8}, {"a": 4}]'],
    ['rows inside an object', '{"rows": [{"a": 1.5, "b": "x"}, {"b": "y, z", "c": 7}, {"a": null, "c": 8}, {"a": 4}], "made": "2024"}'],
    ['a row a line', '{"a": 1.5, "b": "x"}\n{"b": "y, z", "c": 7}\n{"a": null, "c": 8}\n{"a": 4}\n'],
  ])('%s', async (_, text) => {
    const preview = await bring('survey.json', bytesOf(text));
    expect(preview).toMatchObject({ rows: 4, settings: { format: 'json', header: true } });
    expect(preview.columns.map(({ name }) => name)).toEqual(['a', 'b', 'c']);
    expect(await valuesOf(preview, 'a')).toEqual([1.5, Number.NaN, Number.NaN, 4]);
  });

  it('with several lists of rows is asked about: the longest is shown, the others can be taken', async () => {
    const text = JSON.stringify({
      made: '2024',
      sites: [{ site: 'A' }, { site: 'B' }],
      visits: [1, 2, 3, 4].map((n) => ({ site: 'A', depth: n + 0.5 })),
      counts: [1, 2, 3].map((n) => ({ taxa: n })),
      years: [2023, 2024],
    });
    const first = await bring('survey.json', bytesOf(text));
    expect(first).toMatchObject({ sheets: ['sites', 'visits', 'counts'], settings: { sheet: 'visits' }, rows: 4 });
    const asked = problem(first, 'sheets');
    expect([asked?.severity, asked?.message]).toEqual([
      'check',
      'Of 3 lists of rows “visits” is read, the longest; the others are “sites”, “counts”.',
    ]);
    expect(asked?.mends.map(({ label }) => label)).toEqual(['Read “sites”', 'Read “counts”']);
    const other = await app.ask(importPreviewSchema, 'PATCH', `/imports/${first.id}`, asked?.mends[1]?.patch);
    expect(other).toMatchObject({ settings: { sheet: 'counts' }, rows: 3 });
    expect(problem(other, 'one-column')?.hint).toContain('Or read another list than “counts”: “sites”, “visits”.');
    expect(await valuesOf(other, 'taxa')).toEqual([1, 2, 3]);
  });
});

test.each([
  ['header only', workbook({ S: sheetRows([['a', 'b']]) }), 'x.xlsx', 'no-rows'],
  ['one column', workbook({ S: sheetRows([['a'], [1], [2], [3]]) }), 'x.xlsx', 'one-column'],
  [
    'words among numbers',
    workbook({
      S: sheetRows([
        ['a', 'b'],
        [1, 2],
        [2, 3],
        ['few', 4],
        [5, 6],
        [7, 1],
        [8, 1],
      ]),
    }),
    'x.xlsx',
    'not-numbers',
  ],
  [
    'a repeated name',
    workbook({
      S: sheetRows([
        ['a', 'a'],
        [1, 2],
        [2, 3],
        [4, 6],
      ]),
    }),
    'x.xlsx',
    'duplicate-name',
  ],
  [
    'a code for missing',
    workbook({
      S: sheetRows([
        ['a', 'b'],
        [1, 2],
        [-99, 3],
        [4, 6],
        [5, 5],
      ]),
    }),
    'x.xlsx',
    'sentinel',
  ],
  ['no quantity', bytesOf('[{"a": "x"}, {"a": "y"}, {"a": "x"}]'), 'x.json', 'no-quantity'],
  [
    'too many columns',
    bytesOf(JSON.stringify([1, 2, 3].map((row) => Object.fromEntries(Array.from({ length: 1200 }, (_, i) => [`c${i}`, i * row]))))),
    'x.json',
    'too-many-columns',
  ],
  ['a constant', bytesOf('[{"a": 1, "b": 2}, {"a": 1, "b": 3}, {"a": 1, "b": 7}]'), 'x.json', 'constant'],
])('%s is told in words, whatever the format', async (_, bytes, name, code) => {
  expect(problem(await bring(name, bytes), code)?.message).toBeTruthy();
});

test.each([
  ['an empty sheet', 'survey.xlsx', workbook({ S: '' }), 'empty-file'],
  ['a JSON file cut off', 'survey.json', bytesOf('[{"a": 1}, {"a": 2'), 'not-json'],
  ['JSON without rows', 'survey.json', bytesOf('{"a": 1, "b": [1, 2, 3]}'), 'not-rows'],
  ['a zip that is no workbook', 'things.zip', zipSync({ 'a.txt': bytesOf('hello') }), 'no-workbook'],
  ['a damaged workbook', 'survey.xlsx', workbook({ S: sheetRows([['a', 'b']]) }).subarray(0, 400), 'no-workbook'],
  ['a Parquet file cut off', 'survey.parquet', bytesOf('PAR1 and then nothing that would be one'), 'damaged-parquet'],
  ['a workbook of the old binary kind', 'survey.xls', Uint8Array.of(0xd0, 0xcf, 0x11, 0xe0, 0, 0, 0, 0), 'old-workbook'],
])('%s is refused in words', async (_, name, bytes, code) => {
  const response = await app.send('POST', `/imports?name=${name}`, bytes);
  const { error } = errorSchema.parse(await response.json());
  expect([response.status, error.code]).toEqual([422, code]);
  expect(error.hint).toBeTruthy();
});

it('what belongs to no import any more is removed when the server starts', async () => {
  const { Spool } = await import('@ivlen/server');
  const folder = mkdtempSync(join(tmpdir(), 'ivlen-spool-'));
  const spool = new Spool(folder);
  const body = () => new Blob(['a,b\n1,2\n']).stream() as Parameters<typeof spool.receive>[1];
  await spool.receive('kept', body(), new AbortController().signal);
  await spool.receive('orphan', body(), new AbortController().signal);
  await spool.keepOnly(new Set(['kept']));
  expect(readdirSync(folder)).toEqual(['kept.source']);
  rmSync(folder, { recursive: true });
});
