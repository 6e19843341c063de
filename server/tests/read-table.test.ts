import { type ImportPreview, type ImportSettingsPatch, importSettingsSchema } from '@ivlen/contract';
import { readTable } from '@ivlen/server';
import { describe, expect, it, test } from 'vitest';
import { bytesOf } from './test-application';

function read(text: string | Uint8Array, patch: ImportSettingsPatch = {}) {
  const bytes = typeof text === 'string' ? bytesOf(text) : text;
  const guessed = readTable(bytes, null);
  return Object.keys(patch).length === 0
    ? guessed
    : readTable(bytes, importSettingsSchema.parse({ ...guessed.preview.settings, ...patch }));
}

const problem = ({ problems }: Pick<ImportPreview, 'problems'>, code: string) => problems.find((item) => item.code === code);
const kinds = ({ columns }: Pick<ImportPreview, 'columns'>) => columns.map(({ kind }) => kind);
const valuesOf = (table: ReturnType<typeof read>, column: number) => [...(table.columns[column]?.values ?? [])];

describe('what is guessed', () => {
  it('separator, decimal comma, header and missing codes', () => {
    const { preview, columns } = read('site;depth;taxa\nA1;12,5;9\nA2;NA;11\nA3;15,25;n/a\n');
    expect(preview.settings).toMatchObject({ separator: ';', decimal: ',', thousands: 'none', header: true, missingCodes: ['NA', 'n/a'] });
    expect(preview.columns.map(({ name }) => name)).toEqual(['site', 'depth', 'taxa']);
    expect(kinds(preview)).toEqual(['identifier', 'continuous', 'discrete']);
    expect([...(columns[1]?.values ?? [])]).toEqual([12.5, Number.NaN, 15.25]);
    expect(problem(preview, 'missing-code')?.message).toContain('depth: 1 cell holds “NA” (row 2)');
  });

  it('tabs, as cells pasted from a spreadsheet have them', () => {
    expect(read('a\tb\n1\t2\n3\t4\n').preview.settings.separator).toBe('\t');
  });

  it('a table without a header', () => {
    const { preview } = read('1,2\n3,4\n5,7\n');
    expect([preview.settings.header, preview.rows]).toEqual([false, 3]);
    expect(preview.columns.map(({ name }) => name)).toEqual(['column 1', 'column 2']);
  });

  it('thousands separators, with the other reading as a mend', () => {
    const { preview, columns } = read('a,b\n"1,234",5\n"12,345.5",6\n"1,000,000",7\n');
    expect(preview.settings.thousands).toBe(',');
    expect([...(columns[0]?.values ?? [])]).toEqual([1234, 12345.5, 1_000_000]);
    expect(problem(preview, 'thousands')?.mends[0]?.patch).toEqual({ decimal: ',', thousands: 'none' });
  });

  test.each([
    ['continuous', ['1.5', '2.25', '3', '4', '5', '6', '7', '8', '9', '10']],
    ['discrete', ['4', '19', '7', '4', '0', '12', '3', '3', '8', '30']],
    ['ordinal', ['1', '2', '3', '4', '4', '3', '2', '1', '2', '3']],
    ['identifier', ['1', '2', '3', '4', '5', '6', '7', '8', '9', '10']],
    ['identifier', ['007', '012', '013', '021', '022', '023', '024', '025', '026', '031']],
    ['nominal', ['birk', 'dray', 'birk', 'dray', 'aster', 'aster', 'birk', 'dray', 'birk', 'birk']],
    [
      'date',
      [
        '2024-03-01',
        '2024-03-02',
        '2024-02-29',
        '2024-03-04',
        '2024-03-05',
        '2024-03-06',
        '2024-03-07',
        '2024-03-08',
        '2024-03-09',
        '2024-03-10',
      ],
    ],
    ['date', ['1.3.2024', '31.3.2024', '2.3.2024', '3.3.2024', '4.3.2024', '5.3.2024', '6.3.2024', '7.3.2024', '8.3.2024', '9.3.2024']],
    ['date', ['3/1/2024', '3/31/2024', '3/2/2024', '3/3/2024', '3/4/2024', '3/5/2024', '3/6/2024', '3/7/2024', '3/8/2024', '3/9/2024']],
  ])('a column is %s', (kind, cells) => {
    expect(kinds(read(['value\tother', ...cells.map((cell, i) => `${cell}\t${i}.5`)].join('\n')).preview)[0]).toBe(kind);
  });

  it('leaves dates alone that can be read two ways', () => {
    const { preview } = read('when,x\n01/02/2024,1.5\n03/04/2024,2.5\n03/04/2024,3\n');
    expect(preview.columns[0]?.storage).toBe('code');
  });
});

describe('encodings', () => {
  const text = 'größe;x\n1,5;2\n2,5;4\n3,5;5\n';
  const utf16 = (bigEndian: boolean, mark: boolean) => {
    const units = [...(mark ? ['\ufeff'] : []), ...text].map((character) => character.charCodeAt(0));
    const bytes = new Uint8Array(units.length * 2);
    for (const [i, unit] of units.entries()) new DataView(bytes.buffer).setUint16(2 * i, unit, !bigEndian);
    return bytes;
  };
  test.each([
    ['UTF-8 with a byte order mark', bytesOf(`\ufeff${text}`), 'utf-8'],
    ['UTF-16 little-endian', utf16(false, true), 'utf-16le'],
    ['UTF-16 big-endian', utf16(true, true), 'utf-16be'],
    ['UTF-16 without a mark', utf16(false, false), 'utf-16le'],
    ['Windows-1252', Uint8Array.from(text, (character) => character.charCodeAt(0)), 'windows-1252'],
  ])('%s', (_, bytes, encoding) => {
    const { preview } = read(bytes);
    expect(preview.settings.encoding).toBe(encoding);
    expect(preview.columns[0]?.name).toBe('größe');
  });
});

describe('bad input is told in words', () => {
  test.each([
    ['an empty file', new Uint8Array(0), 'empty-file'],
    ['white space only', bytesOf('  \n\n'), 'empty-file'],
    ['a binary file', Uint8Array.from({ length: 4000 }, (_, i) => (i * 37) % 256), 'not-text'],
  ])('%s is refused', (_, bytes, code) => {
    expect(() => readTable(bytes, null)).toThrowError(expect.objectContaining({ code, hint: expect.any(String) }));
  });

  test.each([
    ['header only', 'a,b,c\n', 'no-rows', 'stops', 'Row 1 holds names'],
    ['one column', 'a\n1\n2\n3\n', 'one-column', 'check', 'one column only'],
    ['no numbers', 'a,b\nx,y\nz,w\nx,w\n', 'no-quantity', 'check', 'No column holds quantities'],
    ['two rows', 'a,b\n1,2\n3,4\n', 'few-rows', 'check', '2 rows'],
    ['short rows', 'a,b,c\n1,2,3\n4,5\n6,7,8\n', 'short-rows', 'check', 'Row 2 has fewer cells than the 3 columns (the first has 2)'],
    [
      'long rows',
      'a,b\n1,2\n3,4,5\n6,7\n',
      'long-rows',
      'check',
      'Row 2 has more cells than the 2 columns; the extra ones (“5” in the first)',
    ],
    ['an empty name', 'a,,c\n1,2,3\n4,5,6\n7,8,9\n', 'empty-name', 'note', 'Column 2 has no name in row 1'],
    ['a repeated name', 'a,A,c\n1,2,3\n4,5,6\n7,8,9\n', 'duplicate-name', 'note', 'it is called “A (2)”'],
    ['words among numbers', 'a,b\n1,2\nfew,4\n5,6\n7,8\n9,1\n', 'not-numbers', 'check', 'a: 1 cell is not a number: “few” in row 2'],
    ['a number too large', 'a,b\n1,2\n1e400,4\n5,6\n7,8\n9,1\n', 'too-large', 'check', 'a: “1e400” in row 2 is larger than any number'],
    ['spreadsheet errors', 'a,b\n1,2\n#DIV/0!,4\n5,6\n7,8\n', 'spreadsheet-error', 'check', 'a: 1 cell holds “#DIV/0!” (row 2)'],
    ['a number that means missing', 'a,b\n1,2\n-99,4\n5,6\n7,8\n', 'sentinel', 'check', 'a: 1 cell holds −99 (row 2)'],
    ['a constant', 'a,b\n1,2\n1,4\n1,6\n', 'constant', 'check', 'a: every row holds the same value'],
    ['an empty column', 'a,b,c\n1,,3\n2,,5\n3,,8\n', 'empty-column', 'check', 'b: no row holds a value'],
    ['empty rows at the foot', 'a,b\n1,2\n3,4\n5,6\n,\n,\n', 'empty-tail', 'note', '2 empty rows at the foot are left out'],
  ])('%s', (_, text, code, severity, words) => {
    const found = problem(read(text).preview, code);
    expect(found?.severity).toBe(severity);
    expect(found?.message).toContain(words);
    if (severity !== 'note') expect(found?.hint).toBeTruthy();
  });

  it('quotes that never close stop the import, name the row, and have a mend that works', () => {
    const text = 'a,b\n1,2\n3,"4\n5,6\n7,8\n';
    const found = problem(read(text).preview, 'unclosed-quote');
    expect(found).toMatchObject({ severity: 'stops' });
    expect(found?.message).toContain('row 2');
    expect(read(text, found?.mends[0]?.patch).preview).toMatchObject({ rows: 4 });
  });

  it('2,000 columns stop the import with their number and the limit', () => {
    const line = (cell: (i: number) => string) => Array.from({ length: 2000 }, (_, i) => cell(i)).join(',');
    const { preview } = read([line((i) => `c${i}`), ...[1, 2, 3].map((row) => line((i) => String(i * row)))].join('\n'));
    expect(problem(preview, 'too-many-columns')?.message).toBe('The table has 2,000 columns; a study takes up to 1,000.');
    expect(preview.columns).toHaveLength(1000);
  });

  it('codes for missing among numbers, all of them guessed', () => {
    const table = read('x,y\nNA,1.5\nn/a,2\n-,3\n.,4\n#DIV/0!,5\n6,6\n7,7\n8,8\n');
    expect(table.preview.settings.missingCodes.toSorted()).toEqual(['#DIV/0!', '-', '.', 'NA', 'n/a'].toSorted());
    expect(valuesOf(table, 0)).toEqual([...Array.from({ length: 5 }, () => Number.NaN), 6, 7, 8]);
  });
});

describe('corrections', () => {
  it('another decimal mark, offered where it would help', () => {
    const table = read('a;b\n1,5;x\n2,5;y\n3,5;z\n', { decimal: '.' });
    expect(table.preview.columns[0]?.storage).toBe('code');
    expect(read('a;b\n1,5;x\n2,5;y\n3,5;z\n').preview.columns[0]?.storage).toBe('number');
  });

  it('text read as numbers on demand, numbers as text', () => {
    const text = 'a,b\nlow,1\nlow,2\nhigh,3\n7,4\n';
    const numeric = read(text, { columns: { 0: { kind: 'continuous' } } });
    // More than a fifth is no number: the column stays text, since nearly all of it would be lost.
    expect(numeric.preview.columns[0]?.storage).toBe('code');
    const coded = read(text, { columns: { 1: { kind: 'nominal' } } });
    expect(coded.columns[1]?.dictionary).toEqual(['1', '2', '3', '4']);
  });

  it('a name, a column left out, the first row as data', () => {
    const { preview } = read('a,b\n1,2\n3,4\n5,6\n', { columns: { 0: { name: 'depth' }, 1: { leaveOut: true } } });
    expect(preview.columns.map(({ name, leftOut }) => [name, leftOut])).toEqual([
      ['depth', false],
      ['b', true],
    ]);
    expect(read('a,b\n1,2\n3,4\n', { header: false }).preview.rows).toBe(3);
  });

  it('leaving every column out stops the import', () => {
    const columns = { 0: { leaveOut: true }, 1: { leaveOut: true } };
    expect(problem(read('a,b\n1,2\n3,4\n5,6\n', { columns }).preview, 'nothing-kept')?.severity).toBe('stops');
  });
});
