import { strToU8, unzipSync, zipSync } from 'fflate';
import { parquetWriteBuffer } from 'hyparquet-writer';

const bytes = (text) => strToU8(text);
const TABLE = [
  'site,nitrate,taxa,on,note',
  ...Array.from(
    { length: 60 },
    (_, i) => `A${i},${(i * 37) % 19}.${i % 10},${i % 14},2023-05-${String((i % 28) + 1).padStart(2, '0')},"a, ""b"" ${i}"`,
  ),
].join('\n');
const utf16 = (text) => new Uint8Array(Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(text, 'utf16le')]));
const OBJECTS = Array.from({ length: 40 }, (_, i) => ({ site: `A${i}`, nitrate: i * 0.7, taxa: i % 9, nested: { deep: [i] }, on: null }));

function workbook() {
  const cells = (row, r) =>
    row
      .map(
        (value, c) =>
          `<c r="${'ABCDE'[c]}${r + 1}"${typeof value === 'number' ? `><v>${value}</v>` : ` t="inlineStr"><is><t>${value}</t></is>`}</c>`,
      )
      .join('');
  const rows = [['site', 'nitrate', 'taxa'], ...Array.from({ length: 30 }, (_, i) => [`A${i}`, i * 0.3, i % 7])];
  const sheet = `<?xml version="1.0"?><worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>${rows.map((row, r) => `<row r="${r + 1}">${cells(row, r)}</row>`).join('')}</sheetData></worksheet>`;
  const relations = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
  return {
    '[Content_Types].xml':
      '<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/></Types>',
    'xl/workbook.xml': `<?xml version="1.0"?><workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="${relations}"><sheets><sheet name="Data" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${relations}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    'xl/worksheets/sheet1.xml': sheet,
  };
}
const zipped = (files) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, typeof text === 'string' ? bytes(text) : text])));

/** Whole files of every format, by the names under which they are sent. */
const WHOLE = {
  'table.csv': bytes(TABLE),
  'tabs.tsv': bytes(TABLE.replaceAll(',', '\t')),
  'wide.txt': utf16(TABLE),
  'rows.json': bytes(JSON.stringify(OBJECTS)),
  'lines.ndjson': bytes(OBJECTS.map((row) => JSON.stringify(row)).join('\n')),
  'book.xlsx': zipped(workbook()),
  'table.parquet': new Uint8Array(
    parquetWriteBuffer({
      columnData: [
        { name: 'site', data: OBJECTS.map(({ site }) => site), type: 'STRING' },
        { name: 'nitrate', data: OBJECTS.map(({ nitrate }) => nitrate), type: 'DOUBLE' },
        { name: 'taxa', data: OBJECTS.map(({ taxa }) => taxa), type: 'INT32' },
      ],
    }),
  ),
};

const STRANGE = [
  '1e309',
  '-1e-400',
  '99999999999999999999',
  '\u0000',
  '"',
  '""',
  '\r',
  '\n\n\n',
  '\t'.repeat(300),
  '=1+1',
  '🪨',
  '<',
  ']]>',
  '&#0;',
  'ZZZZZZ1',
  'XFD1048576',
  'constructor',
  '__proto__',
  '{'.repeat(2000),
  '['.repeat(2000),
  'x'.repeat(70_000),
];

/** Ways to spoil bytes. */
const SPOILINGS = [
  (data, { below }) => {
    const copy = data.slice();
    for (let i = 0, many = 1 + below(20); i < many; i++) copy[below(copy.length)] ^= 1 << below(8);
    return copy;
  },
  (data, { below }) => data.slice(0, below(data.length)),
  (data, { below }) => data.slice(below(data.length)),
  (data, { below }) => {
    const [from, to] = [below(data.length), below(data.length)].sort((a, b) => a - b);
    return Buffer.concat([data.subarray(0, to), data.subarray(from)]);
  },
  (data, { below }) =>
    Buffer.concat([
      data.subarray(0, data.length / 2),
      Uint8Array.from({ length: 1 + below(400) }, () => below(256)),
      data.subarray(data.length / 2),
    ]),
  (data, { below, pick }) => {
    const at = below(data.length);
    return Buffer.concat([data.subarray(0, at), bytes(pick(STRANGE)), data.subarray(at)]);
  },
];

/** A malformed file: a whole one, spoiled once or more; of a workbook mostly what is packed in it. */
export function malformedFile(random) {
  const name = random.pick(Object.keys(WHOLE));
  const spoil = (data) => {
    let spoiled = data;
    for (let i = 0, times = 1 + random.below(3); i < times; i++) if (spoiled.length > 1) spoiled = random.pick(SPOILINGS)(spoiled, random);
    return new Uint8Array(spoiled);
  };
  if (name === 'book.xlsx' && random.unit() < 0.7) {
    const files = unzipSync(WHOLE[name]);
    const part = random.pick(Object.keys(files));
    return { name, bytes: zipSync({ ...files, [part]: spoil(files[part]) }) };
  }
  return { name, bytes: spoil(WHOLE[name]) };
}
