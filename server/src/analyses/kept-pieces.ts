import type { Analysis, AnalysisResult } from '@ivlen/contract';
import type { Table } from '../columns/columns';
import { moduleOf } from './analyses';
import { NO_PIECES, type Pieces } from './analysis';
import { factsOf, type VariableFacts } from './analysis-columns';

const MOST_PIECES = 200_000;
/** What is kept of one piece: its fields in the order of their names. */
type Kept = readonly unknown[];

/** Parts of results, in memory, by what they rest on: ticking one more variable computes only its own pairs. */
export class KeptPieces {
  readonly #pieces = new Map<string, Kept>();
  /** Names of the fields, by kind of analysis. */
  readonly #fields = new Map<string, readonly string[]>();

  /** The known parts of a request. */
  known(table: Table, analysis: Analysis): Pieces {
    const names = this.#fields.get(analysis.kind);
    if (!names) return NO_PIECES;
    const places: number[] = [];
    const fields = names.map((): unknown[] => []);
    keysOf(table, analysis).forEach((key, place) => {
      const piece = this.#pieces.get(key);
      if (!piece) return;
      places.push(place);
      piece.forEach((value, k) => void fields[k]?.push(value));
      // What is used again goes to the end of the line of those to be forgotten.
      this.#pieces.delete(key);
      this.#pieces.set(key, piece);
    });
    return { places, fields: Object.fromEntries(names.map((name, k) => [name, fields[k] ?? []])) };
  }

  keep(table: Table, analysis: Analysis, result: AnalysisResult): void {
    const { pieces } = moduleOf(analysis);
    if (!pieces) return;
    const { places, fields } = pieces.from(analysis, result);
    this.#fields.set(analysis.kind, Object.keys(fields));
    const keys = keysOf(table, analysis);
    const values = Object.values(fields);
    places.forEach(
      (place, k) =>
        void this.#pieces.set(
          keys[place] ?? '',
          values.map((field) => field[k]),
        ),
    );
    for (const oldest of this.#pieces.keys()) {
      if (this.#pieces.size <= MOST_PIECES) break;
      this.#pieces.delete(oldest);
    }
  }
}

/** What each part rests on: its own key, the rows in use, the versions of its variables, and what its kind looks at of them. */
function keysOf({ study, state }: Table, analysis: Analysis): string[] {
  const { looksAt } = moduleOf(analysis);
  const facts = looksAt ? new Map(factsOf(state, looksAt).variables.map((fact) => [fact.id, inShort(fact)])) : null;
  const versions = new Map(state.variables.map(({ id, version }) => [id, `${version}${facts?.get(id) ?? ''}`]));
  const rows = `${study} ${state.inUse?.version ?? ''}`;
  const keys = moduleOf(analysis).pieces?.of(analysis) ?? [];
  return keys.map(({ key, variables }) => `${rows} ${variables.map((id) => `${id}:${versions.get(id) ?? 0}`).join(' ')} ${key}`);
}

/** Parts of the same result from two sources. */
export function joinPieces(...sources: readonly Pieces[]): Pieces {
  const some = sources.filter(({ places }) => places.length > 0);
  const names = Object.keys(some[0]?.fields ?? {});
  return {
    places: some.flatMap(({ places }) => places),
    fields: Object.fromEntries(names.map((name) => [name, some.flatMap(({ fields }) => fields[name] ?? [])])),
  };
}

/** What is known of a variable, told apart from anything else that is. */
function inShort({ kind, derivation, validRange, detectionLimit, reliability }: VariableFacts): string {
  return [kind, derivation, validRange, detectionLimit, reliability].map((fact) => (fact === null ? '' : JSON.stringify(fact))).join(';');
}
