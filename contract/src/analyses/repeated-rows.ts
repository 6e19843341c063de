import { z } from 'zod';
import { alternativeSchema, intervalSchema, levelSchema, numberOrNullSchema, pairOfSchema, variableIdSchema } from './schemas';

/** A pair whose rows belong together by an identifier: inside the cases, between them, and over all rows with cases drawn whole. */
export const repeatedRowsRequestSchema = pairOfSchema.extend({
  kind: z.literal('repeated-rows'),
  /** The identifier that names the cases. */
  by: variableIdSchema,
  alternative: alternativeSchema,
  level: levelSchema,
  replicates: z.number().int().min(99).max(100_000),
  seed: z.number().int().min(0).max(2_147_483_647),
});

export const repeatedRowsResultSchema = z.object({
  kind: z.literal('repeated-rows'),
  n: z.number().int(),
  identifiers: z.number().int(),
  /** Identifiers with two rows or more, and their rows. */
  repeating: z.number().int(),
  repeatedRows: z.number().int(),
  /** r of what is left when each identifier's means are taken out. */
  within: z.object({
    coefficient: numberOrNullSchema,
    df: z.number().int().nullable(),
    pValue: numberOrNullSchema,
    interval: intervalSchema.nullable(),
  }),
  /** Whether the line is equally steep in every identifier. */
  slopes: z.object({ f: numberOrNullSchema, df: z.number(), dfResidual: z.number(), pValue: numberOrNullSchema }),
  /** r of the identifiers' means, weighted by their rows. */
  between: z.object({ coefficient: numberOrNullSchema, df: z.number(), pValue: numberOrNullSchema }),
  /** Over all rows, with intervals from identifiers drawn with all their rows. */
  whole: z.object({
    pearson: z.object({ coefficient: numberOrNullSchema, interval: intervalSchema.nullable() }),
    spearman: z.object({ coefficient: numberOrNullSchema, interval: intervalSchema.nullable() }),
    kendall: z.object({ coefficient: numberOrNullSchema, interval: intervalSchema.nullable() }),
  }),
  replicates: z.number().int(),
  seed: z.number().int(),
});
export type RepeatedRowsResult = z.infer<typeof repeatedRowsResultSchema>;
