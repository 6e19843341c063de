import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { createConverter, createInlineConverter } from '@ivlen/server';
import { zipSync } from 'fflate';
import { parquetWriteBuffer } from 'hyparquet-writer';
import { afterAll, describe, expect, it } from 'vitest';
import { bytesOf } from './test-application';
import { workbook, workbookFiles } from './workbook-file';

const folder = mkdtempSync(join(tmpdir(), 'ivlen-conversion-'));
afterAll(() => rmSync(folder, { recursive: true }));
const [source, text] = [join(folder, 'source'), join(folder, 'text')];
const entry = resolve(import.meta.dirname, '../src/convert.ts');
const byProcess = createConverter(entry, ['--import', 'tsx']);
const inline = createInlineConverter();
const never = new AbortController().signal;

type Format = 'workbook' | 'json' | 'parquet';

async function convert(format: Format, bytes: Uint8Array, converter = inline) {
  writeFileSync(source, bytes);
  return converter.convert({ format, source, text, sheet: null }, never, () => {});
}
const refused = (promise: Promise<unknown>) =>
  promise.then(
    () => null,
    (error: { code?: string; message: string }) => error,
  );

const cell = (place: string, value: number | string) =>
  typeof value === 'number' ? `<c r="${place}"><v>${value}</v></c>` : `<c r="${place}" t="inlineStr"><is><t>${value}</t></is></c>`;
const sheetOf = (rows: string) => workbook({ Sheet1: rows });
const TABLE = `<row r="1">${cell('A1', 'x')}${cell('B1', 'y')}</row><row r="2">${cell('A2', 1)}${cell('B2', 2)}</row>`;

describe('a process of its own', () => {
  it('converts as the same code does here', async () => {
    expect(await convert('workbook', sheetOf(TABLE), byProcess)).toEqual({ sheets: ['Sheet1'], sheet: 'Sheet1' });
    expect(readFileSync(text, 'utf8')).toBe('x\ty\n1\t2\n');
    const error = await refused(convert('json', bytesOf('{"a": '), byProcess));
    expect(error).toMatchObject({ name: 'DomainError', code: 'not-json' });
  });

  const hostile = (name: string, budget = { memory: 1e9, stallMs: 20_000, mostMs: 20_000 }) =>
    createConverter(resolve(import.meta.dirname, 'conversion', name), [], budget);

  it('that the engine aborts is told in words, and takes nothing along', async () => {
    const error = await refused(convert('workbook', sheetOf(TABLE), hostile('crashes.cjs')));
    expect(error).toMatchObject({ code: 'broke-off', message: expect.stringContaining('Reading the file broke off') });
  });

  it('that needs too much memory is ended, and says how much', async () => {
    const budget = { memory: 300 * 1024 * 1024, stallMs: 20_000, mostMs: 20_000 };
    const error = await refused(convert('workbook', sheetOf(TABLE), hostile('grows.cjs', budget)));
    expect(error).toMatchObject({ code: 'too-much-memory', message: expect.stringContaining('more than 300 MB') });
  });

  it('that gives no sign of going on is ended', async () => {
    const error = await refused(
      convert('workbook', sheetOf(TABLE), hostile('never-ends.cjs', { memory: 1e9, stallMs: 700, mostMs: 20_000 })),
    );
    expect(error).toMatchObject({ code: 'too-slow', message: 'The file was not read in 1 seconds, and was not read further.' });
  });

  it('ends when it is stopped', async () => {
    const stop = new AbortController();
    writeFileSync(source, sheetOf(TABLE));
    const conversion = hostile('never-ends.cjs').convert({ format: 'workbook', source, text, sheet: null }, stop.signal, () => {});
    setTimeout(() => stop.abort(new Error('not wanted any more')), 300);
    await expect(conversion).rejects.toThrow('not wanted any more');
  });
});

describe('a workbook', () => {
  it.each([
    ['a column beyond all', `<row r="1">${cell('A1', 1)}${cell('ZZZZZZ1', 2)}</row>`, 'outside-sheet', 'ZZZZZZ1'],
    ['a row beyond all', `<row r="1">${cell('A1', 1)}</row><row r="1048577">${cell('A1048577', 2)}</row>`, 'outside-sheet', 'A1048577'],
    ['row 0', `<row r="0">${cell('A0', 1)}</row>`, 'outside-sheet', 'A0'],
    [
      'the last cell there is',
      `<row r="1">${cell('A1', 1)}</row><row r="1048576">${cell('XFD1048576', 2)}</row>`,
      'area-too-large',
      'XFD1048576',
    ],
  ])('with a cell in %s is refused before room is made for it', async (_, rows, code, where) => {
    const started = performance.now();
    expect(await refused(convert('workbook', sheetOf(rows)))).toMatchObject({ code, where });
    expect(performance.now() - started).toBeLessThan(5000);
  });

  it('says how much of the area is filled', async () => {
    const rows = `<row r="1">${cell('A1', 1)}</row><row r="1048576">${cell('XFD1048576', 2)}</row>`;
    expect((await refused(convert('workbook', sheetOf(rows))))?.message).toBe(
      'The sheet reaches to XFD1048576: an area of 17,179,869,184 cells, of which 2 are filled.',
    );
  });

  it('whose sheet unpacks to more than a sheet may have is not laid out', async () => {
    const rows = '<row r="1"></row>'.repeat(8_000_000);
    expect(await refused(convert('workbook', sheetOf(rows)))).toMatchObject({
      code: 'unpacks-too-large',
      message: expect.stringContaining('128 MB'),
    });
  });

  it('may be wide or long', async () => {
    const rows = `<row r="1">${cell('A1', 'x')}${cell('XFD1', 1)}</row><row r="700">${cell('A700', 3)}</row>`;
    expect(await convert('workbook', sheetOf(rows))).toMatchObject({ sheet: 'Sheet1' });
  });

  it('whose sheet is cut off, or is no sheet, is refused in words', async () => {
    const whole = sheetOf(TABLE);
    expect(await refused(convert('workbook', whole.slice(0, whole.length / 3)))).toMatchObject({ name: 'DomainError' });
    const broken = workbook({ Sheet1: `${TABLE}</sheetData><row` });
    const told = await refused(convert('workbook', broken));
    expect(told === null || told.code === 'damaged-workbook').toBe(true);
  });

  it('with a name of a sheet that is longer than any is refused', async () => {
    const error = await refused(convert('workbook', workbook({ ['n'.repeat(300)]: TABLE })));
    expect(error).toMatchObject({ code: 'damaged-workbook', message: 'A sheet of the workbook has a name of 300 letters.' });
  });

  /** What a day's number becomes that is shown as a date with its time. */
  async function dateOf(serial: string, workbookPart = ''): Promise<string> {
    const date = `<c r="A2" s="1"><v>${serial}</v></c>`;
    const files = workbookFiles({
      Sheet1: `<row r="1">${cell('A1', 'at')}${cell('B1', 'x')}</row><row r="2">${date}${cell('B2', 1)}</row>`,
    });
    files['xl/workbook.xml'] = (files['xl/workbook.xml'] ?? '').replace('<sheets>', `${workbookPart}<sheets>`);
    const styles = `<?xml version="1.0"?><styleSheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><cellXfs count="2"><xf numFmtId="0"/><xf numFmtId="22" applyNumberFormat="1"/></cellXfs></styleSheet>`;
    const parts = Object.entries({ ...files, 'xl/styles.xml': styles }).map(([name, part]) => [name, bytesOf(part)]);
    await convert('workbook', zipSync(Object.fromEntries(parts)));
    return readFileSync(text, 'utf8').split('\n')[1]?.split('\t')[0] ?? '';
  }

  // ECMA-376 part 1, 18.17.4.1: day 1 is 1 January 1900, with a 29 February 1900 that never was; or day 0 is 1 January 1904.
  it.each([
    ['45000.041666666664', '2023-03-15T01:00:00'],
    ['1', '1900-01-01'],
    ['1.5', '1900-01-01T12:00:00'],
    ['59', '1900-02-28'],
    ['60', '1900-02-29'],
    ['61', '1900-03-01'],
    ['25569', '1970-01-01'],
    ['0.75', '18:00:00'],
    ['0.041666666666666664', '01:00:00'],
  ])('has the day and time of number %s to the second: %s', async (serial, written) => {
    expect(await dateOf(serial)).toBe(written);
  });

  it.each([
    ['0', '1904-01-01'],
    ['1', '1904-01-02'],
    ['43538.041666666664', '2023-03-15T01:00:00'],
    ['0.75', '18:00:00'],
  ])('that counts from 1904 has for number %s: %s', async (serial, written) => {
    expect(await dateOf(serial, '<workbookPr date1904="1"/>')).toBe(written);
  });

  it('leaves pictures and other sheets behind', async () => {
    const texts = Object.entries(workbookFiles({ A: TABLE, B: `<row r="1">${cell('XFD1', 1)}</row>` }));
    const files = {
      ...Object.fromEntries(texts.map(([name, part]) => [name, bytesOf(part)])),
      'xl/media/photo.bin': new Uint8Array(5_000_000),
    };
    expect(await convert('workbook', zipSync(files))).toEqual({ sheets: ['A', 'B'], sheet: 'A' });
  });
});

describe('JSON', () => {
  it('whose rows each have keys of their own is refused soon', async () => {
    const rows = Array.from({ length: 20_000 }, (_, i) => ({ [`k${i}`]: 1 }));
    expect(await refused(convert('json', bytesOf(JSON.stringify(rows))))).toMatchObject({ code: 'too-many-keys', where: 'row 5001' });
  });

  it('with a cell that no table has is refused, and says where', async () => {
    const rows = [{ a: 'x' }, { a: 'y'.repeat(1_000_001) }];
    const error = await refused(convert('json', bytesOf(JSON.stringify(rows))));
    expect(error).toMatchObject({ code: 'cell-too-long', where: 'row 3, column 1' });
    expect(error?.message).toContain('holds 1,000,001 letters; a cell may have 1,000,000');
  });

  it('with keys that every object inherits keeps their values, and nothing where they are missing', async () => {
    await convert('json', bytesOf('[{"constructor": 1, "__proto__": 2, "toString": 3, "plain": 4}, {"plain": 5}]'));
    expect(readFileSync(text, 'utf8')).toBe('constructor\t__proto__\ttoString\tplain\n1\t2\t3\t4\n\t\t\t5\n');
  });
});

describe('Parquet', () => {
  const bytes = new Uint8Array(
    parquetWriteBuffer({
      columnData: [
        { name: 'x', data: [1, 2, 3, 4, 5, 6, 7], type: 'INT32' },
        { name: 'y', data: [7, 6, 5, 4, 3, 2, 1], type: 'DOUBLE' },
      ],
    }),
  );

  it('is read whole', async () => {
    await convert('parquet', bytes);
    expect(readFileSync(text, 'utf8').trim().split('\n')).toHaveLength(8);
  });

  it('whatever byte of its description lies, reading ends: with rows, or refused in words', async () => {
    const length = new DataView(bytes.buffer, bytes.byteOffset).getUint32(bytes.length - 8, true);
    const start = bytes.length - 8 - length;
    let refusals = 0;
    for (let at = start; at < bytes.length - 4; at++) {
      for (const change of [1, 0x10, 0x80]) {
        const damaged = bytes.slice();
        damaged[at] = (damaged[at] ?? 0) ^ change;
        const error = await refused(convert('parquet', damaged));
        if (error === null) continue;
        expect(error.code).toMatch(/^(damaged-parquet|cell-too-long)$/);
        refusals++;
      }
    }
    expect(refusals).toBeGreaterThan(100);
  });

  it('with a description longer than the file is refused', async () => {
    const damaged = bytes.slice();
    new DataView(damaged.buffer).setUint32(damaged.length - 8, 0xfffffff0, true);
    expect(await refused(convert('parquet', damaged))).toMatchObject({ code: 'damaged-parquet' });
  });
});
