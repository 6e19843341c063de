import type { Method } from '@ivlen/core';
import { type Matrices, sharedColumns } from './matrices';
import { fastest, makeColumns } from './timing';

const METHODS: readonly Method[] = ['pearson', 'spearman', 'kendall'];
const ROWS = [10_000, 20_000, 40_000, 80_000, 160_000, 320_000, 640_000, 1_280_000, 2_000_000];
const COLUMNS = [5, 10, 20, 40, 80];
const COLUMNS_WHILE_ROWS_GROW = 20;
const ROWS_WHILE_COLUMNS_GROW = 100_000;

/** Milliseconds by size. */
export interface Growth {
  readonly columns: number;
  readonly rows: number;
  readonly times: Readonly<Record<Method, number>>;
}

/** How the time of a matrix grows with its rows, and with its columns. */
export async function doublings(matrices: Matrices): Promise<{ readonly byRows: Growth[]; readonly byColumns: Growth[] }> {
  const byRows: Growth[] = [];
  for (const rows of ROWS) byRows.push(await timesOf(matrices, COLUMNS_WHILE_ROWS_GROW, rows));
  const byColumns: Growth[] = [];
  for (const columns of COLUMNS) byColumns.push(await timesOf(matrices, columns, ROWS_WHILE_COLUMNS_GROW));
  return { byRows, byColumns };
}

async function timesOf(matrices: Matrices, columns: number, rows: number): Promise<Growth> {
  const data = sharedColumns(makeColumns(columns, rows, 0));
  const times = { pearson: 0, spearman: 0, kendall: 0 };
  for (const method of METHODS) times[method] = await fastest(() => matrices.compute(method, data));
  console.log(`${columns} × ${rows}:`, METHODS.map((method) => `${method} ${times[method].toFixed(0)}`).join(', '));
  return { columns, rows, times };
}
