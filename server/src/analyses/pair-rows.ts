import { type AnalysisColumns, columnOf } from './analysis-columns';

interface PairOfRequest {
  readonly x: string;
  readonly y: string;
  readonly completeFor: readonly string[];
  readonly control?: readonly string[];
}

export interface PairRows {
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Of the rows in use, the places of those that the pair uses. */
  readonly places: Uint32Array;
}

/** The rows of a pair that are used: complete for both and for what is held constant, under listwise deletion for the whole set. */
export function pairRows({ x, y, completeFor, control = [] }: PairOfRequest, columns: AnalysisColumns): PairRows {
  const needed = [...new Set([x, y, ...completeFor, ...control])].map((id) => columnOf(columns, id));
  const [first, second] = [columnOf(columns, x), columnOf(columns, y)];
  const places = Uint32Array.from(first.keys()).filter((place) => needed.every((values) => values[place] === values[place]));
  return { x: valuesAt(first, places), y: valuesAt(second, places), places };
}

export function valuesAt(values: Float64Array, places: Uint32Array): Float64Array {
  return Float64Array.from(places, (place) => values[place] ?? Number.NaN);
}

/** Numbers, from 1, of rows in use given by their places. */
export function rowNumber(columns: AnalysisColumns, place: number): number {
  return (columns.rows?.[place] ?? place) + 1;
}
