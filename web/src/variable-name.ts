import type { Variable } from '@ivlen/contract';

/** A variable's name as people read it: mayfly_taxa is "mayfly taxa". */
export function displayName({ name }: Pick<Variable, 'name'>): string {
  return name.replaceAll('_', ' ');
}
