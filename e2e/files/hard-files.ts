import { strToU8, zipSync } from 'fflate';

const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const SHEET = '<?xml version="1.0"?><worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>';

/** A workbook of one sheet: the least that the standard (ECMA-376) asks for. */
function workbook(rows: Uint8Array): Buffer {
  const files = {
    '[Content_Types].xml': strToU8(
      '<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/></Types>',
    ),
    'xl/workbook.xml': strToU8(
      `<?xml version="1.0"?><workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="${RELATIONS}"><sheets><sheet name="Data" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    ),
    'xl/_rels/workbook.xml.rels': strToU8(
      `<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${RELATIONS}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    ),
    'xl/worksheets/sheet1.xml': Buffer.concat([strToU8(SHEET), rows, strToU8('</sheetData></worksheet>')]),
  };
  return Buffer.from(zipSync(files, { level: 1 }));
}

/** Files that once took the server down or kept it from answering, each made when it is asked for. */
export const HARD_FILES: Readonly<Record<string, () => Buffer>> = {
  'a cell far beyond the last column.xlsx': () => workbook(strToU8('<row r="1"><c r="A1"><v>1</v></c><c r="ZZZZZZ1"><v>2</v></c></row>')),
  'two cells in opposite corners.xlsx': () =>
    workbook(strToU8('<row r="1"><c r="A1"><v>1</v></c></row><row r="1048576"><c r="XFD1048576"><v>2</v></c></row>')),
  'a blank sheet of 390 MB.xlsx': () => workbook(Buffer.alloc(390_000_000, '<row/>')),
  'keys of their own in every row.json': () =>
    Buffer.from(
      JSON.stringify(Array.from({ length: 3000 }, (_, i) => Object.fromEntries(Array.from({ length: 10 }, (_, k) => [`k${i}_${k}`, 1])))),
    ),
  'a cell of 60 MB.csv': () => Buffer.concat([Buffer.from('a,b\n1,"'), Buffer.alloc(60_000_000, 'x'), Buffer.from('"\n2,3\n')]),
  'a line of 150 MB.csv': () => Buffer.concat([Buffer.from('a,b\n1,2\n'), Buffer.alloc(150_000_000, 'x,')]),
};
