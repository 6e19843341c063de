import type { JoinRowsBy } from '@ivlen/contract';

/** "same" keeps what all rows of a group share, and is missing where they differ. */
export type JoinBy = JoinRowsBy | 'same';

/** One value for each group of rows; missing values are passed over, but for the first and the last row, which are taken as they are. */
export function joinRows(values: Float64Array, groups: readonly (readonly number[])[], by: JoinBy): Float64Array {
  return Float64Array.from(groups, (rows) =>
    joined(
      rows.map((row) => values[row] ?? Number.NaN),
      by,
    ),
  );
}

function joined(all: readonly number[], by: JoinBy): number {
  if (by === 'first') return all[0] ?? Number.NaN;
  if (by === 'last') return all.at(-1) ?? Number.NaN;
  const present = all.filter((value) => value === value);
  const [first = Number.NaN] = present;
  switch (by) {
    case 'max':
      return present.reduce((largest, value) => Math.max(largest, value), first);
    case 'min':
      return present.reduce((smallest, value) => Math.min(smallest, value), first);
    case 'same':
      return present.every((value) => value === first) ? first : Number.NaN;
    case 'mean':
      // From the first value, so that equal values have exactly themselves as their mean.
      return first + present.reduce((sum, value) => sum + (value - first), 0) / present.length;
  }
}
