import { sortOrder } from '../ranks/sort-order';

/** Rows of a pair in which neither value is missing (NaN); row order is kept. */
export interface CompletePair {
  readonly x: Float64Array;
  readonly y: Float64Array;
}

/**
 * Copies the complete rows of a pair to the front of two buffers.
 * @returns how many rows are complete.
 */
export function gatherCompletePair(x: Float64Array, y: Float64Array, intoX: Float64Array, intoY: Float64Array): number {
  let n = 0;
  for (let i = 0; i < x.length; i++) {
    const a = x[i];
    const b = y[i];
    if (a === a && b === b) {
      intoX[n] = a;
      intoY[n] = b;
      n++;
    }
  }
  return n;
}

/** The complete rows of a pair as new arrays. */
export function completePair(x: Float64Array, y: Float64Array): CompletePair {
  const intoX = new Float64Array(x.length);
  const intoY = new Float64Array(x.length);
  const n = gatherCompletePair(x, y, intoX, intoY);
  return { x: intoX.subarray(0, n), y: intoY.subarray(0, n) };
}

/** The present values of one column, in row order, as a new array. */
export function presentValues(x: Float64Array): Float64Array {
  // A plain loop: `filter` calls back for each value, which takes ten times as long.
  const present = new Float64Array(x.length);
  let n = 0;
  for (let i = 0; i < x.length; i++) if (x[i] === x[i]) present[n++] = x[i];
  return n === x.length ? present : present.slice(0, n);
}

/**
 * The present values in ascending order, as a new array; what is in order already is not sorted again.
 *
 * @example
 * sortedValues(Float64Array.of(3, NaN, 1, 2)); // [1, 2, 3]
 */
export function sortedValues(x: Float64Array): Float64Array {
  const values = presentValues(x);
  for (let i = 1; i < values.length; i++) if (values[i] < values[i - 1]) return inOrder(values);
  return values;
}

function inOrder(values: Float64Array): Float64Array {
  const order = sortOrder(values);
  const sorted = new Float64Array(values.length);
  for (let k = 0; k < order.length; k++) sorted[k] = values[order[k]];
  return sorted;
}

/** Columns cut down to the rows in which none of them is missing. */
export function listwiseColumns(columns: readonly Float64Array[]): Float64Array[] {
  const rows = columns[0]?.length ?? 0;
  const kept = new Uint32Array(rows);
  let n = 0;
  for (let i = 0; i < rows; i++) {
    let complete = true;
    for (const column of columns) if (column[i] !== column[i]) complete = false;
    if (complete) kept[n++] = i;
  }
  return columns.map((column) => {
    const values = new Float64Array(n);
    for (let k = 0; k < n; k++) values[k] = column[kept[k]];
    return values;
  });
}
