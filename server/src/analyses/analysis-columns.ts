import type { StudyState } from '@ivlen/contract';

/** The columns that an analysis needs, only the rows in use, by variable, with how each is stored. */
export interface AnalysisColumns {
  readonly variables: readonly string[];
  readonly values: readonly Float64Array[];
  /** Whether the values are amounts, as opposed to codes or dates. */
  readonly numeric: readonly boolean[];
  /** Row numbers from 0 of the rows in use; null for all. */
  readonly rows: Uint32Array | null;
  /** The codebook, and what was said of single values. */
  readonly state: Pick<StudyState, 'variables' | 'accepted'>;
}

export function columnOf({ variables, values }: AnalysisColumns, id: string): Float64Array {
  const column = values[variables.indexOf(id)];
  if (!column) throw new Error(`column ${id} was not loaded for the analysis`);
  return column;
}
