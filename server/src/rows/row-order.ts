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
    const dictionary = await columns.dictionary(db, table, sort);
    return sortedRows(variable.storage === 'code' ? alphabetical(values, dictionary) : values, descending === '1');
  });
}

/** Codes replaced by the place of their text in the alphabet. */
function alphabetical(codes: Float64Array, dictionary: readonly string[]): Float64Array {
  const { compare } = new Intl.Collator('en', { numeric: true });
  const places = new Float64Array(dictionary.length);
  [...dictionary.keys()]
    .sort((a, b) => compare(dictionary[a] ?? '', dictionary[b] ?? ''))
    .forEach((code, place) => {
      places[code] = place;
    });
  return codes.map((code) => (code === code ? (places[code] ?? Number.NaN) : code));
}

function sortedRows(values: Float64Array, descending: boolean): Uint32Array {
  const sign = descending ? -1 : 1;
  return Uint32Array.from(values.keys()).sort((a, b) => {
    const [x, y] = [values[a] ?? Number.NaN, values[b] ?? Number.NaN];
    if (x !== x || y !== y) return x === x ? -1 : y === y ? 1 : a - b;
    return x === y ? a - b : sign * (x < y ? -1 : 1);
  });
}

/** Where a row stands in an order, from 0. */
export function positionIn(order: Uint32Array | null, row: number): number {
  return order ? order.indexOf(row) : row;
}
