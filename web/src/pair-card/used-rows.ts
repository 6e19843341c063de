/** Numbers of the rows, from 0, in which no column is missing. */
export function usedRows(columns: readonly Float64Array[]): Uint32Array {
  const length = columns[0]?.length ?? 0;
  const rows = new Uint32Array(length);
  let used = 0;
  for (let row = 0; row < length; row++) {
    if (columns.every((column) => column[row] === column[row])) rows[used++] = row;
  }
  return rows.slice(0, used);
}
