import type { DependentUndefined } from '@ivlen/core';
import { z } from 'zod';
import { methodSchema } from '../methods';
import { intervalSchema, levelSchema, numberOrNullSchema, rowsField, variableIdSchema } from './schemas';

const twoVariablesSchema = z.object({ a: variableIdSchema, b: variableIdSchema });

/** Two coefficients of the same rows, those complete for all their variables: sharing a variable, or not. */
export const dependentRequestSchema = z.object({
  kind: z.literal('dependent'),
  first: twoVariablesSchema,
  second: twoVariablesSchema,
  /** Whether the sign of the second is turned, so that strengths are compared where the signs are opposite. */
  turned: z.boolean().default(false),
  method: methodSchema,
  level: levelSchema,
  ...rowsField,
});

export const dependentTestSchema = z.object({
  by: z.enum(['williams', 'meng', 'steiger', 'dunn-clark']),
  statistic: z.number(),
  df: z.number().nullable(),
  pValue: z.number(),
  log10P: z.number(),
});
export type DependentTest = z.infer<typeof dependentTestSchema>;

export const dependentResultSchema = z.object({
  kind: z.literal('dependent'),
  n: z.number().int(),
  /** The two coefficients; the second turned where that was asked for. */
  first: numberOrNullSchema,
  second: numberOrNullSchema,
  /** Of the variables of one with those of the other. */
  across: z.array(z.object({ a: variableIdSchema, b: variableIdSchema, coefficient: numberOrNullSchema })),
  /** Of the difference, by tests for dependent coefficients; ranks have the interval alone. */
  tests: z.array(dependentTestSchema),
  interval: intervalSchema.nullable(),
  because: (z.enum(['too-few-cases', 'exact', 'impossible']) satisfies z.ZodType<DependentUndefined>).nullable(),
  /** Variables computed from the same source, which ties them together by itself. */
  shared: z.array(z.object({ a: variableIdSchema, b: variableIdSchema, source: variableIdSchema })),
});
export type DependentResult = z.infer<typeof dependentResultSchema>;
