import type { Connection } from '../database/connect';
import { selectColumn } from './column-repository';

const LARGEST_CACHE_BYTES = 512 * 1024 * 1024;

/** Columns of recent revisions in memory; what a revision holds never changes, so that nothing can go stale. */
export class ColumnCache {
  #columns = new Map<string, Promise<Float64Array>>();
  #sizes = new Map<string, number>();

  constructor(private readonly largest = LARGEST_CACHE_BYTES) {}

  get(db: Connection, study: string, revision: number, variable: string, rows: number): Promise<Float64Array> {
    const key = `${study}/${revision}/${variable}`;
    const known = this.#columns.get(key);
    if (known) {
      // Re-inserted last: a Map keeps the order of insertion, so that its first entry is the one longest unused.
      this.#columns.delete(key);
      this.#columns.set(key, known);
      return known;
    }
    const column = selectColumn(db, { study, revision }, variable, rows);
    this.#columns.set(key, column);
    this.#sizes.set(key, rows * Float64Array.BYTES_PER_ELEMENT);
    column.catch(() => this.#forget(key));
    this.#shrink();
    return column;
  }

  #shrink(): void {
    let total = [...this.#sizes.values()].reduce((sum, size) => sum + size, 0);
    for (const key of this.#columns.keys()) {
      if (total <= this.largest || this.#columns.size === 1) return;
      total -= this.#sizes.get(key) ?? 0;
      this.#forget(key);
    }
  }

  #forget(key: string): void {
    this.#columns.delete(key);
    this.#sizes.delete(key);
  }
}
