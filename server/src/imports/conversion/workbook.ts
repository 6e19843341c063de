import { readFileSync } from 'node:fs';
import { zipSync } from 'fflate';
import { readSheet } from 'read-excel-file/node';
import { DomainError } from '../../errors/domain-error';
import { SHEET_BYTES, SHEET_NAME_LETTERS, UNPACKED_BYTES } from '../budgets';
import { unpackInMemory } from '../formats/unpack';
import { calendarDate } from './serial-days';
import { cellOf, TextTableFile } from './text-table-file';
import { assertBounded, columnNumber } from './workbook-bounds';

/** All that a sheet is read from; pictures and the like are left behind. */
const NEEDED =
  /^(\[Content_Types\]\.xml|_rels\/\.rels|xl\/(workbook\.xml|_rels\/workbook\.xml\.rels|sharedStrings\.xml|styles\.xml|worksheets\/[^/]+\.xml))$/;

/** A cell that holds an error instead of a value. */
interface ErrorCell {
  readonly row: number;
  readonly column: number;
  readonly text: string;
}

/**
 * Writes one sheet of a workbook as text.
 * @param wanted name of the sheet; the first one that looks like a table where it is null or gone
 * @throws {DomainError} 'unpacks-too-large', 'damaged-zip', 'no-workbook'
 */
export async function workbookToText(
  path: string,
  textPath: string,
  wanted: string | null,
): Promise<{ sheets: string[]; sheet: string | null }> {
  const bytes = readFileSync(path);
  const parts = unpackInMemory(bytes, (name) => NEEDED.test(name), { most: UNPACKED_BYTES, each: SHEET_BYTES });
  const files = sheetFiles(parts);
  const sheets = [...files.keys()];
  const long = sheets.find((name) => name.length > SHEET_NAME_LETTERS);
  if (long !== undefined) throw nameTooLong(long);
  const sheet = wanted !== null && files.has(wanted) ? wanted : likeliestTable(files, parts);
  if (sheet === undefined) {
    throw new DomainError('no-workbook', 'The file is packed like a workbook, but holds no sheet.', {
      hint: 'Choose a workbook (.xlsx), or a CSV file.',
    });
  }
  const file = files.get(sheet) ?? '';
  const xml = textOf(parts.get(file));
  assertBounded(xml);
  const data = await sheetCells(parts, file, sheet);
  const from1904 = /<workbookPr\b[^>]*\bdate1904="(1|true)"/.test(textOf(parts.get('xl/workbook.xml')));
  const rows: unknown[][] = data.map((row) => row.map((value) => (value instanceof Date ? calendarDate(value, from1904) : value)));
  // The reader passes over cells with errors; written back, they are told like those of a CSV file.
  for (const { row, column, text } of errorCells(xml)) {
    const cells = rows[row];
    if (cells && (cells[column] === null || cells[column] === undefined)) cells[column] = text;
  }
  const text = new TextTableFile(textPath);
  for (const row of rows) text.row(Array.from(row, cellOf));
  text.close();
  return { sheets, sheet };
}

/** A table has several rows of more than one cell, and numbers among them; some of these may stand as texts. */
const [FEWEST_ROWS, FEWEST_NUMBERS] = [3, 3];

/** The first sheet that looks like a table; if none does, the one with the most cells. */
function likeliestTable(files: ReadonlyMap<string, string>, parts: ReadonlyMap<string, Uint8Array>): string | undefined {
  const sizes = [...files].map(([name, file]) => ({ name, ...cellsIn(parts.get(file)) }));
  const table = sizes.find(({ numbers, fullRows }) => numbers >= FEWEST_NUMBERS && fullRows >= FEWEST_ROWS);
  return (table ?? [...sizes].sort((a, b) => b.cells - a.cells)[0])?.name;
}

/** A look at the beginning of a sheet is enough. */
const LETTERS_LOOKED_AT = 400_000;

/** How many cells, how many numbers, and how many rows of more than one cell. */
function cellsIn(sheet: Uint8Array | undefined): { cells: number; numbers: number; fullRows: number } {
  const text = textOf(sheet?.subarray(0, LETTERS_LOOKED_AT));
  const cellsOfRow = new Map<string, number>();
  let [cells, numbers] = [0, 0];
  for (const [, head = '', body = ''] of text.matchAll(/<c\b([^>]*[^/])>((?:(?!<\/c>)[\s\S])*)<\/c>/g)) {
    cells++;
    const [, row = ''] = /\br="[A-Z]+(\d+)"/.exec(head) ?? [];
    cellsOfRow.set(row, (cellsOfRow.get(row) ?? 0) + 1);
    if (!/\bt="(?!n")/.test(head) && /<v>/.test(body)) numbers++;
  }
  return { cells, numbers, fullRows: [...cellsOfRow.values()].filter((count) => count > 1).length };
}

/** Files of the sheets, by the names of the sheets, in their order. */
function sheetFiles(parts: ReadonlyMap<string, Uint8Array>): Map<string, string> {
  const workbook = textOf(parts.get('xl/workbook.xml'));
  const relations = new Map(
    [...textOf(parts.get('xl/_rels/workbook.xml.rels')).matchAll(/<Relationship\b[^>]*>/g)].map(([tag]) => [
      attribute(tag, 'Id'),
      attribute(tag, 'Target'),
    ]),
  );
  return new Map(
    [...workbook.matchAll(/<sheet\b[^>]*>/g)].map(([tag]) => {
      const target = relations.get(attribute(tag, 'r:id')) ?? '';
      return [attribute(tag, 'name'), target.startsWith('/') ? target.slice(1) : `xl/${target}`];
    }),
  );
}

function textOf(bytes: Uint8Array | undefined): string {
  return bytes ? new TextDecoder().decode(bytes) : '';
}

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };

function attribute(tag: string, name: string): string {
  const text = new RegExp(`\\b${name}="([^"]*)"`).exec(tag)?.[1] ?? '';
  return text.replace(/&(amp|lt|gt|quot|apos);/g, (_, entity: string) => ENTITIES[entity] ?? '');
}

function* errorCells(sheet: string): Generator<ErrorCell> {
  for (const [, head = '', body = ''] of sheet.matchAll(/<c\b([^>]*\bt="e"[^>]*)>((?:(?!<\/c>)[\s\S])*)<\/c>/g)) {
    const [, letters, row] = /\br="([A-Z]+)(\d+)"/.exec(head) ?? [];
    const text = /<v>([^<]*)<\/v>/.exec(body)?.[1];
    if (letters && row && text) yield { row: Number(row) - 1, column: columnNumber(letters), text };
  }
}

/** What a reader makes of one sheet; the others are not handed to it. @throws {DomainError} 'damaged-workbook' */
async function sheetCells(parts: ReadonlyMap<string, Uint8Array>, file: string, sheet: string): Promise<readonly (readonly unknown[])[]> {
  const needed = [...parts].filter(([name]) => !name.startsWith('xl/worksheets/') || name === file);
  try {
    return await readSheet(Buffer.from(zipSync(Object.fromEntries(needed), { level: 0 })), sheet);
  } catch (error) {
    throw new DomainError('damaged-workbook', `The sheet “${sheet}” of the workbook cannot be read.`, {
      ...(error instanceof Error && error.message ? { where: error.message.slice(0, 200) } : {}),
      hint: 'Open it in the spreadsheet it came from and save it anew, or save the sheet as CSV and bring that in.',
    });
  }
}

function nameTooLong(name: string): DomainError {
  return new DomainError('damaged-workbook', `A sheet of the workbook has a name of ${name.length.toLocaleString('en-GB')} letters.`, {
    where: `${name.slice(0, 40)} …`,
    hint: `Give it one of at most ${SHEET_NAME_LETTERS} letters, and bring it in again.`,
  });
}
