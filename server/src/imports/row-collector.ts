import type { ImportSettings } from '@ivlen/contract';
import { type BetweenFound, BetweenRows } from './between-rows';
import type { ColumnBuilder } from './column-builder';
import type { Found } from './column-facts';

const HEAD_ROWS = 40;
const TAIL_ROWS = 12;
const RAGGED_NAMED = 5;

/** What the rows of a table come to. */
export interface CollectedRows {
  readonly columns: readonly ColumnBuilder[];
  readonly rows: number;
  /** Trailing rows in which every cell is empty; left out. */
  readonly emptyTail: number;
  readonly head: string[][];
  /** The last rows that are read, without empty ones. */
  readonly tail: string[][];
  readonly short: Found & { width: number };
  readonly long: Found & { width: number; extra: string };
  readonly unclosedQuoteAt: number | null;
  /** Rows between the data that are no cases. */
  readonly between: BetweenFound;
}

/** A row that waits until it is known not to belong to the foot, with the empty rows above it. */
interface WaitingRow {
  readonly cells: string[];
  readonly emptyAbove: number;
}

/** Rows above the data: titles, names and units. */
function rowsAbove({ top, header, nameRows, unitsRow }: ImportSettings): number {
  return top + (header ? nameRows : 0) + (unitsRow ? 1 : 0);
}

/** Takes the rows of a table, names and units first, and hands their cells to the columns. */
export class RowCollector {
  readonly #head: string[][] = [];
  readonly #tail: (() => string[])[] = [];
  readonly #short = { count: 0, rows: [] as number[], width: 0 };
  readonly #long = { count: 0, rows: [] as number[], width: 0, extra: '' };
  readonly #waiting: WaitingRow[] = [];
  readonly #skipped: number;
  #line = 0;
  #rows = 0;
  #emptyRun = 0;
  readonly #between: BetweenRows;

  constructor(
    readonly columns: readonly ColumnBuilder[],
    private readonly width: number,
    private readonly settings: ImportSettings,
    names: readonly string[],
  ) {
    this.#between = new BetweenRows(names);
    this.#skipped = rowsAbove(settings);
  }

  /** Whether the next row is needed as text: it is above the data, or is shown in the preview. */
  get wantsText(): boolean {
    return this.#head.length < HEAD_ROWS;
  }

  readonly add = (cells: string[]): void => {
    if (this.#line++ < this.#skipped) return;
    if (cells.every((cell) => cell === '' || cell.trim() === '')) {
      this.#emptyRun++;
      return;
    }
    const row = { cells, emptyAbove: this.#emptyRun };
    this.#emptyRun = 0;
    if (this.settings.between) {
      this.#between.leaveOut(row.emptyAbove);
      row.emptyAbove = 0;
      if (this.#between.kindOf(() => cells) !== null) {
        this.#between.leaveOut();
        return;
      }
    }
    if (this.settings.foot === 0) this.#release(row);
    else if (this.#waiting.push(row) > this.settings.foot) this.#release(this.#waiting.shift() ?? row);
  };

  /** Begins a row whose cells the caller hands to the columns itself; it must not be empty. */
  begin(cells: () => string[]): void {
    this.#line++;
    const emptyAbove = this.#emptyRun;
    this.#addEmptyRows(emptyAbove);
    this.#emptyRun = 0;
    this.#rows++;
    this.#between.keep(this.#between.kindOf(cells), this.#rows, emptyAbove);
    this.#keep(cells);
  }

  /** Ends a row begun so; cells that it lacks are missing. `extra` is what stands beyond the last column. */
  end(cells: number, extra: () => string): void {
    for (let i = cells; i < this.columns.length; i++) this.columns[i]?.add('');
    this.#noteWidth(cells, extra);
  }

  /** Keeps as texts what the last rows were; to be called while their bytes are still there. */
  settle(): void {
    for (const [i, cells] of this.#tail.entries()) {
      const texts = cells();
      this.#tail[i] = () => texts;
    }
  }

  addEmpty(): void {
    this.#line++;
    this.#emptyRun++;
  }

  finish(unclosedQuote: boolean): CollectedRows {
    for (const column of this.columns) column.finish();
    return {
      columns: this.columns,
      rows: this.#rows,
      emptyTail: this.#emptyRun,
      head: this.#head,
      tail: this.#tail.map((cells) => cells()),
      short: this.#short,
      long: this.#long,
      between: this.#between.found(),
      unclosedQuoteAt: unclosedQuote ? this.#line - this.#skipped : null,
    };
  }

  #release({ cells, emptyAbove }: WaitingRow): void {
    this.#addEmptyRows(emptyAbove);
    this.#addCells(cells);
    this.#between.keep(this.settings.between ? null : this.#between.kindOf(() => cells), this.#rows, emptyAbove);
    this.#keep(() => cells);
  }

  #addEmptyRows(count: number): void {
    for (let i = 0; i < count; i++) this.#addCells(Array.from({ length: this.width }, () => ''));
  }

  #addCells(cells: string[]): void {
    this.#rows++;
    if (this.#head.length < HEAD_ROWS) this.#head.push(cells);
    for (let i = 0; i < this.columns.length; i++) this.columns[i]?.add(cells[i] ?? '');
    this.#noteWidth(cells.length, () => cells.slice(this.width).join(this.settings.separator));
  }

  #keep(cells: () => string[]): void {
    if (this.#tail.push(cells) > TAIL_ROWS) this.#tail.shift();
  }

  #noteWidth(cells: number, extra: () => string): void {
    if (cells < this.width) this.#noteRagged(this.#short, cells);
    else if (cells > this.width && this.#noteRagged(this.#long, cells)) this.#long.extra = extra();
  }

  /** @returns whether this is the first such row. */
  #noteRagged(found: Found & { width: number }, width: number): boolean {
    found.count++;
    if (found.rows.length < RAGGED_NAMED) found.rows.push(this.#rows);
    if (found.count === 1) found.width = width;
    return found.count === 1;
  }
}
