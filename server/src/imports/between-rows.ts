import { isCalledSo } from './foot-rows';

/** Rows are looked at one by one up to here; tables that people lay out in blocks are not longer. */
const MOST_LOOKED_AT = 20_000;
const ROWS_NAMED = 5;
const FEWEST_NAMES = 2;

/** What rows between the data are that are no cases. */
export interface BetweenFound {
  /** Rows in which the names stand once more, the first of them by number. */
  readonly names: { count: number; rows: number[] };
  /** Rows that are called a total, a mean or the like. */
  readonly statistics: { count: number; rows: number[] };
  /** Rows without any value. */
  readonly empty: number;
  /** How many were left out. */
  readonly leftOut: number;
}

/** Finds rows between the data that are no cases: those at the end are the foot's, and are not counted here. */
export class BetweenRows {
  readonly #names: readonly string[];
  readonly #found = { names: { count: 0, rows: [] as number[] }, statistics: { count: 0, rows: [] as number[] }, empty: 0, leftOut: 0 };
  #pending: { kind: 'names' | 'statistics'; row: number }[] = [];
  #looked = 0;

  constructor(names: readonly string[]) {
    this.#names = names.map(plain);
  }

  /** What a row is that is no case; null for data. @param cells asked for only where rows are still looked at */
  kindOf(cells: () => readonly string[]): 'names' | 'statistics' | null {
    if (this.#looked++ >= MOST_LOOKED_AT) return null;
    const texts = cells();
    if (this.#repeatsNames(texts)) return 'names';
    return isCalledSo(texts) ? 'statistics' : null;
  }

  /** A row that is kept, by its number among the data. */
  keep(kind: 'names' | 'statistics' | null, row: number, emptyAbove: number): void {
    this.#found.empty += emptyAbove;
    if (kind) {
      this.#pending.push({ kind, row });
      return;
    }
    for (const { kind: of, row: at } of this.#pending) {
      const found = this.#found[of];
      found.count++;
      if (found.rows.length < ROWS_NAMED) found.rows.push(at);
    }
    this.#pending = [];
  }

  leaveOut(count = 1): void {
    this.#found.leftOut += count;
  }

  found(): BetweenFound {
    return this.#found;
  }

  #repeatsNames(cells: readonly string[]): boolean {
    if (this.#names.length < FEWEST_NAMES) return false;
    let same = 0;
    for (const [i, cell] of cells.entries()) {
      const text = plain(cell);
      if (text === '') continue;
      if (text !== this.#names[i]) return false;
      same++;
    }
    return same >= FEWEST_NAMES;
  }
}

function plain(text: string): string {
  return text.trim().toLowerCase();
}
