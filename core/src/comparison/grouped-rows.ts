import { assertSameLength } from '../correlation/options';

/** Complete rows of a pair, by group. */
export interface GroupedRows {
  readonly groups: readonly { readonly label: number; readonly x: Float64Array; readonly y: Float64Array }[];
}

/**
 * Splits a pair by group label; rows with a missing value or label (NaN) are left out. Groups stand in ascending order.
 * @throws {RangeError} columns of unequal length.
 */
export function groupRows(x: Float64Array, y: Float64Array, labels: Float64Array): GroupedRows['groups'] {
  assertSameLength(x, y, labels);
  const rows = new Map<number, number[]>();
  for (let i = 0; i < x.length; i++) {
    if (x[i] !== x[i] || y[i] !== y[i] || labels[i] !== labels[i]) continue;
    const found = rows.get(labels[i]);
    if (found) found.push(i);
    else rows.set(labels[i], [i]);
  }
  return [...rows]
    .sort(([a], [b]) => a - b)
    .map(([label, members]) => ({ label, x: Float64Array.from(members, (i) => x[i]), y: Float64Array.from(members, (i) => y[i]) }));
}
