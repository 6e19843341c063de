import type { RowOrder } from '@ivlen/contract';
import { type Columns, type Table, variableOf } from '../columns/columns';
import type { Connection } from '../database/connect';

/** The rows in the order in which they are looked at, numbers from 0; null for row order. Missing values come last. */
export async function orderOfRows(
  db: Connection,
  columns: Columns,
  table: Table,
  { sort, descending }: RowOrder,
): Promise<Uint32Array | null> {
  if (sort === undefined) return null;
  const variable = variableOf(table, sort);
  const key = `${table.study}/${sort}/${variable.version}/order/${descending}`;
  return columns.kept(variable.version, key, table.rows * 4, async () => {
    const values = await columns.values(db, table, sort);
    const dictionary = variable.storage === 'code' ? await columns.dictionary(db, table, sort) : null;
    return columns.ordered({ values, dictionary, descending: descending === '1' });
  });
}

/** Where a row stands in an order, from 0. */
export function positionIn(order: Uint32Array | null, row: number): number {
  return order ? order.indexOf(row) : row;
}
