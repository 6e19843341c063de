/** Numbers of the rows, from 0, in which no column is missing; only among `inUse` if given. */
export function usedRows(columns: readonly Float64Array[], inUse?: Float64Array): Uint32Array {
  const length = inUse?.length ?? columns[0]?.length ?? 0;
  const rows = new Uint32Array(length);
  let used = 0;
  for (let i = 0; i < length; i++) {
    const row = inUse ? inUse[i] : i;
    if (row !== undefined && columns.every((column) => column[row] === column[row])) rows[used++] = row;
  }
  return rows.slice(0, used);
}
