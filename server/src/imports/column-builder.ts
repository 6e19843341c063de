import { type DateReader, detectDateReader } from './date-reader';
import { hasLeadingZero, type NumberReader } from './number-reader';

/** How a column is read: as numbers, as dates, or as text by codes into a dictionary. */
export type ColumnReading = { storage: 'number'; read: NumberReader } | { storage: 'day'; read: DateReader } | { storage: 'code' };

/** Cells of one text that could not be used, and where the first of them stand (row numbers from 1). */
export interface Found {
  count: number;
  rows: number[];
}

/** A share of cells that are not numbers above this makes the column text. */
export const MOST_EXCEPTIONS = 0.2;
const ROWS_NAMED = 5;
const TEXTS_KEPT = 200;

/** Collects the cells of one column, row by row, in typed memory that grows. */
export class ColumnBuilder {
  #values = new Float64Array(1024);
  #codes = new Map<string, number>();
  length = 0;
  present = 0;
  /** Cells of a column of numbers or dates that could not be read, by their text. */
  readonly exceptions = new Map<string, Found>();
  exceptionCount = 0;
  readonly missingCodes = new Map<string, Found>();

  constructor(
    readonly reading: ColumnReading,
    private readonly codesForMissing: ReadonlySet<string>,
  ) {}

  add(cell: string): void {
    const text = cell.trim();
    const missing = this.codesForMissing.has(text);
    if (missing) this.#note(this.missingCodes, text);
    this.#push(missing || text === '' ? Number.NaN : this.#read(text));
  }

  /** Values so far: numbers, days, or codes; NaN is missing. */
  values(length = this.length): Float64Array {
    return this.#values.slice(0, length);
  }

  /** Texts by code; empty for numbers and dates. */
  dictionary(): string[] {
    return [...this.#codes.keys()];
  }

  #read(text: string): number {
    if (this.reading.storage === 'code') return this.#code(text);
    const value = this.reading.read(text);
    if (Number.isFinite(value)) return value;
    this.exceptionCount++;
    this.#note(this.exceptions, text);
    return Number.NaN;
  }

  #code(text: string): number {
    const known = this.#codes.get(text);
    if (known !== undefined) return known;
    const code = this.#codes.size;
    this.#codes.set(text, code);
    return code;
  }

  #push(value: number): void {
    if (this.length === this.#values.length) {
      const larger = new Float64Array(this.length * 2);
      larger.set(this.#values);
      this.#values = larger;
    }
    this.#values[this.length++] = value;
    if (value === value) this.present++;
  }

  #note(found: Map<string, Found>, text: string): void {
    const entry = found.get(text);
    if (entry) {
      entry.count++;
      if (entry.rows.length < ROWS_NAMED) entry.rows.push(this.length + 1);
    } else if (found.size < TEXTS_KEPT) {
      found.set(text, { count: 1, rows: [this.length + 1] });
    }
  }
}

/** Decides from a sample of cells how a column is to be read. */
export function chooseReading(sample: readonly string[], readNumber: NumberReader): ColumnReading {
  if (sample.length === 0) return { storage: 'code' };
  const numbers = sample.filter((text) => !Number.isNaN(readNumber(text)));
  if (numbers.length >= sample.length * (1 - MOST_EXCEPTIONS) && !numbers.some(hasLeadingZero)) {
    return { storage: 'number', read: readNumber };
  }
  const readDate = detectDateReader(sample);
  return readDate ? { storage: 'day', read: readDate } : { storage: 'code' };
}
