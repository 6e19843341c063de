import type { ImportPreview, Variable } from '@ivlen/contract';
import { type ColumnBlocks, wholeColumn } from '../imports/column-blocks';

/** A waiting file as it comes to a study that is there already. */
export interface IncomingTable {
  readonly preview: ImportPreview;
  readonly blocks: ColumnBlocks;
  readonly dictionaries: readonly (readonly string[])[];
}

/** Which column of a file belongs to which variable, by name whatever its case. */
export interface Fit {
  /** Column by variable. */
  readonly columns: ReadonlyMap<string, number>;
  readonly notInFile: string[];
  readonly notInStudy: string[];
}

export function fitColumns({ preview }: IncomingTable, variables: readonly Variable[]): Fit {
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
  { preview, blocks, dictionaries }: IncomingTable,
  column: number,
): { values: Float64Array; dictionary: readonly string[] } {
  const values = wholeColumn(blocks, column, preview.rows);
  const { storage } = preview.columns[column] ?? { storage: 'code' };
  const codes = new Set(storage === 'number' ? preview.settings.missingCodes.map(Number) : []);
  if (codes.size > 0) for (let row = 0; row < values.length; row++) if (codes.has(values[row] ?? 0)) values[row] = Number.NaN;
  return { values, dictionary: dictionaries[column] ?? [] };
}

function key(name: string): string {
  return name.trim().toLowerCase();
}
