import { z } from 'zod';
import { levelSchema, numberOrNullSchema, pairOfSchema, rowsField, undefinedBecauseSchema, variableIdSchema } from './schemas';

const shuffles = {
  permutations: z.number().int().min(99).max(99_999),
  seed: z.number().int().min(0).max(2_147_483_647),
};

/** Whether anything at all is there between two variables, of whatever form. */
export const dependenceRequestSchema = pairOfSchema.extend({ kind: z.literal('dependence'), ...shuffles });

export const dependenceResultSchema = z.object({
  kind: z.literal('dependence'),
  n: z.number().int(),
  distance: z.object({
    coefficient: numberOrNullSchema,
    corrected: numberOrNullSchema,
    /** Why there is no bias-corrected square, nor a bound by it. */
    correctedUndefined: z.literal('no-distance-variance').nullable(),
    pValue: numberOrNullSchema,
    pMethod: z.enum(['exact', 'permutation', 'bound']),
  }),
  /** ξ, in both directions. */
  ranks: z.object({
    yOnX: numberOrNullSchema,
    xOnY: numberOrNullSchema,
    pValue: numberOrNullSchema,
    pMethod: z.enum(['permutation', 'normal']),
  }),
  /** Of the two together. */
  anyP: numberOrNullSchema,
  undefinedBecause: undefinedBecauseSchema.nullable(),
  ...shuffles,
});
export type DependenceResult = z.infer<typeof dependenceResultSchema>;

/** Pairs among some variables that no straight or monotone coefficient sees. */
export const unseenRequestSchema = z.object({
  kind: z.literal('unseen'),
  variables: z.array(variableIdSchema).min(2).max(60),
  /** Level of decisions. */
  alpha: levelSchema,
  ...shuffles,
  ...rowsField,
});

export const unseenResultSchema = z.object({
  kind: z.literal('unseen'),
  /** How many pairs were looked at. */
  looked: z.number().int(),
  /** Those unseen, the surest first. */
  pairs: z.array(
    z.object({
      x: variableIdSchema,
      y: variableIdSchema,
      n: z.number().int(),
      r: numberOrNullSchema,
      rho: numberOrNullSchema,
      distance: numberOrNullSchema,
      xi: numberOrNullSchema,
      anyP: numberOrNullSchema,
    }),
  ),
  ...shuffles,
});
export type UnseenResult = z.infer<typeof unseenResultSchema>;
