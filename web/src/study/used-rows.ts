/** Numbers of the rows, from 0, in which no column is missing; only among `inUse` if given. @param all rows there are, where no column tells */
export function usedRows(columns: readonly Float64Array[], inUse?: Float64Array, all = 0): Uint32Array {
  const length = inUse?.length ?? columns[0]?.length ?? all;
  const rows = new Uint32Array(length);
  let used = 0;
  for (let i = 0; i < length; i++) {
    const row = inUse ? inUse[i] : i;
    if (row !== undefined && columns.every((column) => column[row] === column[row])) rows[used++] = row;
  }
  return rows.slice(0, used);
}
