import { type AnalysisColumns, columnOf, valuesAt } from './analysis-columns';

export interface PairRows {
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Of the rows of the analysis, the places of those that the pair uses. */
  readonly places: Uint32Array;
}

/** The rows of a pair that are used: complete for both, and for what is held constant or grouped by. */
export function pairRows({ x, y }: { x: string; y: string }, columns: AnalysisColumns, others: readonly string[] = []): PairRows {
  const needed = [...new Set([x, y, ...others])].map((id) => columnOf(columns, id));
  const [first, second] = [columnOf(columns, x), columnOf(columns, y)];
  const places = Uint32Array.from(first.keys()).filter((place) => needed.every((values) => values[place] === values[place]));
  return { x: valuesAt(first, places), y: valuesAt(second, places), places };
}
