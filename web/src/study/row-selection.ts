import { rowRangesSchema } from '@ivlen/contract';
import { z } from 'zod';

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

const handedOver = z.object({ selected: rowRangesSchema });

/** The rows that another stage handed over with the address; none if it did not. */
export function selectedIn(state: unknown): RowSelection {
  const { data } = handedOver.safeParse(state);
  return new Set(data?.selected.flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, i) => from + i)) ?? []);
}
