import type { Analysis, Variable } from '@ivlen/contract';
import type { Table } from '../columns/columns';
import { moduleOf } from './analyses';
import type { Piece } from './analysis';

const MOST_PIECES = 200_000;

/** Parts of results, in memory, by what they rest on: ticking one more variable computes only its own pairs. */
export class KeptPieces {
  readonly #pieces = new Map<string, Piece>();

  /** The known parts of a request, by the keys that its kind gives them. */
  known(table: Table, analysis: Analysis): ReadonlyMap<string, Piece> {
    const found = new Map<string, Piece>();
    for (const { key, variables } of moduleOf(analysis).pieces?.of(analysis) ?? []) {
      const full = fullKey(table, key, variables);
      const piece = this.#pieces.get(full);
      if (!piece) continue;
      found.set(key, piece);
      // What is used again goes to the end of the line of those to be forgotten.
      this.#pieces.delete(full);
      this.#pieces.set(full, piece);
    }
    return found;
  }

  keep(table: Table, analysis: Analysis, result: Parameters<NonNullable<ReturnType<typeof moduleOf>['pieces']>['from']>[1]): void {
    const { pieces } = moduleOf(analysis);
    if (!pieces) return;
    const found = pieces.from(analysis, result);
    for (const { key, variables } of pieces.of(analysis)) {
      const piece = found.get(key);
      if (piece) this.#pieces.set(fullKey(table, key, variables), piece);
    }
    for (const oldest of this.#pieces.keys()) {
      if (this.#pieces.size <= MOST_PIECES) break;
      this.#pieces.delete(oldest);
    }
  }
}

function fullKey({ study, state }: Table, key: string, variables: readonly string[]): string {
  const version = (id: string) => state.variables.find((item: Variable) => item.id === id)?.version ?? 0;
  return `${study} ${state.inUse?.version ?? ''} ${variables.map((id) => `${id}:${version(id)}`).join(' ')} ${key}`;
}
