import { z } from 'zod';
import { methodSchema } from '../methods';
import { pairTestSchema } from './pair';
import { alternativeSchema, figureSchema, levelSchema, pairOfSchema, variableIdSchema } from './schemas';

/** The pair in each group of another variable, and whether the groups differ. */
export const byGroupRequestSchema = pairOfSchema.extend({
  kind: z.literal('by-group'),
  by: variableIdSchema,
  method: methodSchema,
  alternative: alternativeSchema,
  level: levelSchema,
});
const withinSchema = z.object({ coefficient: figureSchema, low: figureSchema, high: figureSchema, pValue: figureSchema });

export const byGroupResultSchema = z.object({
  kind: z.literal('by-group'),
  groups: z.array(z.object({ value: z.number(), test: pairTestSchema })),
  /** Over all rows. */
  whole: pairTestSchema,
  /** Within groups, their means taken out. */
  within: withinSchema.extend({
    /** The largest SD of a group over the smallest. */
    spreadRatio: figureSchema,
    /** The weighted mean of the groups' z, where their SDs differ too much for the other; it then decides. */
    meanOfZ: withinSchema.nullable(),
  }),
  /** Whether the groups' population coefficients are equal. */
  homogeneity: z.object({ q: figureSchema, df: z.number(), pValue: figureSchema }),
  reversed: z.boolean(),
  hidden: z.boolean(),
});
export type ByGroupResult = z.infer<typeof byGroupResultSchema>;
