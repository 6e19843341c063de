import type { CorrelationResult } from '@ivlen/contract';

/** The distinct pairs of a matrix, counted. */
export interface Tally {
  /** Pairs that have a coefficient. */
  readonly pairs: number;
  readonly marked: number;
  /** How many would be marked by chance, to one decimal. */
  readonly expected: string;
  readonly fewest: number;
  readonly most: number;
  readonly without: number;
}

/** @param level the largest level of the marks */
export function tally({ variables, pValue, n }: CorrelationResult, level: number): Tally {
  const size = variables.length;
  const below = Array.from({ length: size * size }, (_, at) => at).filter((at) => at % size < Math.floor(at / size));
  const counts = below.map((at) => n[at] ?? 0);
  const tested = below.map((at) => pValue[at] ?? null).filter((p) => p !== null);
  return {
    pairs: tested.length,
    marked: tested.filter((p) => p <= level).length,
    expected: (tested.length * level).toFixed(1),
    fewest: Math.min(...counts),
    most: Math.max(...counts),
    without: below.length - tested.length,
  };
}
