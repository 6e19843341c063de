import { closeSync, openSync, writeSync } from 'node:fs';
import type { Variable } from '@ivlen/contract';
import { type ColumnSource, parquetWriteBuffer, type SchemaElement } from 'hyparquet-writer';
import { createCellWriter, type ExportTable, rowCount } from './export-table';

/** Writes a table as Parquet: float64, UTF-8 text, and dates, all of them optional. */
export function writeParquet(path: string, table: ExportTable, labels: boolean): void {
  const total = rowCount(table);
  const columns = table.variables.map((variable, i) => {
    const asText = variable.storage === 'code' || (labels && Object.keys(variable.valueLabels).length > 0);
    const write = createCellWriter(variable, table.dictionaries[i] ?? [], labels);
    const data = Array.from({ length: total }, (_, at) => {
      const value = table.columns[i]?.[table.rows ? (table.rows[at] ?? 0) : at] ?? Number.NaN;
      if (value !== value) return null;
      return asText ? write(value) : variable.storage === 'day' ? new Date(value * 86_400_000) : value;
    });
    return { source: { name: variable.name, data } satisfies ColumnSource, element: elementOf(variable, asText) };
  });
  const bytes = parquetWriteBuffer({
    columnData: columns.map(({ source }) => source),
    schema: [{ name: 'rows', num_children: columns.length }, ...columns.map(({ element }) => element)],
  });
  const file = openSync(path, 'w', 0o600);
  writeSync(file, new Uint8Array(bytes));
  closeSync(file);
}

function elementOf({ name, storage }: Variable, asText: boolean): SchemaElement {
  const optional = { name, repetition_type: 'OPTIONAL' } as const;
  if (asText) return { ...optional, type: 'BYTE_ARRAY', converted_type: 'UTF8' };
  return storage === 'day' ? { ...optional, type: 'INT32', converted_type: 'DATE' } : { ...optional, type: 'DOUBLE' };
}
