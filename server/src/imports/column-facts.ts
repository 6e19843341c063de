import { SENTINELS } from './missing-codes';

/** Cells of one text that could not be used, and where the first of them stand (row numbers from 1). */
export interface Found {
  count: number;
  rows: number[];
}

/** Different values up to this many are counted while a column is read. */
const MOST_COUNTED = 4096;
const ROWS_NAMED = 5;
const SENTINEL_VALUES: ReadonlySet<number> = new Set(SENTINELS);
const SMALLEST_POSITIVE_SENTINEL = Math.min(...SENTINELS.filter((value) => value > 0));

/** What is known of the present values of a column, gathered as they come. */
export class ColumnFacts {
  present = 0;
  min = Number.POSITIVE_INFINITY;
  max = Number.NEGATIVE_INFINITY;
  sum = 0;
  integers = true;
  /** Numbers that often stand for "no value", with their rows. */
  readonly sentinels = new Map<number, Found>();
  /** Smallest and largest of all the other values. */
  minOther = Number.POSITIVE_INFINITY;
  maxOther = Number.NEGATIVE_INFINITY;
  readonly #different = new Set<number>();

  add(value: number, row: number): void {
    this.present++;
    this.sum += value;
    if (value < this.min) this.min = value;
    if (value > this.max) this.max = value;
    if (this.integers && !Number.isInteger(value)) this.integers = false;
    if (this.#different.size <= MOST_COUNTED) this.#different.add(value);
    if ((value < 0 || value >= SMALLEST_POSITIVE_SENTINEL) && SENTINEL_VALUES.has(value)) this.#noteSentinel(value, row);
    else {
      if (value < this.minOther) this.minOther = value;
      if (value > this.maxOther) this.maxOther = value;
    }
  }

  /** How many different values there are; null if more than were counted. */
  get distinct(): number | null {
    return this.#different.size > MOST_COUNTED ? null : this.#different.size;
  }

  #noteSentinel(value: number, row: number): void {
    const found = this.sentinels.get(value) ?? { count: 0, rows: [] };
    found.count++;
    if (found.rows.length < ROWS_NAMED) found.rows.push(row + 1);
    this.sentinels.set(value, found);
  }
}
