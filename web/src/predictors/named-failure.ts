import type { Variable } from '@ivlen/contract';
import { RequestError } from '../api/client';
import { displayName } from '../study/variable-name';

/** A failure that names a variable by its id, with the name that people know it by. */
export function namedFailure(error: Error, variables: readonly Variable[]): Error {
  if (!(error instanceof RequestError)) return error;
  const variable = variables.find(({ id }) => id === error.where);
  if (!variable) return error;
  const { code, message, hint } = error;
  return new RequestError({ code, message, where: displayName(variable), ...(hint === undefined ? {} : { hint }) });
}
