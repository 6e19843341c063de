import type { LimitReading } from '@ivlen/contract';
import { LimitCollector } from '../limits/told-limits';
import { CELL_LETTERS } from './budgets';
import { cellTooLong } from './cell-too-long';
import { BLOCK_ROWS, type ColumnBlocks, wholeColumn } from './column-blocks';
import { ColumnFacts, type Found } from './column-facts';
import type { DateReader } from './date-reader';
import { isLimit } from './loose-number';
import type { NumberReader } from './number-reader';
import { readDigits } from './read-digits';

/** How a column is read: as numbers, as dates, or as text by codes into a dictionary. */
export type ColumnReading =
  | {
      storage: 'number';
      read: NumberReader;
      decimal: '.' | ',';
      /** Where numbers are read out of what stands around them: what limits such as "<0.5" are read as. */
      limits?: LimitReading;
    }
  | { storage: 'day'; read: DateReader }
  | { storage: 'code' };

const ROWS_NAMED = 5;
const TEXTS_KEPT = 200;

/** Collects the cells of one column, row by row; full blocks go to the store. */
export class ColumnBuilder {
  readonly facts = new ColumnFacts();
  /** Cells of a column of numbers or dates that could not be read, by their text. */
  readonly exceptions = new Map<string, Found>();
  exceptionCount = 0;
  readonly missingCodes = new Map<string, Found>();
  /** Cells that tell a limit only, by their text. */
  readonly limits = new Map<string, Found>();
  /** The same, of every row. */
  readonly toldLimits = new LimitCollector();
  length = 0;
  readonly #block = new Float64Array(BLOCK_ROWS);
  readonly #codes = new Map<string, number>();
  /** Character code of the decimal mark, where most cells can be read fast; −1 where none can. */
  readonly #mark: number;

  constructor(
    readonly reading: ColumnReading,
    private readonly codesForMissing: ReadonlySet<string>,
    private readonly blocks: ColumnBlocks,
    private readonly column: number,
  ) {
    const readsFast = reading.storage === 'number' && ![...codesForMissing].some((code) => /\d/.test(code));
    this.#mark = readsFast && reading.storage === 'number' ? reading.decimal.charCodeAt(0) : -1;
  }

  add(cell: string): void {
    const fast = this.#mark >= 0 ? readDigits(cell, this.#mark) : Number.NaN;
    if (fast === fast) this.addNumber(fast);
    else {
      if (cell.length > CELL_LETTERS) throw cellTooLong(cell.length, this.length + 1, this.column + 1);
      this.#addText(cell.trim());
    }
  }

  /** Whether a cell of nothing but digits is the number that it seems to be, and no code for missing. */
  get readsDigits(): boolean {
    return this.#mark >= 0;
  }

  addNumber(value: number): void {
    this.facts.add(value);
    this.#push(value);
  }

  /** Writes what is left; to be called once after the last row. */
  finish(): void {
    const rest = this.length % BLOCK_ROWS;
    if (rest > 0) this.blocks.write(this.column, Math.floor(this.length / BLOCK_ROWS), this.#block.subarray(0, rest));
  }

  /** All values: numbers, days, or codes; NaN is missing. */
  values(): Float64Array {
    return wholeColumn(this.blocks, this.column, this.length);
  }

  /** Texts by code; empty for numbers and dates. */
  dictionary(): string[] {
    return [...this.#codes.keys()];
  }

  /** A missing-value code that is a number is kept as such, so that the code can be corrected later. */
  #missingAs(text: string): number {
    const { reading } = this;
    const value = reading.storage === 'number' ? reading.read(text) : Number.NaN;
    return Number.isFinite(value) ? value : Number.NaN;
  }

  #addText(text: string): void {
    if (this.codesForMissing.has(text)) {
      this.#note(this.missingCodes, text);
      this.#push(this.#missingAs(text));
      return;
    }
    const value = text === '' ? Number.NaN : this.#read(text);
    if (value === value) this.facts.add(value);
    this.#push(value);
  }

  #read(text: string): number {
    if (this.reading.storage === 'code') return this.#code(text);
    const value = this.reading.read(text);
    if (this.reading.storage === 'number' && this.reading.limits && isLimit(text) && Number.isFinite(value)) {
      this.#note(this.limits, text);
      this.toldLimits.add(this.length, detached(text));
      return this.reading.limits === 'missing' ? Number.NaN : value;
    }
    if (Number.isFinite(value)) return value;
    this.exceptionCount++;
    this.#note(this.exceptions, text);
    return Number.NaN;
  }

  #code(text: string): number {
    const known = this.#codes.get(text);
    if (known !== undefined) return known;
    const code = this.#codes.size;
    this.#codes.set(detached(text), code);
    return code;
  }

  #push(value: number): void {
    this.#block[this.length++ % BLOCK_ROWS] = value;
    if (this.length % BLOCK_ROWS === 0) this.blocks.write(this.column, this.length / BLOCK_ROWS - 1, this.#block);
  }

  #note(found: Map<string, Found>, text: string): void {
    const entry = found.get(text);
    if (entry) {
      entry.count++;
      if (entry.rows.length < ROWS_NAMED) entry.rows.push(this.length + 1);
    } else if (found.size < TEXTS_KEPT) {
      found.set(detached(text), { count: 1, rows: [this.length + 1] });
    }
  }
}

/** A cell as a string of its own: one cut from a piece of the file would keep the whole piece in memory. */
function detached(text: string): string {
  return Buffer.from(text).toString();
}
