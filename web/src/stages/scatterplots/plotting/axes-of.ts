import { boxSummary } from '@ivlen/core';

export interface Axis {
  /** Smallest and largest value. */
  readonly all: readonly [number, number];
  /** Where the axis may end instead, leaving out the few values that squeeze the rest; null where none do. */
  readonly bulk: { readonly domain: readonly [number, number]; readonly beyond: readonly number[] } | null;
  /** How far points may be moved apart: under half the step between different values; 0 where they need not be. */
  readonly jitter: number;
}

/** Values beyond the outer fences squeeze the rest if it has less than this share of the axis. */
const SQUEEZED = 0.45;
const MOST_BEYOND = 0.01;
/** Variables with up to this many different values have points that lie on each other. */
const FEW_VALUES = 25;
const SHARE_OF_STEP = 0.32;

/** The axis of a column of the rows in use; NaN is missing. */
export function axisOfColumn(column: Float64Array): Axis {
  const present = column.filter((value) => value === value).sort();
  const [low, high] = [present[0], present.at(-1)];
  if (low === undefined || high === undefined) return { all: [0, 1], bulk: null, jitter: 0 };
  // A constant stands in the middle of an axis that still has a length.
  const all = low === high ? ([low - (Math.abs(low) || 1) / 2, high + (Math.abs(high) || 1) / 2] as const) : ([low, high] as const);
  return { all, bulk: bulkOf(present, low, high), jitter: jitterOf(present) };
}

function bulkOf(sorted: Float64Array, low: number, high: number): Axis['bulk'] {
  const {
    q1,
    q3,
    outerFences: [least, most],
  } = boxSummary(sorted);
  if (q1 === q3) return null;
  const isBeyond = (value: number) => value < least || value > most;
  const inside = sorted.filter((value) => !isBeyond(value));
  const beyond = sorted.filter(isBeyond);
  const [from, to] = [inside[0] ?? low, inside.at(-1) ?? high];
  const few = beyond.length > 0 && beyond.length <= Math.max(2, MOST_BEYOND * sorted.length);
  return few && to - from < SQUEEZED * (high - low) ? { domain: [from, to], beyond: [...beyond] } : null;
}

function jitterOf(sorted: Float64Array): number {
  let distinct = 1;
  let step = Number.POSITIVE_INFINITY;
  for (let i = 1; i < sorted.length && distinct <= FEW_VALUES; i++) {
    const gap = (sorted[i] as number) - (sorted[i - 1] as number);
    if (gap > 0) {
      distinct++;
      step = Math.min(step, gap);
    }
  }
  return distinct > 1 && distinct <= FEW_VALUES && distinct < sorted.length ? step * SHARE_OF_STEP : 0;
}
