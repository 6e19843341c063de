import { z } from 'zod';
import { methodSchema } from '../methods';
import { figureSchema, howSchema, intervalSchema, pairOfSchema, pMethodSchema, undefinedBecauseSchema } from './schemas';

/** One pair by every method. */
export const pairRequestSchema = howSchema.extend(pairOfSchema.shape).extend({ kind: z.literal('pair') });
export type PairRequest = z.infer<typeof pairRequestSchema>;

export const pairTestSchema = z.object({
  coefficient: figureSchema,
  n: z.number().int(),
  pValue: figureSchema,
  log10P: figureSchema,
  pMethod: pMethodSchema,
  statistic: z.object({ name: z.string(), value: z.number(), df: z.number().optional() }).nullable(),
  interval: intervalSchema.nullable(),
  degenerate: z.boolean(),
  undefinedBecause: undefinedBecauseSchema.nullable(),
});
export type PairTest = z.infer<typeof pairTestSchema>;
const descriptionSchema = z.object({ n: z.number().int(), mean: figureSchema, sd: figureSchema });

export const pairResultSchema = z.object({
  kind: z.literal('pair'),
  n: z.number().int(),
  /** The pair by every method, over the same rows. */
  tests: z.record(methodSchema, pairTestSchema),
  /** Least-squares lines through the same rows: y on x, and x on y for swapped axes. */
  line: z.object({ slope: figureSchema, intercept: figureSchema }),
  swappedLine: z.object({ slope: figureSchema, intercept: figureSchema }),
  /** Mean and SD over the rows of the pair. */
  x: descriptionSchema,
  y: descriptionSchema,
});
export type PairResult = z.infer<typeof pairResultSchema>;
