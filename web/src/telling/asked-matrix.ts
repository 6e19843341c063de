import type { CorrelationSettings, PairCaution, Variable } from '@ivlen/contract';
import { buildMatrix, type Matrix } from '../coefficients/matrix';
import { matrixRequest } from '../coefficients/requests';
import type { Asking } from './asking';

/** The coefficients among some variables by every method of the settings. @param cautions by pair, where they are wanted */
export async function askedMatrix(
  { study, ask }: Asking,
  variables: readonly Variable[],
  settings: CorrelationSettings,
  cautions?: ReadonlyMap<string, readonly PairCaution[]>,
): Promise<Matrix> {
  const results = await Promise.all(settings.methods.map((method) => ask(matrixRequest(study, variables, settings, method))));
  return buildMatrix(study, variables, results, settings, cautions);
}
