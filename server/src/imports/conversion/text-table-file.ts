import { closeSync, openSync, writeSync } from 'node:fs';
import { CELL_LETTERS } from '../budgets';
import { cellTooLong } from '../cell-too-long';

const FLUSH_LETTERS = 1024 * 1024;
const NEEDS_QUOTES = /["\t\r\n]/;

/** A file of cells apart by tabs, into which other formats are turned before they are read as a table. */
export class TextTableFile {
  readonly #file: number;
  #pending = '';
  #rows = 0;

  constructor(path: string) {
    this.#file = openSync(path, 'w', 0o600);
  }

  /** @throws {DomainError} 'cell-too-long' */
  row(cells: readonly string[]): void {
    this.#rows++;
    for (const [i, cell] of cells.entries()) if (cell.length > CELL_LETTERS) throw cellTooLong(cell.length, this.#rows, i + 1);
    // A row of nothing would be an empty line, which is passed over when it is read.
    const text = cells.map((cell) => (NEEDS_QUOTES.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)).join('\t');
    this.#pending += `${text === '' ? '""' : text}\n`;
    if (this.#pending.length >= FLUSH_LETTERS) this.#flush();
  }

  close(): void {
    this.#flush();
    closeSync(this.#file);
  }

  #flush(): void {
    writeSync(this.#file, this.#pending);
    this.#pending = '';
  }
}

/** A value of another format as the text of a cell; nothing for what is missing. */
export function cellOf(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return Number.isNaN(value.getTime()) ? '' : isoDate(value);
  if (typeof value === 'number') return Number.isNaN(value) ? '' : String(value);
  if (typeof value === 'object') return JSON.stringify(value, (_, inner) => (typeof inner === 'bigint' ? String(inner) : inner));
  return String(value);
}

/** Times come as parts of a day, an hour as 0.041666…: to the second nearest, or 1:00 would be 0:59:59. */
function isoDate(date: Date): string {
  const text = new Date(Math.round(date.getTime() / 1000) * 1000).toISOString();
  return text.endsWith('T00:00:00.000Z') ? text.slice(0, 10) : text.slice(0, 19);
}
