import { type ImportSettings, MOST_COLUMNS } from '@ivlen/contract';
import { ColumnBuilder, type ColumnReading, chooseReading, type Found, MOST_EXCEPTIONS } from './column-builder';
import { createNumberReader } from './number-reader';
import { firstRows, parseRows } from './parse-rows';

const SAMPLE_ROWS = 1000;
const HEAD_ROWS = 40;
const RAGGED_NAMED = 5;

/** A table as read under given settings, before anything is concluded from it. */
export interface ScannedTable {
  /** The header's texts; empty strings where there is no header. */
  readonly names: string[];
  readonly columns: ColumnBuilder[];
  readonly rows: number;
  /** Trailing rows in which every cell is empty; left out. */
  readonly emptyTail: number;
  readonly head: string[][];
  readonly short: Found & { width: number };
  readonly long: Found & { width: number; extra: string };
  readonly unclosedQuoteAt: number | null;
  /** Columns in the file; more than the limit are not read. */
  readonly width: number;
}

/** Reads the whole text into typed columns. */
export function scanTable(text: string, settings: ImportSettings): ScannedTable {
  const sample = firstRows(text, settings, SAMPLE_ROWS + 1);
  const names = settings.header ? (sample.shift() ?? []) : [];
  const width = settings.header ? names.length : widest(sample);
  const kept = Math.min(width, MOST_COLUMNS);
  const readings = Array.from({ length: kept }, (_, i) => readingOf(i, sample, settings));

  const scan = scanWith(text, settings, readings, width);
  const asText = scan.columns.map(isMostlyText);
  const final = asText.includes(true)
    ? scanWith(
        text,
        settings,
        readings.map((reading, i) => (asText[i] ? { storage: 'code' } : reading)),
        width,
      )
    : scan;
  return { ...final, names: Array.from({ length: kept }, (_, i) => names[i]?.trim() ?? ''), width };
}

function widest(rows: readonly string[][]): number {
  return rows.reduce((most, row) => Math.max(most, row.length), 0);
}

function readingOf(column: number, sample: readonly string[][], settings: ImportSettings): ColumnReading {
  const kind = settings.columns[column]?.kind;
  if (kind === 'nominal' || kind === 'identifier') return { storage: 'code' };
  const missing = new Set(settings.missingCodes);
  const cells = sample.map((row) => row[column]?.trim() ?? '').filter((cell) => cell !== '' && !missing.has(cell));
  const readNumber = createNumberReader(settings);
  if (kind !== undefined && kind !== 'date') return { storage: 'number', read: readNumber };
  return chooseReading(cells, readNumber);
}

/** The sample suggested numbers, but the rest of the column holds mostly other things. */
function isMostlyText(column: ColumnBuilder): boolean {
  const { exceptionCount, present } = column;
  return column.reading.storage !== 'code' && exceptionCount > (present + exceptionCount) * MOST_EXCEPTIONS;
}

function scanWith(
  text: string,
  settings: ImportSettings,
  readings: readonly ColumnReading[],
  width: number,
): Omit<ScannedTable, 'names' | 'width'> {
  const missing = new Set(settings.missingCodes);
  const columns = readings.map((reading) => new ColumnBuilder(reading, missing));
  const head: string[][] = [];
  const short = { count: 0, rows: [] as number[], width: 0 };
  const long = { count: 0, rows: [] as number[], width: 0, extra: '' };
  let rows = 0;
  let lastFilled = 0;

  const { unclosedQuoteAt } = parseRows(text, settings, (cells, line) => {
    if (settings.header && line === 0) return true;
    rows++;
    if (head.length < HEAD_ROWS) head.push([...cells]);
    if (cells.some((cell) => cell.trim() !== '')) lastFilled = rows;
    if (cells.length < width) noteRagged(short, rows, cells.length);
    else if (cells.length > width && noteRagged(long, rows, cells.length)) long.extra = cells.slice(width).join(settings.separator);
    for (let i = 0; i < columns.length; i++) columns[i]?.add(cells[i] ?? '');
    return true;
  });
  const at = unclosedQuoteAt === null ? null : unclosedQuoteAt + (settings.header ? 0 : 1);
  return { columns, rows: lastFilled, emptyTail: rows - lastFilled, head: head.slice(0, lastFilled), short, long, unclosedQuoteAt: at };
}

/** @returns whether this is the first such row. */
function noteRagged(found: Found & { width: number }, row: number, width: number): boolean {
  found.count++;
  if (found.rows.length < RAGGED_NAMED) found.rows.push(row);
  if (found.count === 1) found.width = width;
  return found.count === 1;
}
