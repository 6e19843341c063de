import { type CorrelationSettings, correlationSettingsSchema, type Pinned, type Variable } from '@ivlen/contract';
import { METHOD_NAMES } from '@ivlen/core';
import { z } from 'zod';
import type { Matrix } from '../../../coefficients/matrix';
import { askedMatrix } from '../../../telling/asked-matrix';
import type { Asking } from '../../../telling/asking';
import { namedVariables } from '../../../telling/named-variables';

const withVariables = z.object({ variables: z.array(z.string()).default([]), view: z.string().default('grid') });

/** What was pinned of the Correlations stage: how coefficients are computed, of which variables, and how it was laid out. */
export function pinnedOfCorrelations({ settings, request }: Pinned, asking: Asking) {
  const { variables, view } = withVariables.parse(settings);
  const ids = variables.length > 0 ? variables : request && 'variables' in request ? request.variables : [];
  return { settings: correlationSettingsSchema.parse(settings), variables: namedVariables(asking.study, ids), view };
}

/** The coefficients by all methods there are, whichever were chosen. */
export function askedByEveryMethod(asking: Asking, variables: readonly Variable[], settings: CorrelationSettings): Promise<Matrix> {
  const methods = [...new Set([...settings.methods, ...METHOD_NAMES])];
  return askedMatrix(asking, variables, { ...settings, methods });
}
