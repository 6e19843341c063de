/** Rows in one stored chunk of a column. */
const CHUNK_ROWS = 65_536;
const BYTES = Float64Array.BYTES_PER_ELEMENT;

/** A column cut into chunks of little-endian float64. */
export function encodeChunks(values: Float64Array): Buffer[] {
  const chunks: Buffer[] = [];
  for (let start = 0; start < values.length; start += CHUNK_ROWS) {
    const part = values.slice(start, start + CHUNK_ROWS);
    chunks.push(Buffer.from(part.buffer));
  }
  return chunks;
}

/**
 * Puts chunks, in order, back into one column.
 * @param rows rows that the column must have
 * @throws {Error} chunks that do not add up to that: stored data are damaged.
 */
export function decodeChunks(chunks: readonly Buffer[], rows: number): Float64Array {
  // Shared, so that worker threads read the column without a copy.
  const bytes = new Uint8Array(new SharedArrayBuffer(rows * BYTES));
  let at = 0;
  for (const chunk of chunks) {
    if (at + chunk.length > bytes.length) throw new Error(`a stored column is longer than its ${rows} rows`);
    bytes.set(chunk, at);
    at += chunk.length;
  }
  if (at !== bytes.length) throw new Error(`a stored column has ${at / BYTES} rows instead of ${rows}`);
  return new Float64Array(bytes.buffer);
}
