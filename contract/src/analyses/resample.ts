import { z } from 'zod';
import { methodSchema } from '../methods';
import { alternativeSchema, intervalSchema, levelSchema, numberOrNullSchema, pairOfSchema } from './schemas';

/** Bootstrap interval or permutation test of a pair. */
export const resampleRequestSchema = pairOfSchema.extend({
  kind: z.literal('resample'),
  what: z.enum(['bootstrap', 'permutation']),
  method: methodSchema,
  times: z.number().int().min(99).max(1_000_000),
  seed: z.number().int().min(0).max(2_147_483_647),
  level: levelSchema,
  alternative: alternativeSchema,
});
export const resampleResultSchema = z.object({
  kind: z.literal('resample'),
  what: z.enum(['bootstrap', 'permutation']),
  coefficient: numberOrNullSchema,
  n: z.number().int(),
  times: z.number().int(),
  seed: z.number().int(),
  interval: intervalSchema.nullable(),
  /** Which bootstrap interval it became. */
  intervalKind: z.enum(['percentile', 'bca']).nullable(),
  pValue: numberOrNullSchema,
  asExtreme: z.number().int().nullable(),
});
export type ResampleResult = z.infer<typeof resampleResultSchema>;
