import { z } from 'zod';
import { methodSchema } from '../methods';
import { takenRemedySchema } from '../remedies';
import { howSchema, intervalSchema, numberOrNullSchema, pairOfSchema, pMethodSchema, undefinedBecauseSchema } from './schemas';

/** One pair by every method. */
export const pairRequestSchema = howSchema.extend(pairOfSchema.shape).extend({
  kind: z.literal('pair'),
  /** What was decided for the pair; a coefficient that it does not fit stays as it is. */
  remedy: takenRemedySchema.nullable().default(null),
});
export type PairRequest = z.infer<typeof pairRequestSchema>;

export const pairTestSchema = z.object({
  coefficient: numberOrNullSchema,
  n: z.number().int(),
  pValue: numberOrNullSchema,
  log10P: numberOrNullSchema,
  pMethod: pMethodSchema,
  statistic: z.object({ name: z.string(), value: z.number(), df: z.number().optional() }).nullable(),
  interval: intervalSchema.nullable(),
  degenerate: z.boolean(),
  undefinedBecause: undefinedBecauseSchema.nullable(),
});
export type PairTest = z.infer<typeof pairTestSchema>;
const descriptionSchema = z.object({ n: z.number().int(), mean: numberOrNullSchema, sd: numberOrNullSchema });

export const pairResultSchema = z.object({
  kind: z.literal('pair'),
  n: z.number().int(),
  /** The pair by every method, over the same rows. */
  tests: z.record(methodSchema, pairTestSchema),
  /** The coefficients that the remedy was carried out on, as they were without it. */
  without: z.partialRecord(methodSchema, pairTestSchema).default({}),
  /** Least-squares lines through the same rows: y on x, and x on y for swapped axes. */
  line: z.object({ slope: numberOrNullSchema, intercept: numberOrNullSchema }),
  swappedLine: z.object({ slope: numberOrNullSchema, intercept: numberOrNullSchema }),
  /** Mean and SD over the rows of the pair. */
  x: descriptionSchema,
  y: descriptionSchema,
});
export type PairResult = z.infer<typeof pairResultSchema>;
