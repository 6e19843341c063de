import { BLOCK_ROWS, type Cell, type Row, type RowOrder, type Variable } from '@ivlen/contract';
import { CHUNK_ROWS } from '../columns/chunk-codec';
import { selectSlices } from '../columns/column-repository';
import type { Columns, Table } from '../columns/columns';
import type { Connection } from '../database/connect';
import { orderOfRows } from './row-order';
import { writtenValue } from './written-value';

/** One block of the table as it is shown. */
export async function readBlock(
  db: Connection,
  columns: Columns,
  table: Table,
  revision: number,
  { block, ...order }: RowOrder & { block: number },
): Promise<Row[]> {
  const sorted = await orderOfRows(db, columns, table, order);
  const start = block * BLOCK_ROWS;
  const count = Math.max(0, Math.min(BLOCK_ROWS, table.rows - start));
  const rows = sorted ? sorted.subarray(start, start + count) : Uint32Array.from({ length: count }, (_, i) => start + i);
  const read = sorted ? null : await slicesOf(db, columns, table, revision, start, count);
  const shown: Cell[][] = [];
  for (const variable of table.state.variables) shown.push(await shownCells(db, columns, table, variable, rows, read?.get(variable.id)));
  const codes = await columns.reasonCodes(db, table);
  const inSubset = await columns.subsetMask(db, table);
  return Array.from(rows, (row, i) => ({
    number: row + 1,
    setAside: codes?.[row] ?? 0,
    inSubset: inSubset === null || inSubset[row] === 1,
    cells: shown.map((cells) => cells[i] ?? null),
  }));
}

/** Stored values of the block alone: the first rows of a large table must not wait for whole columns. */
async function slicesOf(db: Connection, columns: Columns, { study, state }: Table, revision: number, start: number, count: number) {
  const chunk = Math.floor(start / CHUNK_ROWS);
  const slices = await selectSlices(db, { study, revision }, chunk, start - chunk * CHUNK_ROWS, count);
  for (const variable of state.variables) {
    const values = slices.get(variable.id);
    if (values) await columns.takeMissingCodesOut(db, { study, state, rows: count }, variable, values);
  }
  return slices;
}

async function shownCells(
  db: Connection,
  columns: Columns,
  table: Table,
  variable: Variable,
  rows: Uint32Array,
  slice: Float64Array | undefined,
): Promise<Cell[]> {
  const dictionary = await columns.dictionary(db, table, variable.id);
  const all = slice ?? (await columns.values(db, table, variable.id));
  return Array.from(rows, (row, i) => {
    const value = all[slice ? i : row] ?? Number.NaN;
    if (variable.storage === 'number') return Number.isNaN(value) ? null : value;
    return writtenValue(value, variable, dictionary);
  });
}
