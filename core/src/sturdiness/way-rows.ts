/** Rows as a list of numbers from 0, and a key that tells one list from another. */
export interface RowList {
  readonly rows: Uint32Array;
  readonly key: string;
}

/** Rows that a mask takes and in which no column is missing. */
export function rowsWith(mask: Uint8Array, columns: readonly Float64Array[]): RowList {
  const kept = new Uint32Array(mask.length);
  let n = 0;
  // Two multiplicative hashes of 32 bits (Knuth 1998, section 6.4): lists that differ share both hardly ever.
  let [a, b] = [n, ~n];
  for (let row = 0; row < mask.length; row++) {
    if (mask[row] === 0) continue;
    let complete = true;
    for (let c = 0; c < columns.length; c++) if (columns[c][row] !== columns[c][row]) complete = false;
    if (!complete) continue;
    kept[n++] = row;
    a = Math.imul(a ^ row, 0x9e3779b1);
    b = Math.imul(b + row, 0x85ebca6b) ^ (b >>> 15);
  }
  return { rows: kept.slice(0, n), key: `${n}.${a}.${b}` };
}

/** Rows that a mask takes and in which at least one of the columns is there. */
export function rowsWithAny(mask: Uint8Array, columns: readonly Float64Array[]): RowList {
  const any = Float64Array.from(mask, (_, row) => (columns.some((column) => column[row] === column[row]) ? 1 : Number.NaN));
  return rowsWith(mask, [any]);
}

export function takeRows(column: Float64Array, rows: Uint32Array): Float64Array {
  const taken = new Float64Array(rows.length);
  for (let k = 0; k < rows.length; k++) taken[k] = column[rows[k]];
  return taken;
}
