import { z } from 'zod';
import { numberOrNullSchema, variableIdSchema } from './schemas';

/** Most variables whose means and covariances are estimated together. */
export const MOST_WITH_GAPS = 30;

/** What missing values may do: means, SDs and Pearson's r by what is there, by complete rows, and by maximum likelihood. */
export const gapsRequestSchema = z.object({
  kind: z.literal('gaps'),
  variables: z.array(variableIdSchema).min(2).max(MOST_WITH_GAPS),
});

export const gapsResultSchema = z.object({
  kind: z.literal('gaps'),
  /** Rows with any of the values, and those with all. */
  n: z.number().int(),
  completeRows: z.number().int(),
  iterations: z.number().int(),
  converged: z.boolean(),
  /** Little's test of values missing completely at random. */
  little: z.object({ statistic: numberOrNullSchema, df: z.number().int(), pValue: numberOrNullSchema, patterns: z.number().int() }),
  variables: z.array(
    z.object({
      id: variableIdSchema,
      n: z.number().int(),
      mean: numberOrNullSchema,
      sd: numberOrNullSchema,
      likelyMean: numberOrNullSchema,
      /** With divisor n − 1, so that without gaps it is the SD. */
      likelySd: numberOrNullSchema,
    }),
  ),
  /** Every two, in the order of the variables. */
  pairs: z.array(
    z.object({
      a: variableIdSchema,
      b: variableIdSchema,
      pairwise: numberOrNullSchema,
      pairwiseN: z.number().int(),
      listwise: numberOrNullSchema,
      likely: numberOrNullSchema,
      likelyLow: numberOrNullSchema,
      likelyHigh: numberOrNullSchema,
      likelyP: numberOrNullSchema,
      /** How far the three coefficients are apart, of those that there are. */
      apart: numberOrNullSchema,
    }),
  ),
});
export type GapsResult = z.infer<typeof gapsResultSchema>;
