import type { Study, Variable } from '@ivlen/contract';

/** What was pinned is about a variable that is no longer in the study. */
export class GoneError extends Error {
  constructor(readonly ids: readonly string[]) {
    super('A variable of this is no longer in the study.');
    this.name = 'GoneError';
  }
}

/** The variables with these ids, in the same order. @throws {GoneError} where one is no longer there */
export function namedVariables({ state }: Pick<Study, 'state'>, ids: readonly string[]): Variable[] {
  const found = ids.map((id) => state.variables.find((variable) => variable.id === id));
  const gone = ids.filter((_, i) => found[i] === undefined);
  if (gone.length > 0) throw new GoneError(gone);
  return found.filter((variable) => variable !== undefined);
}
