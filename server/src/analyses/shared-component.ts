import { sourcesOf, type Variable } from '@ivlen/contract';
import type { SharedComponent } from '@ivlen/core';
import { type AnalysisColumns, columnOf, type VariableFacts } from './analysis-columns';

type Derived = Pick<VariableFacts, 'id' | 'derivation'>;

/** The measured variables that derived ones are computed from, in the end. */
export function componentVariables(ids: readonly string[], all: readonly Variable[]): Variable[] {
  const byId = new Map(all.map((variable) => [variable.id, variable]));
  const leaves = new Set(ids.filter((id) => byId.get(id)?.derivation).flatMap((id) => [...leavesOf(id, byId)]));
  return all.filter(({ id, storage }) => leaves.has(id) && storage === 'number');
}

/**
 * What two variables are computed from in common: held constant, or, where one of them is the component itself, replaced by
 * what else the other is made of. undefined where they share nothing.
 */
export function sharedComponent(a: string, b: string, columns: AnalysisColumns): SharedComponent | undefined {
  const { first, second, common } = leavesOfBoth(a, b, columns);
  if (common.length === 0) return undefined;
  const column = (id: string) => (columns.variables.includes(id) ? columnOf(columns, id) : null);
  if (common.includes(a)) return remainingPart(column(a), only(second, a), (rest, own) => ({ x: own, y: rest }));
  if (common.includes(b)) return remainingPart(column(b), only(first, b), (rest, own) => ({ x: rest, y: own }));
  const held = common.map(column);
  return held.every((values) => values !== null) ? { kind: 'constant', columns: held } : { kind: 'inseparable' };

  function remainingPart(
    own: Float64Array | null,
    rest: string | null,
    placed: (rest: Float64Array, own: Float64Array) => { x: Float64Array; y: Float64Array },
  ): SharedComponent {
    const values = rest === null ? null : column(rest);
    return own && values ? { kind: 'remaining', ...placed(values, own) } : { kind: 'inseparable' };
  }
}

/** The measured variables that both are computed from, in the end; one of the two itself, where the other is made of it. */
export function commonSources(a: string, b: string, columns: Pick<AnalysisColumns, 'codebook'>): string[] {
  return leavesOfBoth(a, b, columns).common;
}

function leavesOfBoth(a: string, b: string, { codebook }: Pick<AnalysisColumns, 'codebook'>) {
  const byId = new Map(codebook.variables.map((variable) => [variable.id, variable]));
  const [first, second] = [leavesOf(a, byId), leavesOf(b, byId)];
  return { first, second, common: [...first].filter((id) => second.has(id)) };
}

/** The single one besides `id`; null for none or several. */
function only(leaves: ReadonlySet<string>, id: string): string | null {
  const others = [...leaves].filter((leaf) => leaf !== id);
  return others.length === 1 ? (others[0] ?? null) : null;
}

/** A measured variable itself; of a derived one all measured ones behind it. */
function leavesOf(id: string, byId: ReadonlyMap<string, Derived>, found = new Set<string>(), seen = new Set<string>()): Set<string> {
  if (seen.has(id)) return found;
  seen.add(id);
  const derivation = byId.get(id)?.derivation;
  if (!derivation) found.add(id);
  else for (const source of sourcesOf(derivation)) leavesOf(source, byId, found, seen);
  return found;
}
