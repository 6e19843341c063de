import { createHash } from 'node:crypto';

/** How chunks are written: 1 is little-endian float64. */
export const CHUNK_ENCODING = 1;
/** Rows in one stored chunk of a column. */
export const CHUNK_ROWS = 65_536;
const BYTES = Float64Array.BYTES_PER_ELEMENT;

/** One chunk as little-endian float64. */
export function encodeChunk(values: Float64Array): Buffer {
  return Buffer.from(values.slice().buffer);
}

/** SHA-256 of a chunk as it is stored. */
export function checksumOf(chunk: Buffer): Buffer {
  return createHash('sha256').update(chunk).digest();
}

/** The values of one chunk, in memory of their own. */
export function decodeChunk(chunk: Buffer): Float64Array {
  return new Float64Array(new Uint8Array(chunk).buffer);
}

/** A column in memory that worker threads read without a copy. */
export function sharedColumn(rows: number): Float64Array {
  return new Float64Array(new SharedArrayBuffer(rows * BYTES));
}

/**
 * Puts chunks, in order, back into one column.
 * @param rows rows that the column must have
 * @throws {Error} chunks that do not add up to that: stored data are damaged.
 */
export function decodeChunks(chunks: readonly Buffer[], rows: number): Float64Array {
  const column = sharedColumn(rows);
  const bytes = new Uint8Array(column.buffer);
  let at = 0;
  for (const chunk of chunks) {
    if (at + chunk.length > bytes.length) throw new Error(`a stored column is longer than its ${rows} rows`);
    bytes.set(chunk, at);
    at += chunk.length;
  }
  if (at !== bytes.length) throw new Error(`a stored column has ${at / BYTES} rows instead of ${rows}`);
  return column;
}

/** A column in memory, chunk by chunk. */
export function* inChunks(values: Float64Array): Generator<Float64Array> {
  for (let from = 0; from < values.length; from += CHUNK_ROWS) yield values.slice(from, from + CHUNK_ROWS);
}
