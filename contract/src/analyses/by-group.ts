import { z } from 'zod';
import { methodSchema } from '../methods';
import { pairTestSchema } from './pair';
import { alternativeSchema, levelSchema, numberOrNullSchema, pairOfSchema, variableIdSchema } from './schemas';

/** The pair in each group of another variable, and whether the groups differ. */
export const byGroupRequestSchema = pairOfSchema.extend({
  kind: z.literal('by-group'),
  by: variableIdSchema,
  method: methodSchema,
  alternative: alternativeSchema,
  level: levelSchema,
});
const withinSchema = z.object({
  coefficient: numberOrNullSchema,
  low: numberOrNullSchema,
  high: numberOrNullSchema,
  pValue: numberOrNullSchema,
});

export const byGroupResultSchema = z.object({
  kind: z.literal('by-group'),
  groups: z.array(z.object({ value: z.number(), test: pairTestSchema })),
  /** Over all rows. */
  whole: pairTestSchema,
  /** Within groups, their means taken out. */
  within: withinSchema.extend({
    /** The largest SD of a group over the smallest. */
    spreadRatio: numberOrNullSchema,
    /** The weighted mean of the groups' z, where their SDs differ too much for the other; it then decides. */
    meanOfZ: withinSchema.nullable(),
  }),
  /** Whether the groups' population coefficients are equal. */
  homogeneity: z.object({ q: numberOrNullSchema, df: z.number(), pValue: numberOrNullSchema }),
  reversed: z.boolean(),
  hidden: z.boolean(),
});
export type ByGroupResult = z.infer<typeof byGroupResultSchema>;
