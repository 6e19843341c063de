import {
  type CorrelationSettings,
  correlationSettingsSchema,
  type PairCaution,
  type Pinned,
  pairKey,
  type Variable,
} from '@ivlen/contract';
import { METHOD_NAMES } from '@ivlen/core';
import { z } from 'zod';
import { cautionsRequest } from '../../../coefficients/cautions-request';
import type { Matrix } from '../../../coefficients/matrix';
import { askedMatrix } from '../../../telling/asked-matrix';
import type { Asking } from '../../../telling/asking';
import { groupingOf } from '../../../telling/grouping-of';
import { namedVariables } from '../../../telling/named-variables';

const withVariables = z.object({ variables: z.array(z.string()).default([]), view: z.string().default('grid') });

/** What was pinned of the Correlations stage: how coefficients are computed, of which variables, and how it was laid out. */
export function pinnedOfCorrelations({ settings, request }: Pinned, asking: Asking) {
  const { variables, view } = withVariables.parse(settings);
  const ids = variables.length > 0 ? variables : request && 'variables' in request ? request.variables : [];
  return { settings: correlationSettingsSchema.parse(settings), variables: namedVariables(asking.study, ids), view };
}

/** The coefficients by all methods there are, whichever were chosen. @param cautions by pair, where they are wanted */
export function askedByEveryMethod(
  asking: Asking,
  variables: readonly Variable[],
  settings: CorrelationSettings,
  cautions?: ReadonlyMap<string, readonly PairCaution[]>,
): Promise<Matrix> {
  const methods = [...new Set([...settings.methods, ...METHOD_NAMES])];
  return askedMatrix(asking, variables, { ...settings, methods }, cautions);
}

/** What a reader should know of each pair, by pair; nothing where something is held constant, since then nothing is looked for. */
export async function askedCautions(
  asking: Asking,
  variables: readonly Variable[],
  settings: CorrelationSettings,
): Promise<ReadonlyMap<string, readonly PairCaution[]>> {
  if (settings.control.length > 0) return new Map();
  const [shape, taking] = await Promise.all([asking.settings('shape'), groupingOf(asking)]);
  const { pairs } = await asking.ask(cautionsRequest(asking.study, variables, settings, shape.rule, taking));
  return new Map(pairs.map(({ a, b, cautions }) => [pairKey(a, b), cautions]));
}
