import type { ColumnBuilder } from './column-builder';

export type StatisticName = 'mean' | 'sum' | 'sd' | 'se' | 'variance' | 'median' | 'min' | 'max' | 'n';

/** What a column comes to without the last rows of its table. */
export type StatisticsAbove = Readonly<Record<StatisticName, number>> & {
  /** Whether it holds numbers that vary, and enough of them. */
  readonly usable: boolean;
};

const FEWEST_ABOVE = 3;
const NOTHING: StatisticsAbove = {
  usable: false,
  mean: Number.NaN,
  sum: Number.NaN,
  sd: Number.NaN,
  se: Number.NaN,
  variance: Number.NaN,
  median: Number.NaN,
  min: Number.NaN,
  max: Number.NaN,
  n: 0,
};

/**
 * Sum and mean without some rows, from what was gathered while the column was read; the SD is not known, and taken from the
 * range so that it is not too small.
 * @param below the numbers of those rows
 */
export function countWithout({ reading, facts }: ColumnBuilder, index: number, below: readonly (readonly number[])[]): StatisticsAbove {
  if (reading.storage !== 'number' || !(facts.max > facts.min)) return NOTHING;
  const removed = presentOf(index, below);
  const n = facts.present - removed.length;
  if (n < FEWEST_ABOVE) return NOTHING;
  const sum = removed.reduce((rest, value) => rest - value, facts.sum);
  return { ...NOTHING, usable: true, n, sum, mean: sum / n, sd: facts.max - facts.min };
}

/** All statistics without some rows, from the values themselves. */
export function statisticsOf(column: ColumnBuilder, index: number, below: readonly (readonly number[])[]): StatisticsAbove {
  const quick = countWithout(column, index, below);
  if (!quick.usable) return quick;
  const removed = presentOf(index, below).length;
  const present = column.values().filter((value) => value === value);
  const values = present.subarray(0, present.length - removed);
  const n = values.length;
  const sum = values.reduce((total, value) => total + value, 0);
  const mean = sum / n;
  const variance = values.reduce((total, value) => total + (value - mean) ** 2, 0) / (n - 1);
  const sd = Math.sqrt(variance);
  const sorted = values.slice().sort();
  const median = ((sorted[(n - 1) >> 1] ?? 0) + (sorted[n >> 1] ?? 0)) / 2;
  return {
    usable: sd > 0,
    n,
    sum,
    mean,
    sd,
    variance,
    se: sd / Math.sqrt(n),
    median,
    min: sorted[0] ?? Number.NaN,
    max: sorted[n - 1] ?? Number.NaN,
  };
}

function presentOf(index: number, below: readonly (readonly number[])[]): number[] {
  return below.map((numbers) => numbers[index] ?? Number.NaN).filter((value) => value === value);
}
