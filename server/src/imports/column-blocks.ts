import { closeSync, openSync, readSync, writeSync } from 'node:fs';

/** Rows that a column holds in memory while it is read; the rest is in its store. */
export const BLOCK_ROWS = 4096;
const BLOCK_BYTES = BLOCK_ROWS * Float64Array.BYTES_PER_ELEMENT;

/** Where the values of columns go while a table is read: blocks of rows, each column's apart. */
export interface ColumnBlocks {
  write(column: number, block: number, values: Float64Array): void;
  read(column: number, block: number): Float64Array;
}

/** Blocks in a file, so that memory does not grow with the table. */
export interface BlocksFile extends ColumnBlocks {
  close(): void;
}

/** @param width columns of the table, which place the blocks in the file */
export function openBlocksFile(path: string, width: number, mode: 'r' | 'w+'): BlocksFile {
  const file = openSync(path, mode, 0o600);
  const place = (column: number, block: number) => (block * width + column) * BLOCK_BYTES;
  return {
    write(column, block, values) {
      const bytes = new Uint8Array(values.buffer, values.byteOffset, values.byteLength);
      writeSync(file, bytes, 0, bytes.length, place(column, block));
    },
    read(column, block) {
      const bytes = new Uint8Array(BLOCK_BYTES);
      readSync(file, bytes, 0, BLOCK_BYTES, place(column, block));
      return new Float64Array(bytes.buffer);
    },
    close: () => closeSync(file),
  };
}

export function memoryBlocks(): ColumnBlocks {
  const blocks = new Map<string, Float64Array>();
  return {
    write: (column, block, values) => void blocks.set(`${column} ${block}`, values.slice()),
    read: (column, block) => blocks.get(`${column} ${block}`) ?? new Float64Array(0),
  };
}

/** Stretches of a column of a multiple of the block size, in order. */
export function* stretches(blocks: ColumnBlocks, column: number, rows: number, size: number): Generator<Float64Array> {
  for (let start = 0; start < rows; start += size) {
    const stretch = new Float64Array(Math.min(size, rows - start));
    for (let at = 0; at < stretch.length; at += BLOCK_ROWS) {
      const block = blocks.read(column, (start + at) / BLOCK_ROWS);
      stretch.set(block.subarray(0, stretch.length - at), at);
    }
    yield stretch;
  }
}

/** A whole column in memory. */
export function wholeColumn(blocks: ColumnBlocks, column: number, rows: number): Float64Array {
  return (
    stretches(blocks, column, rows, Math.max(BLOCK_ROWS, Math.ceil(rows / BLOCK_ROWS) * BLOCK_ROWS)).next().value ?? new Float64Array(0)
  );
}
