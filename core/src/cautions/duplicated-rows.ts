/**
 * Groups of rows that are equal in every column, missing cells included; only groups of two and more, in row order.
 *
 * @example
 * duplicatedRows([Float64Array.of(1, 2, 1), Float64Array.of(5, 6, 5)]); // [[0, 2]]
 */
export function duplicatedRows(columns: readonly Float64Array[]): number[][] {
  const rows = columns[0]?.length ?? 0;
  const hashes = new Map<number, number[]>();
  for (const [row, hash] of rowHashes(columns, rows).entries()) {
    const known = hashes.get(hash);
    if (known) known.push(row);
    else hashes.set(hash, [row]);
  }
  const groups: number[][] = [];
  for (const candidates of hashes.values())
    if (candidates.length > 1) for (const group of equalAmong(candidates, columns)) groups.push(group);
  return groups.sort((a, b) => a[0] - b[0]);
}

/** Equal rows have equal hashes; the others mostly not. */
function rowHashes(columns: readonly Float64Array[], rows: number): Uint32Array {
  const hashes = new Uint32Array(rows).fill(2166136261);
  const bits = new DataView(new ArrayBuffer(8));
  for (const column of columns) {
    for (let row = 0; row < rows; row++) {
      bits.setFloat64(0, column[row] + 0);
      const halves = bits.getUint32(0) ^ Math.imul(bits.getUint32(4), 2654435761);
      hashes[row] = Math.imul(hashes[row] ^ halves, 16777619) ^ (hashes[row] >>> 15);
    }
  }
  return hashes;
}

function equalAmong(candidates: readonly number[], columns: readonly Float64Array[]): number[][] {
  const groups: number[][] = [];
  for (const row of candidates) {
    const group = groups.find(([first]) =>
      columns.every((column) => column[row] === column[first] || (column[row] !== column[row] && column[first] !== column[first])),
    );
    if (group) group.push(row);
    else groups.push([row]);
  }
  return groups.filter((group) => group.length > 1);
}
