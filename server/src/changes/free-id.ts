import type { StudyState } from '@ivlen/contract';

/** An id for a new derived variable, after the revision; in a copy or a study brought back an earlier one may be called so. */
export function freeId({ variables }: Pick<StudyState, 'variables'>, number: number): string {
  const taken = new Set(variables.map(({ id }) => id));
  let id = `d${number}`;
  for (let copy = 2; taken.has(id); copy++) id = `d${number}-${copy}`;
  return id;
}
