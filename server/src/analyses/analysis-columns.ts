import type { AnalysisRows, StudyState, Variable } from '@ivlen/contract';

/** Parts of the codebook that an analysis may read. */
export type CodebookField = 'kind' | 'derivation' | 'validRange' | 'accepted' | 'detectionLimit' | 'reliability';

/** A variable as far as the analysis looks at it; what it does not look at is null. */
export type VariableFacts = Pick<Variable, 'id' | 'storage'> & {
  readonly kind: Variable['kind'] | null;
  readonly derivation: Variable['derivation'];
  readonly validRange: Variable['validRange'];
  readonly detectionLimit: Variable['detectionLimit'];
  readonly reliability: Variable['reliability'];
};

export interface CodebookFacts {
  /** All variables of the study, in its order. */
  readonly variables: readonly VariableFacts[];
  /** Values found right already. */
  readonly accepted: StudyState['accepted'];
}

/** The columns that an analysis needs, by variable, with how each is stored. */
export interface AnalysisColumns {
  readonly variables: readonly string[];
  /** Only the rows that the analysis is about. */
  readonly values: readonly Float64Array[];
  /** Whether the values are amounts, as opposed to codes or dates. */
  readonly numeric: readonly boolean[];
  /** Row numbers, from 0, of these rows; null for all rows of the study. */
  readonly rows: Uint32Array | null;
  /** How many rows of the study are computed with. */
  readonly rowsInUse: number;
  readonly codebook: CodebookFacts;
  /** Of all rows, for what each is set aside, and which are in the subset; only for analyses that are about all rows. */
  readonly outside?: {
    /** The place of the reason, from 1; 0 for rows that are not set aside. null where none is. */
    readonly aside: Float64Array | null;
    /** null without a subset. */
    readonly inside: Uint8Array | null;
  };
  /** Whether they have been cut down already to the rows that the request is about. */
  readonly restricted?: true;
}

/** The codebook as far as an analysis looks at it. */
export function factsOf(state: Pick<StudyState, 'variables' | 'accepted'>, looksAt: readonly CodebookField[] = []): CodebookFacts {
  const reads = new Set(looksAt);
  return {
    variables: state.variables.map(({ id, storage, kind, derivation, validRange, detectionLimit, reliability }) => ({
      id,
      storage,
      kind: reads.has('kind') ? kind : null,
      derivation: reads.has('derivation') ? derivation : null,
      validRange: reads.has('validRange') ? validRange : null,
      detectionLimit: reads.has('detectionLimit') ? detectionLimit : null,
      reliability: reads.has('reliability') ? reliability : null,
    })),
    accepted: reads.has('accepted') ? state.accepted : [],
  };
}

export function columnOf({ variables, values }: Pick<AnalysisColumns, 'variables' | 'values'>, id: string): Float64Array {
  const column = values[variables.indexOf(id)];
  if (!column) throw new Error(`column ${id} was not loaded for the analysis`);
  return column;
}

/** Number, from 1, of a row given by its place among those of the analysis. */
export function rowNumber({ rows }: Pick<AnalysisColumns, 'rows'>, place: number): number {
  return (rows?.[place] ?? place) + 1;
}

/** Cuts columns down to the rows of one group and those complete for a set. */
export function restrictedTo({ completeFor, group }: AnalysisRows, columns: AnalysisColumns): AnalysisColumns {
  if (columns.restricted || isAllRows({ completeFor, group })) return columns;
  const needed = completeFor.map((id) => columnOf(columns, id));
  const labels = group && columnOf(columns, group.by);
  const all = columns.values[0] ?? new Float64Array(0);
  const places = Uint32Array.from(all.keys()).filter(
    (place) => (!labels || labels[place] === group?.value) && needed.every((column) => column[place] === column[place]),
  );
  return {
    ...columns,
    values: columns.values.map((column) => valuesAt(column, places)),
    rows: places.map((place) => columns.rows?.[place] ?? place),
    restricted: true,
  };
}

/** Whether a request is about all rows in use. */
export function isAllRows({ completeFor, group }: AnalysisRows): boolean {
  return completeFor.length === 0 && group === null;
}

export function valuesAt(values: Float64Array, places: Uint32Array): Float64Array {
  // A plain loop: `from` calls back for each value, which takes ten times as long.
  const found = new Float64Array(places.length);
  for (let i = 0; i < places.length; i++) found[i] = values[places[i] ?? 0] ?? Number.NaN;
  return found;
}

/** Smallest and largest of complete values; none among none. */
export function endsOf(values: Float64Array): { min: number; max: number } | null {
  if (values.length === 0) return null;
  let [min, max] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let i = 0; i < values.length; i++) {
    const value = values[i] ?? 0;
    if (value < min) min = value;
    if (value > max) max = value;
  }
  return { min, max };
}
