import { tableCsv, textTable, type ValueTable } from '../tables/columns';
import type { ToldTable } from './told';

/** A table of values as papers print it, with all its digits in a file beside it. */
export function journalTable<Row>(table: ValueTable<Row>): ToldTable {
  return { ...textTable(table), csv: tableCsv(table) };
}
