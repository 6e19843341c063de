import type { Categories } from '@ivlen/contract';
import { type Columns, type Table, variableOf } from '../columns/columns';
import type { Connection } from '../database/connect';
import { writtenValue } from './written-value';

const MOST_LISTED = 500;

/** The different values of a variable, with the number of rows of each; texts by the alphabet, numbers by size. */
export async function categoriesOf(db: Connection, columns: Columns, table: Table, id: string): Promise<Categories> {
  const variable = variableOf(table, id);
  const counts = new Map<number, number>();
  for (const value of await columns.values(db, table, id)) {
    if (value !== value) continue;
    counts.set(value, (counts.get(value) ?? 0) + 1);
    if (counts.size > MOST_LISTED) return { categories: null };
  }
  const dictionary = await columns.dictionary(db, table, id);
  const sorted = [...counts].sort(([a], [b]) => a - b);
  const categories = sorted.map(([value, rows]) => ({ text: writtenValue(value, variable, dictionary) ?? '', value, rows }));
  if (variable.storage === 'code') categories.sort((a, b) => a.text.localeCompare(b.text, 'en', { numeric: true }));
  return { categories };
}
