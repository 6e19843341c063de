import { type ImportSettings, MOST_COLUMNS } from '@ivlen/contract';
import { chooseReading, MOST_EXCEPTIONS } from './choose-reading';
import type { ColumnBlocks } from './column-blocks';
import { ColumnBuilder, type ColumnReading } from './column-builder';
import { decodedPieces } from './decode-text';
import { joinedNames } from './guess-top';
import { createLooseReader } from './loose-number';
import { createNumberReader } from './number-reader';
import { firstRows, parseRows } from './parse-rows';
import { type CollectedRows, RowCollector } from './row-collector';
import type { TableSource } from './table-source';
import { looksLikeUnits } from './units-row';
import { collectUnquoted } from './unquoted-rows';

/** Beyond this share of cells that are none, a column is not read as numbers even where they were asked for. */
const MOST_RESISTING = 0.5;
const SAMPLE_ROWS = 1000;
const SAMPLE_LETTERS = 1024 * 1024;

/** A table as read under given settings, before anything is concluded from it. */
export interface ScannedTable extends CollectedRows {
  /** What stands above the names, a text for each row. */
  readonly titles: string[];
  /** The header's texts; empty strings where there is no header. */
  readonly names: string[];
  /** The texts of the row of units; empty if there is none. */
  readonly units: string[];
  /** Columns in the file; more than the limit are not read. */
  readonly width: number;
}

export interface ScanOptions {
  /** How each column is read, where that is known; else it is found out. */
  readonly readings?: readonly ColumnReading[];
  readonly blocks: (width: number) => ColumnBlocks;
  readonly onBytes: (bytes: number) => void;
}

/** Reads a whole text into typed columns. */
export async function scanTable(source: TableSource, settings: ImportSettings, options: ScanOptions): Promise<ScannedTable> {
  const sample = sampleRows(source, settings);
  const titles = sample.splice(0, settings.top).map((cells) =>
    cells
      .map((cell) => cell.trim())
      .filter((cell) => cell !== '')
      .join(' '),
  );
  const names = settings.header ? joinedNames(sample.splice(0, settings.nameRows)) : [];
  const units = settings.unitsRow ? (sample.shift() ?? []) : [];
  const width = settings.header ? names.length : widest([...sample, units]);
  const kept = Math.min(width, MOST_COLUMNS);
  const blocks = options.blocks(kept);
  const scan = (readings: readonly ColumnReading[]) =>
    scanWith(source, settings, { readings, width, blocks, names, onBytes: options.onBytes });
  const readings = options.readings ?? guessReadings(sample, kept, settings);
  let table = await scan(readings);
  const asText = table.columns.map((column, i) => options.readings === undefined && isText(column, settings.columns[i]));
  if (asText.includes(true)) table = await scan(readings.map((reading, i) => (asText[i] ? { storage: 'code' } : reading)));
  const named = (texts: readonly string[]) => Array.from({ length: kept }, (_, i) => texts[i]?.trim() ?? '');
  return { ...table, titles, names: named(names), units: settings.unitsRow ? named(units) : [], width };
}

/** The first rows of a file, the last of them whole only if the file ends there. */
function sampleRows(source: TableSource, settings: Pick<ImportSettings, 'encoding' | 'separator' | 'quotes'>): string[][] {
  return firstRows(sampleText(source, settings.encoding), settings, SAMPLE_ROWS + 1);
}

/** The beginning of a text, up to the end of a line. */
export function sampleText(source: TableSource, encoding: ImportSettings['encoding']): string {
  let text = '';
  for (const piece of decodedPieces(source, encoding)) {
    text += piece;
    if (text.length >= SAMPLE_LETTERS) {
      const lineEnd = text.lastIndexOf('\n', SAMPLE_LETTERS);
      return lineEnd > 0 ? text.slice(0, lineEnd) : text.slice(0, SAMPLE_LETTERS);
    }
  }
  return text;
}

function widest(rows: readonly (readonly string[])[]): number {
  return rows.reduce((most, row) => Math.max(most, row.length), 0);
}

function guessReadings(sample: readonly string[][], width: number, settings: ImportSettings): ColumnReading[] {
  const typical = sample.length > 1 && looksLikeUnits(sample, createNumberReader(settings)) ? sample.slice(1) : sample;
  return Array.from({ length: width }, (_, i) => readingOf(i, typical, settings));
}

function readingOf(column: number, sample: readonly string[][], settings: ImportSettings): ColumnReading {
  const kind = settings.columns[column]?.kind;
  if (kind === 'nominal' || kind === 'identifier') return { storage: 'code' };
  const missing = new Set(settings.missingCodes);
  const cells = sample.map((row) => row[column]?.trim() ?? '').filter((cell) => cell !== '' && !missing.has(cell));
  const { loose, limits = 'limit' } = settings.columns[column] ?? {};
  if (loose) return { storage: 'number', read: createLooseReader(settings, limits), decimal: writtenMark(settings), limits };
  const numbers = { storage: 'number', read: createNumberReader(settings), decimal: writtenMark(settings) } as const;
  if (kind !== undefined && kind !== 'date') return numbers;
  return chooseReading(cells, numbers);
}

/** The decimal mark that most numbers of the text have. */
function writtenMark({ format, decimal }: ImportSettings): '.' | ',' {
  return format === 'text' ? decimal : '.';
}

/**
 * The sample suggested numbers, but the rest of the column holds mostly other things. Where numbers were asked for, the column
 * is read as such unless hardly any are there.
 */
function isText({ reading, exceptionCount, facts }: ColumnBuilder, correction: ImportSettings['columns'][string] | undefined): boolean {
  const asked = correction?.loose === true || correction?.kind !== undefined;
  return reading.storage !== 'code' && exceptionCount > (facts.present + exceptionCount) * (asked ? MOST_RESISTING : MOST_EXCEPTIONS);
}

interface PassOptions {
  readonly readings: readonly ColumnReading[];
  readonly width: number;
  readonly names: readonly string[];
  readonly blocks: ColumnBlocks;
  readonly onBytes: (bytes: number) => void;
}

async function scanWith(
  source: TableSource,
  settings: ImportSettings,
  { readings, width, names, blocks, onBytes }: PassOptions,
): Promise<Omit<ScannedTable, 'titles' | 'names' | 'units' | 'width'>> {
  const missing = new Set(settings.missingCodes);
  const collector = () =>
    new RowCollector(
      readings.map((reading, i) => new ColumnBuilder(reading, missing, blocks, i)),
      width,
      settings,
      names,
    );
  const plain = collector();
  if (collectUnquoted(source, settings, plain, onBytes)) return plain.finish(false);
  const rows = collector();
  const { unclosedQuote } = await parseRows(decodedPieces(source, settings.encoding, onBytes), settings, (found) =>
    found.forEach(rows.add),
  );
  return rows.finish(unclosedQuote);
}
