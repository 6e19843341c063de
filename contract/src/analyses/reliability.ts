import { z } from 'zod';
import { reliabilityFormSchema } from '../reliability';
import { levelSchema, numberOrNullSchema, pairOfSchema, variableIdSchema } from './schemas';

const estimateSchema = z.object({ value: numberOrNullSchema, low: numberOrNullSchema, high: numberOrNullSchema });

/** How reliable repeated columns are: one of them, and their mean. */
export const reliabilityRequestSchema = z.object({
  kind: z.literal('reliability'),
  columns: z.array(variableIdSchema).min(2).max(20),
  level: levelSchema,
});
export const reliabilityResultSchema = z.object({
  kind: z.literal('reliability'),
  n: z.number().int(),
  forms: z.record(reliabilityFormSchema, estimateSchema),
});
export type ReliabilityResult = z.infer<typeof reliabilityResultSchema>;

/** r without the errors of measurement, by the reliabilities that the codebook gives. */
export const attenuationRequestSchema = pairOfSchema.extend({
  kind: z.literal('attenuation'),
  level: levelSchema,
  replicates: z.number().int().min(99).max(99_999),
  seed: z.number().int().min(0).max(2_147_483_647),
});
export const attenuationResultSchema = z.object({
  kind: z.literal('attenuation'),
  n: z.number().int(),
  observed: numberOrNullSchema,
  /** Of x and of y; 1 where the codebook gives none. */
  reliabilities: z.tuple([numberOrNullSchema, numberOrNullSchema]),
  corrected: numberOrNullSchema,
  low: numberOrNullSchema,
  high: numberOrNullSchema,
  method: z.enum(['known', 'bootstrap']),
  replicates: z.number().int(),
  seed: z.number().int(),
});
export type AttenuationResult = z.infer<typeof attenuationResultSchema>;
