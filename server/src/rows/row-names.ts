import type { Columns, Table } from '../columns/columns';
import type { Connection } from '../database/connect';
import { countOf, thousands } from '../phrases/phrases';

const ROWS_NAMED = 5;

/** What the identifier calls each row, counted from 0; null where no single variable identifies the rows, or this one is missing. */
export async function rowNames(db: Connection, columns: Columns, table: Table): Promise<(row: number) => string | null> {
  const [identifier, ...others] = table.state.variables.filter(({ kind }) => kind === 'identifier');
  if (!identifier || others.length > 0) return () => null;
  const values = await columns.values(db, table, identifier.id);
  const dictionary = await columns.dictionary(db, table, identifier.id);
  return (row) => {
    const value = values[row] ?? Number.NaN;
    if (Number.isNaN(value)) return null;
    return identifier.storage === 'code' ? (dictionary[value] ?? null) : String(value);
  };
}

/** "row 74 (AS-031)": a row by its number and, where one variable identifies the rows, by that. Rows count from 0. */
export async function rowInWords(db: Connection, columns: Columns, table: Table, row: number): Promise<string> {
  const name = (await rowNames(db, columns, table))(row);
  return name === null ? `row ${thousands(row + 1)}` : `row ${thousands(row + 1)} (${name})`;
}

/** "rows 3, 7–9 and 12": rows in ranges; beyond a few of them, only their number. Rows count from 0. */
export function rowsInWords(rows: readonly number[]): string {
  const ranges: [number, number][] = [];
  for (const row of rows) {
    const last = ranges.at(-1);
    if (last && last[1] === row - 1) last[1] = row;
    else ranges.push([row, row]);
  }
  if (ranges.length > ROWS_NAMED) return countOf(rows.length, 'row');
  const named = ranges.map(([first, last]) => (first === last ? thousands(first + 1) : `${thousands(first + 1)}–${thousands(last + 1)}`));
  const list = named.length === 1 ? named[0] : `${named.slice(0, -1).join(', ')} and ${named.at(-1)}`;
  return `${rows.length === 1 ? 'row' : 'rows'} ${list}`;
}
