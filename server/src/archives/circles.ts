import { sourcesOf, type Variable } from '@ivlen/contract';

/** The name of a variable that is computed from one that is not there; null if none is. */
export function orphanAmong(variables: readonly Pick<Variable, 'id' | 'name' | 'derivation'>[]): string | null {
  const known = new Set(variables.map(({ id }) => id));
  const orphan = variables.find(({ derivation }) => derivation && sourcesOf(derivation).some((source) => !known.has(source)));
  return orphan?.name ?? null;
}

/** The name of a variable that is computed from itself, through others or at once; null if none is. */
export function circleAmong(variables: readonly Pick<Variable, 'id' | 'name' | 'derivation'>[]): string | null {
  const sources = new Map(variables.map(({ id, derivation }) => [id, derivation ? sourcesOf(derivation) : []]));
  const settled = new Set<string>();
  for (let known = -1; known < settled.size; ) {
    known = settled.size;
    for (const [id, from] of sources) if (from.every((source) => settled.has(source) || !sources.has(source))) settled.add(id);
  }
  return variables.find(({ id }) => !settled.has(id))?.name ?? null;
}
