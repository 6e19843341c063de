/** Cells of one text that could not be used, and where the first of them stand (row numbers from 1). */
export interface Found {
  count: number;
  rows: number[];
}

/** Different values up to this many are counted while a column is read. */
const MOST_COUNTED = 4096;

/** What is known of the present values of a column, gathered as they come. */
export class ColumnFacts {
  present = 0;
  min = Number.POSITIVE_INFINITY;
  max = Number.NEGATIVE_INFINITY;
  sum = 0;
  integers = true;
  /** Whether each value is one more than the one before it. */
  running = true;
  #last = Number.NaN;
  readonly #different = new Set<number>();

  add(value: number): void {
    this.present++;
    if (this.present > 1 && value !== this.#last + 1) this.running = false;
    this.#last = value;
    this.sum += value;
    if (value < this.min) this.min = value;
    if (value > this.max) this.max = value;
    if (this.integers && !Number.isInteger(value)) this.integers = false;
    if (this.#different.size <= MOST_COUNTED) this.#different.add(value);
  }

  /** How many different values there are; null if more than were counted. */
  get distinct(): number | null {
    return this.#different.size > MOST_COUNTED ? null : this.#different.size;
  }
}
