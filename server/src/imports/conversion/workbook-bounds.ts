import { DomainError } from '../../errors/domain-error';
import { SHEET_AREA, SHEET_COLUMNS, SHEET_ROWS } from '../budgets';

const LETTERS = 26;
const REFERENCE = /<c\b[^>]*?\br="([A-Za-z]+)(\d+)"/g;
const ROW = /<row\b(?:[^>]*?\br="(\d+)")?/g;

/**
 * Looks a sheet over before it is laid out: a reader makes room for all cells up to the last one, however few are filled.
 * @throws {DomainError} 'outside-sheet', 'area-too-large'
 */
export function assertBounded(sheet: string): void {
  let [rows, columns, cells, last] = [0, 0, 0, ''];
  for (const [, letters = '', digits = ''] of sheet.matchAll(REFERENCE)) {
    const [row, column] = [Number(digits), columnNumber(letters) + 1];
    if (!(row >= 1 && row <= SHEET_ROWS && column <= SHEET_COLUMNS)) throw outside(`${letters}${digits}`);
    if (row > rows || column > columns) last = `${letters}${digits}`;
    rows = Math.max(rows, row);
    columns = Math.max(columns, column);
    cells++;
  }
  let named = 0;
  for (const [, digits] of sheet.matchAll(ROW)) {
    named = digits === undefined ? named + 1 : Number(digits);
    if (named > SHEET_ROWS) throw outside(`row ${named}`);
    rows = Math.max(rows, named);
  }
  if (rows * columns > SHEET_AREA) throw tooWide(rows, columns, cells, last);
}

/** "A" is 0, "AA" is 26; too long a name is beyond every sheet. */
export function columnNumber(letters: string): number {
  if (letters.length > 4) return Number.POSITIVE_INFINITY;
  return [...letters.toUpperCase()].reduce((number, letter) => number * LETTERS + letter.charCodeAt(0) - 64, 0) - 1;
}

function outside(where: string): DomainError {
  return new DomainError('outside-sheet', `The workbook has a cell where no sheet has one: ${where.slice(0, 40)}.`, {
    where: where.slice(0, 40),
    hint: 'The file is damaged, or was not made by a spreadsheet. Save the table as CSV and bring that in.',
  });
}

function tooWide(rows: number, columns: number, cells: number, last: string): DomainError {
  const [area, filled] = [rows * columns, cells].map((count) => count.toLocaleString('en-GB'));
  return new DomainError('area-too-large', `The sheet reaches to ${last}: an area of ${area} cells, of which ${filled} are filled.`, {
    where: last,
    hint: 'Delete what stands alone far from the table, or save the table as CSV and bring that in.',
  });
}
