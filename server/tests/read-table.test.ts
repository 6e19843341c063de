import { type ImportPreview, type ImportSettingsPatch, importSettingsSchema } from '@ivlen/contract';
import { readBytes } from '@ivlen/server';
import { describe, expect, it, test } from 'vitest';
import { bytesOf } from './test-application';

async function read(text: string | Uint8Array, patch: ImportSettingsPatch = {}) {
  const bytes = typeof text === 'string' ? bytesOf(text) : text;
  const guessed = await readBytes(bytes, null);
  return Object.keys(patch).length === 0
    ? guessed
    : readBytes(bytes, importSettingsSchema.parse({ ...guessed.preview.settings, ...patch }));
}

const problem = ({ problems }: Pick<ImportPreview, 'problems'>, code: string) => problems.find((item) => item.code === code);
const kinds = ({ columns }: Pick<ImportPreview, 'columns'>) => columns.map(({ kind }) => kind);
const valuesOf = (table: Awaited<ReturnType<typeof read>>, column: number) => [...(table.columns[column] ?? [])];

describe('what is guessed', () => {
  it('separator, decimal comma, header and missing codes', async () => {
    const { preview, columns } = await read('site;depth;taxa\nA1;12,5;9\nA2;NA;11\nA3;15,25;n/a\n');
    expect(preview.settings).toMatchObject({ separator: ';', decimal: ',', thousands: 'none', header: true, missingCodes: ['NA', 'n/a'] });
    expect(preview.columns.map(({ name }) => name)).toEqual(['site', 'depth', 'taxa']);
    expect(kinds(preview)).toEqual(['identifier', 'continuous', 'discrete']);
    expect([...(columns[1] ?? [])]).toEqual([12.5, Number.NaN, 15.25]);
    expect(problem(preview, 'missing-code')?.message).toContain('depth: 1 cell holds “NA” (row 2)');
  });

  it('tabs, as cells pasted from a spreadsheet have them', async () => {
    expect((await read('a\tb\n1\t2\n3\t4\n')).preview.settings.separator).toBe('\t');
  });

  it('a table without a header', async () => {
    const { preview } = await read('1,2\n3,4\n5,7\n');
    expect([preview.settings.header, preview.rows]).toEqual([false, 3]);
    expect(preview.columns.map(({ name }) => name)).toEqual(['column 1', 'column 2']);
  });

  it('thousands separators, with the other reading as a mend', async () => {
    const { preview, columns } = await read('a,b\n"1,234",5\n"12,345.5",6\n"1,000,000",7\n');
    expect(preview.settings.thousands).toBe(',');
    expect([...(columns[0] ?? [])]).toEqual([1234, 12345.5, 1_000_000]);
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
  ])('a column is %s', async (kind, cells) => {
    expect(kinds((await read(['value\tother', ...cells.map((cell, i) => `${cell}\t${i}.5`)].join('\n'))).preview)[0]).toBe(kind);
  });

  it('leaves dates alone that can be read two ways', async () => {
    const { preview } = await read('when,x\n01/02/2024,1.5\n03/04/2024,2.5\n03/04/2024,3\n');
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
  ])('%s', async (_, bytes, encoding) => {
    const { preview } = await read(bytes);
    expect(preview.settings.encoding).toBe(encoding);
    expect(preview.columns[0]?.name).toBe('größe');
  });
});

describe('bad input is told in words', () => {
  test.each([
    ['an empty file', new Uint8Array(0), 'empty-file'],
    ['white space only', bytesOf('  \n\n'), 'empty-file'],
    ['a binary file', Uint8Array.from({ length: 4000 }, (_, i) => (i * 37) % 256), 'not-text'],
  ])('%s is refused', async (_, bytes, code) => {
    await expect(readBytes(bytes, null)).rejects.toMatchObject({ code, hint: expect.any(String) });
  });

  test.each([
    ['header only', 'a,b,c\n', 'no-rows', 'stops', 'Under the row of names no row of data follows.'],
    ['one column', 'a\n1\n2\n3\n', 'one-column', 'check', 'one column only'],
    ['no numbers', 'a,b\nx,y\nz,w\nx,w\n', 'no-quantity', 'check', 'No column holds quantities'],
    ['two rows', 'a,b\n1,2\n3,4\n', 'few-rows', 'check', '2 rows'],
    ['short rows', 'a,b,c\n1,2,3\n4,5\n6,7,8\n', 'short-rows', 'check', 'Row 2 has fewer cells than the 3 columns (it has 2).'],
    [
      'several short rows',
      'a,b,c\n1,2,3\n4,5\n6,7,8\n9\n1,2,4\n',
      'short-rows',
      'check',
      'Rows 2 and 4 have fewer cells than the 3 columns (the first has 2).',
    ],
    [
      'long rows',
      'a,b\n1,2\n3,4,5\n6,7\n',
      'long-rows',
      'check',
      'Row 2 has more cells than the 2 columns; the extra ones (“5”) are not read.',
    ],
    ['an empty name', 'a,,c\n1,2,3\n4,5,6\n7,8,9\n', 'empty-name', 'note', 'Column 2 has no name; it is called'],
    ['a repeated name', 'a,A,c\n1,2,3\n4,5,6\n7,8,9\n', 'duplicate-name', 'note', 'it is called “A (2)”'],
    ['words among numbers', 'a,b\n1,2\nfew,4\n5,6\n7,8\n9,1\n', 'not-numbers', 'check', 'a: 1 cell is not a number: “few” in row 2'],
    ['a number too large', 'a,b\n1,2\n1e400,4\n5,6\n7,8\n9,1\n', 'too-large', 'check', 'a: “1e400” in row 2 is larger than any number'],
    ['spreadsheet errors', 'a,b\n1,2\n#DIV/0!,4\n5,6\n7,8\n', 'spreadsheet-error', 'check', 'a: 1 cell holds “#DIV/0!” (row 2)'],
    ['a number that means missing', 'a,b\n1,2\n-99,4\n5,6\n7,8\n', 'sentinel', 'check', 'a: 1 cell holds −99 (row 2)'],
    ['a constant', 'a,b\n1,2\n1,4\n1,6\n', 'constant', 'check', 'a: every row holds the same value'],
    ['an empty column', 'a,b,c\n1,,3\n2,,5\n3,,8\n', 'empty-column', 'check', 'b: no row holds a value'],
    ['empty rows at the foot', 'a,b\n1,2\n3,4\n5,6\n,\n,\n', 'empty-tail', 'note', '2 empty rows at the foot are left out'],
  ])('%s', async (_, text, code, severity, words) => {
    const found = problem((await read(text)).preview, code);
    expect(found?.severity).toBe(severity);
    expect(found?.message).toContain(words);
    if (severity !== 'note') expect(found?.hint).toBeTruthy();
  });

  it('quotes that never close stop the import, name the row, and have a mend that works', async () => {
    const text = 'a,b\n1,2\n3,"4\n5,6\n7,8\n';
    const found = problem((await read(text)).preview, 'unclosed-quote');
    expect(found).toMatchObject({ severity: 'stops' });
    expect(found?.message).toContain('row 2');
    expect((await read(text, found?.mends[0]?.patch)).preview).toMatchObject({ rows: 4 });
  });

  it('2,000 columns stop the import with their number and the limit', async () => {
    const line = (cell: (i: number) => string) => Array.from({ length: 2000 }, (_, i) => cell(i)).join(',');
    const { preview } = await read([line((i) => `c${i}`), ...[1, 2, 3].map((row) => line((i) => String(i * row)))].join('\n'));
    expect(problem(preview, 'too-many-columns')?.message).toBe('The table has 2,000 columns; a study takes up to 1,000.');
    expect(preview.columns).toHaveLength(1000);
  });

  it('codes for missing among numbers, all of them guessed', async () => {
    const table = await read('x,y\nNA,1.5\nn/a,2\n-,3\n.,4\n#DIV/0!,5\n6,6\n7,7\n8,8\n');
    expect(table.preview.settings.missingCodes.toSorted()).toEqual(['#DIV/0!', '-', '.', 'NA', 'n/a'].toSorted());
    expect(valuesOf(table, 0)).toEqual([...Array.from({ length: 5 }, () => Number.NaN), 6, 7, 8]);
  });
});

describe('corrections', () => {
  it('another decimal mark, offered where it would help', async () => {
    const table = await read('a;b\n1,5;x\n2,5;y\n3,5;z\n', { decimal: '.' });
    expect(table.preview.columns[0]?.storage).toBe('code');
    expect((await read('a;b\n1,5;x\n2,5;y\n3,5;z\n')).preview.columns[0]?.storage).toBe('number');
  });

  it('text read as numbers on demand, numbers as text', async () => {
    const text = 'a,b\nlow,1\nlow,2\nhigh,3\n7,4\n';
    const numeric = await read(text, { columns: { 0: { kind: 'continuous' } } });
    // More than a fifth is no number: the column stays text, since nearly all of it would be lost.
    expect(numeric.preview.columns[0]?.storage).toBe('code');
    const coded = await read(text, { columns: { 1: { kind: 'nominal' } } });
    expect(coded.dictionaries[1]).toEqual(['1', '2', '3', '4']);
  });

  it('a name, a column left out, the first row as data', async () => {
    const { preview } = await read('a,b\n1,2\n3,4\n5,6\n', { columns: { 0: { name: 'depth' }, 1: { leaveOut: true } } });
    expect(preview.columns.map(({ name, leftOut }) => [name, leftOut])).toEqual([
      ['depth', false],
      ['b', true],
    ]);
    expect((await read('a,b\n1,2\n3,4\n', { header: false })).preview.rows).toBe(3);
  });

  it('leaving every column out stops the import', async () => {
    const columns = { 0: { leaveOut: true }, 1: { leaveOut: true } };
    expect(problem((await read('a,b\n1,2\n3,4\n5,6\n', { columns })).preview, 'nothing-kept')?.severity).toBe('stops');
  });
});

describe('what stands above and below the data', () => {
  const block = 'station\tnitrate\tdepth\n\tmg/L\tcm\nA\t1.5\t12\nB\t2.5\t14\nC\t3.5\t19\nmean\t2.5\t15\n';
  const mended = async (text: string, code: string, settings: ImportSettingsPatch = {}) => {
    const found = problem((await read(text, settings)).preview, code);
    return read(text, { ...settings, ...found?.mends[0]?.patch });
  };

  it('units under the names are found and put into the codebook', async () => {
    expect(problem((await read(block)).preview, 'units-row')?.message).toBe('The first row of data holds units: “mg/L”, “cm”.');
    const table = await mended(block, 'units-row');
    expect(table.preview.columns.map(({ unit }) => unit)).toEqual([null, 'mg/L', 'cm']);
    expect(problem(table.preview, 'not-numbers')).toBeUndefined();
    expect(table.preview.rows).toBe(4);
  });

  it('means at the foot are found by their name or by their values, and left out with both', async () => {
    const units = { unitsRow: true } as const;
    const table = await mended(block, 'foot-rows', units);
    expect(valuesOf(table, 1)).toEqual([1.5, 2.5, 3.5]);
    expect(problem(table.preview, 'foot-left-out')?.mends[0]?.patch).toEqual({ foot: 0 });
    const unnamed = 'a,b\n1,10\n2,20\n4,30\n8,40\n3.75,25\n15,100\n';
    expect(problem((await read(unnamed)).preview, 'foot-rows')?.mends[0]?.patch).toEqual({ foot: 2 });
    const labelled = 'site,a,b\nx,1,10\ny,2,20\nz,4,35\nTotal,7,65\nn,3,3\n';
    expect(problem((await read(labelled)).preview, 'foot-rows')).toMatchObject({
      message: 'The last 2 rows are no cases: “Total”, “n”.',
      hint: 'Left in, they would be counted as cases and pull every result.',
      mends: [{ patch: { foot: 2 } }],
    });
  });

  it('ordinary last rows are left alone, whatever their category is called', async () => {
    for (const text of ['site,a\nx,1\ny,2\nn,4\n', 'a,b\n1,10\n2,20\n4,35\n9,17\n', 'a,b\n5,10\n5,20\n5,35\n5,17\n']) {
      expect(problem((await read(text)).preview, 'foot-rows')).toBeUndefined();
    }
  });

  it('units without names are units, and the columns ask for names', async () => {
    const text = 'mg/L\tcm\n1.5\t12\n2.5\t14\n3.5\t19\n';
    const table = await mended(text, 'names-are-units');
    expect(table.preview.columns.map(({ name, unit }) => [name, unit])).toEqual([
      ['column 1', 'mg/L'],
      ['column 2', 'cm'],
    ]);
    expect(problem(table.preview, 'no-names')?.hint).toContain('Write a name');
    expect(table.preview.rows).toBe(3);
  });

  it('a code for missing that is a number stays in the cell, and is no value', async () => {
    const table = await read('a,b\n1,2\n-99,4\n5,6\n7,8\n', { missingCodes: ['-99'] });
    expect(table.preview.columns[0]).toMatchObject({ present: 3, missing: 1 });
    expect(valuesOf(table, 0)).toEqual([1, -99, 5, 7]);
  });
});

describe('a file of many pieces', () => {
  it('without quotation marks is read the same as with them, cell for cell and problem for problem', async () => {
    let state = 7;
    const random = (below: number) => {
      state = (state * 48271) % 2147483647;
      return state % below;
    };
    const texts = [
      '',
      ' ',
      'NA',
      'few',
      '1e5',
      '-3',
      '+.5',
      '12.',
      '1234567890123456789',
      '0.1',
      '−7',
      ' 8.25 ',
      '-99',
      'ü',
      '1.2.3',
      '-',
      '.',
    ];
    const lines = Array.from({ length: 3000 }, (_, row) => {
      if (row % 701 === 700) return row % 2 === 0 ? ',,,' : ' , ,,';
      const width = row % 397 === 396 ? 3 : row % 499 === 498 ? 6 : 4;
      return Array.from({ length: width }, (_, i) =>
        i === 1 || random(12) === 0 ? texts[random(texts.length)] : (random(2e6) / 1000 - 700).toString(),
      ).join(',');
    });
    for (const lineEnd of ['\n', '\r\n']) {
      const plain = ['\ufeffa,b,c,d', ...lines, ',,,'].join(lineEnd);
      const quoted = plain.replace(',b,', ',"b",');
      const [fast, careful] = [await read(plain), await read(quoted)];
      expect(fast.preview).toEqual(careful.preview);
      expect(fast.dictionaries).toEqual(careful.dictionaries);
      expect(fast.columns).toEqual(careful.columns);
      expect(fast.preview.problems.map(({ code }) => code)).toEqual(
        expect.arrayContaining(['short-rows', 'long-rows', 'not-numbers', 'empty-tail']),
      );
    }
  });

  it('is read the same as one that fits, with characters and cells cut between pieces', async () => {
    const rows = Array.from({ length: 150_000 }, (_, i) => `"Straße ${i % 7}, ${i}";${(i * 37) % 1009},${i % 10};ü${'x'.repeat(i % 23)}`);
    const bytes = bytesOf(`name;wert;text\n${rows.join('\n')}\n`);
    expect(bytes.length).toBeGreaterThan(5_000_000);
    const table = await read(bytes);
    expect(table.preview).toMatchObject({ rows: 150_000, settings: { encoding: 'utf-8', separator: ';', decimal: ',' } });
    const values = valuesOf(table, 1);
    expect(values.length).toBe(150_000);
    expect(values.every((value, i) => value === Number(`${(i * 37) % 1009}.${i % 10}`))).toBe(true);
    const names = table.dictionaries[0] ?? [];
    expect(valuesOf(table, 0).every((code, i) => names[code] === `Straße ${i % 7}, ${i}`)).toBe(true);
    expect(table.dictionaries[2]).toHaveLength(23);
  });
});

test.each([
  ['0', 0],
  ['-0.1', -0.1],
  ['+7', 7],
  ['.5', 0.5],
  ['5.', 5],
  ['123456789012345', 123456789012345],
  ['0.000000000000001', 1e-15],
  ['9007199254740993', 9007199254740992],
  ['0.1234567890123456789', 0.12345678901234568],
  ['1e3', 1000],
  ['−4.25', -4.25],
])('%s is read to the last digit', async (text, value) => {
  expect(valuesOf(await read(`a,b\n${text},1\n2.5,2\n3.5,3\n`), 0)[0]).toBe(value);
});
