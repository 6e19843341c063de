import type { ImportSettings } from '@ivlen/contract';
import { memoryBlocks, wholeColumn } from './column-blocks';
import { type ReadTable, readTable } from './read-table';
import { memorySource } from './table-source';

/** A table of moderate size, with its columns in memory. */
export interface TableInMemory extends ReadTable {
  readonly columns: readonly Float64Array[];
}

/** Reads bytes of text as a table. @throws {DomainError} as `readTable` */
export async function readBytes(bytes: Uint8Array, settings: ImportSettings | null): Promise<TableInMemory> {
  const blocks = memoryBlocks();
  const table = await readTable(memorySource(bytes), settings, { blocks: () => blocks, onBytes: () => {} });
  return { ...table, columns: table.preview.columns.map((_, i) => wholeColumn(blocks, i, table.preview.rows)) };
}
