import { z } from 'zod';
import { intervalSchema, levelSchema, numberOrNullSchema, pairOfSchema } from './schemas';

/** What the line of y on x says of one place along x. */
export const predictionRequestSchema = pairOfSchema.extend({ kind: z.literal('prediction'), level: levelSchema, at: z.number() });
export const predictionResultSchema = z.object({
  kind: z.literal('prediction'),
  n: z.number().int(),
  df: z.number(),
  at: z.number(),
  value: numberOrNullSchema,
  /** Where the mean of all cases of this x lies; null where nothing tells. */
  mean: intervalSchema.nullable(),
  /** Where one new case of this x lies. */
  newCase: intervalSchema.nullable(),
  xMin: numberOrNullSchema,
  xMax: numberOrNullSchema,
  /** Whether the place lies outside the rows' range of x. */
  outside: z.boolean(),
});
export type PredictionResult = z.infer<typeof predictionResultSchema>;
