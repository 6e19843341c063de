import type { ReactNode } from 'react';
import { type Cell, csvOf } from './csv';

export type Align = 'left' | 'right';

/** One column of a table of values: the screen, copies, files and reports all follow from it. */
export interface TableColumn<Row> {
  readonly name: string;
  /** Where the name on screen needs what stands around it. */
  readonly nameInFile?: string;
  /** As it is read, on screen and where the table is pasted. */
  readonly shown: (row: Row) => string;
  /** With every digit, for files; null where there is none. What is shown, where it is no number. */
  readonly exact?: (row: Row) => Cell;
  /** Numbers, to the right, unless said otherwise; the first column names its row and stands to the left. */
  readonly align?: Align;
  /** Where more than the text is on screen. */
  readonly onScreen?: (row: Row) => ReactNode;
  /** A column of one of them alone: a statistic with its p in one cell is two columns of a file. */
  readonly only?: 'screen' | 'file';
}

/** A table whose first column names each row. */
export interface ValueTable<Row> {
  readonly caption: string;
  readonly columns: readonly TableColumn<Row>[];
  readonly rows: readonly Row[];
  /** What a note under the table says. */
  readonly note?: string;
  readonly isStrong?: (row: Row) => boolean;
}

/** A table of texts, ready to be pasted elsewhere. */
export interface TextTable {
  readonly caption: string;
  readonly head: readonly string[];
  readonly align: readonly Align[];
  /** The first cell of each row names it. */
  readonly rows: readonly (readonly string[])[];
  readonly note?: string;
}

export function alignOf({ align }: Pick<TableColumn<never>, 'align'>, index: number): Align {
  return align ?? (index === 0 ? 'left' : 'right');
}

export function columnsFor<Row>({ columns }: ValueTable<Row>, place: 'screen' | 'file'): readonly TableColumn<Row>[] {
  return columns.filter(({ only }) => only === undefined || only === place);
}

/** The table as it is read. */
export function textTable<Row>(table: ValueTable<Row>): TextTable {
  const columns = columnsFor(table, 'screen');
  return {
    caption: table.caption,
    head: columns.map(({ name }) => name),
    align: columns.map(alignOf),
    rows: table.rows.map((row) => columns.map(({ shown }) => shown(row))),
    ...(table.note ? { note: table.note } : {}),
  };
}

/** The table with every digit, for other programs. */
export function tableCsv<Row>(table: ValueTable<Row>): string {
  const columns = columnsFor(table, 'file');
  return csvOf([
    columns.map(({ name, nameInFile }) => nameInFile ?? name),
    ...table.rows.map((row) => columns.map(({ exact, shown }) => (exact ? exact(row) : shown(row)))),
  ]);
}
