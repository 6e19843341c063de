import type { Adjustment } from '@ivlen/core';
import { z } from 'zod';
import { methodSchema } from '../methods';
import { comparedGroupSchema, groupsOfSchema } from './groups';
import { levelSchema, numberOrNullSchema, pairOfSchema } from './schemas';

/** What an opened pair says of the groups besides their coefficients: every two compared, slopes, spreads, means. */
export const subgroupPairRequestSchema = pairOfSchema.extend({
  kind: z.literal('subgroup-pair'),
  groups: groupsOfSchema,
  method: methodSchema,
  level: levelSchema,
  /** How the p-values of every two groups are adjusted for their number. */
  adjust: z.enum(['bonferroni', 'holm', 'hochberg', 'benjamini-hochberg', 'benjamini-yekutieli']) satisfies z.ZodType<Adjustment>,
});

const spreadSchema = z.object({
  n: z.number().int(),
  meanX: numberOrNullSchema,
  meanY: numberOrNullSchema,
  sdX: numberOrNullSchema,
  sdY: numberOrNullSchema,
});

export const subgroupPairResultSchema = z.object({
  kind: z.literal('subgroup-pair'),
  groups: z.array(comparedGroupSchema),
  /** Every two groups, by their places. */
  everyTwo: z.array(
    z.object({
      first: z.number().int(),
      second: z.number().int(),
      difference: numberOrNullSchema,
      low: numberOrNullSchema,
      high: numberOrNullSchema,
      z: numberOrNullSchema,
      cohensQ: numberOrNullSchema,
      pValue: numberOrNullSchema,
      adjustedP: numberOrNullSchema,
    }),
  ),
  /** Lines of y on x. */
  slopes: z.object({
    groups: z.array(
      z.object({
        slope: numberOrNullSchema,
        intercept: numberOrNullSchema,
        low: numberOrNullSchema,
        high: numberOrNullSchema,
      }),
    ),
    common: numberOrNullSchema,
    /** Through all rows, whatever their group. */
    pooled: z.object({ slope: numberOrNullSchema, intercept: numberOrNullSchema }),
    f: numberOrNullSchema,
    df: z.number(),
    dfResidual: z.number(),
    pValue: numberOrNullSchema,
    because: z.enum(['too-few-groups', 'too-few-cases', 'exact-fit']).nullable(),
  }),
  /** Over the rows that the pair has in all groups together. */
  whole: spreadSchema,
  spreads: z.array(spreadSchema),
  /** Of the groups' means, weighted by their rows. */
  between: z.object({ coefficient: numberOrNullSchema, df: z.number(), pValue: numberOrNullSchema }),
});
export type SubgroupPairResult = z.infer<typeof subgroupPairResultSchema>;
