/** Row numbers that are selected, from 1. */
export type RowSelection = ReadonlySet<number>;

/** Selected rows as ranges, rising. */
export function toRanges(selection: RowSelection): [number, number][] {
  const ranges: [number, number][] = [];
  for (const row of [...selection].sort((a, b) => a - b)) {
    const last = ranges.at(-1);
    if (last && last[1] === row - 1) last[1] = row;
    else ranges.push([row, row]);
  }
  return ranges;
}
