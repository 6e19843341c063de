import type { ImportPreview, Variable } from '@ivlen/contract';
import { wholeColumn } from '../imports/column-blocks';
import type { TableValues } from '../imports/study-from-table';
import { limitName } from '../limits/limit-variable';
import { limitCodes, type ToldLimits } from '../limits/told-limits';

/** A waiting file as it comes to a study that is there already. */
export interface IncomingTable extends TableValues {
  readonly preview: ImportPreview;
}

/** A file with a column more for each that told limits, as a study made of it would have one. */
export interface TableWithLimits extends IncomingTable {
  /** What those columns hold, by column. */
  readonly limitColumns: ReadonlyMap<number, ToldLimits>;
}

export function withLimitColumns(table: IncomingTable, variables: readonly Variable[]): TableWithLimits {
  const known = new Set(variables.map(({ name }) => key(name)));
  const columns = [...table.preview.columns];
  const limitColumns = new Map<number, ToldLimits>();
  for (const [at, column] of table.preview.columns.entries()) {
    const limits = table.limits[at] ?? { texts: [], rows: [], codes: [] };
    const name = limitName(column.name);
    // A column that tells none any more says so to the variable that kept them.
    const tells = limits.rows.length > 0 || (known.has(key(name)) && column.storage === 'number');
    if (!tells || columns.some((other) => key(other.name) === key(name))) continue;
    limitColumns.set(columns.length, limits);
    columns.push({ ...column, name, storage: 'code' });
  }
  return { ...table, preview: { ...table.preview, columns }, limitColumns };
}

/** Which column of a file belongs to which variable, by name whatever its case. */
export interface Fit {
  /** Column by variable. */
  readonly columns: ReadonlyMap<string, number>;
  readonly notInFile: string[];
  readonly notInStudy: string[];
}

export function fitColumns({ preview }: Pick<IncomingTable, 'preview'>, variables: readonly Variable[]): Fit {
  const measured = variables.filter(({ derivation }) => derivation === null);
  const wanted = new Map(measured.flatMap(({ id, name, label }) => [[key(label ?? name), id] as const, [key(name), id] as const]));
  const columns = new Map<string, number>();
  const notInStudy: string[] = [];
  for (const [column, { name, leftOut }] of preview.columns.entries()) {
    if (leftOut) continue;
    const id = wanted.get(key(name));
    if (id !== undefined && !columns.has(id)) columns.set(id, column);
    else if (!variables.some((variable) => key(variable.name) === key(name))) notInStudy.push(name);
  }
  return { columns, notInFile: measured.filter(({ id }) => !columns.has(id)).map(({ name }) => name), notInStudy };
}

/** A column of the file in memory; numbers that the file calls missing are missing. */
export function incomingColumn(
  { preview, blocks, dictionaries, limitColumns }: TableWithLimits,
  column: number,
): { values: Float64Array; dictionary: readonly string[] } {
  const limits = limitColumns.get(column);
  if (limits) return { values: limitCodes(limits, preview.rows), dictionary: limits.texts };
  const values = wholeColumn(blocks, column, preview.rows);
  const { storage } = preview.columns[column] ?? { storage: 'code' };
  const codes = new Set(storage === 'number' ? preview.settings.missingCodes.map(Number) : []);
  if (codes.size > 0) for (let row = 0; row < values.length; row++) if (codes.has(values[row] ?? 0)) values[row] = Number.NaN;
  return { values, dictionary: dictionaries[column] ?? [] };
}

function key(name: string): string {
  return name.trim().toLowerCase();
}
