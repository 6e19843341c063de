import { z } from 'zod';
import { numberOrNullSchema, variableIdSchema } from './schemas';
import { waysRequestSchema } from './ways';

/** All ways to a coefficient tested together: one variable shuffled against all other columns, every way computed again. */
export const waysTestRequestSchema = waysRequestSchema.extend({
  kind: z.literal('ways-test'),
  permutations: z.number().int().min(99).max(4999),
  /** The identifier whose cases have several rows: they are shuffled whole; null where rows are cases. */
  casesBy: variableIdSchema.nullable(),
});

export const waysTestResultSchema = z.object({
  kind: z.literal('ways-test'),
  /** |median| of Fisher’s z, and ways with p ≤ α of the commoner sign. */
  median: numberOrNullSchema,
  significant: z.number().int(),
  asExtreme: z.number().int(),
  asMany: z.number().int(),
  medianP: numberOrNullSchema,
  significantP: numberOrNullSchema,
  permutations: z.number().int(),
  seed: z.number().int(),
});
export type WaysTestResult = z.infer<typeof waysTestResultSchema>;
