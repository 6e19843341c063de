import { z } from 'zod';
import { numberOrNullSchema, rowsField, variableIdSchema } from './schemas';

/** Joint normality of some variables over the rows that are complete for the whole set. */
export const jointRequestSchema = z.object({
  kind: z.literal('joint'),
  variables: z.array(variableIdSchema).min(1).max(60),
  /** Complete for the whole set: one left out must be compared on the same rows. */
  ...rowsField,
  /** Whether distances and rows are wanted besides the tests. */
  distances: z.boolean(),
});

const testSchema = z.object({
  statistic: numberOrNullSchema,
  df: numberOrNullSchema,
  pValue: numberOrNullSchema,
  log10P: numberOrNullSchema,
});
export type JointTest = z.infer<typeof testSchema>;

export const jointResultSchema = z.object({
  kind: z.literal('joint'),
  variables: z.array(variableIdSchema),
  /** Complete rows, and rows in use that lack a value of the set. */
  n: z.number().int(),
  incomplete: z.number().int(),
  undefinedBecause: z.enum(['too-few-cases', 'too-many-cases', 'constant', 'singular']).nullable(),
  mardia: z.object({
    skewness: testSchema.extend({ coefficient: numberOrNullSchema }),
    kurtosis: testSchema.extend({ coefficient: numberOrNullSchema }),
  }),
  henzeZirkler: testSchema.extend({ sampledFrom: z.number().int().nullable() }),
  doornikHansen: testSchema,
  /** Squared Mahalanobis distances against their quantiles under joint normality, ascending; null if not wanted. */
  distances: z
    .object({
      theoretical: z.array(z.number()),
      observed: z.array(z.number()),
      rows: z.array(z.number().int()),
      /** What the furthest of n rows passes with probability .05. */
      limit: numberOrNullSchema,
    })
    .nullable(),
  /** The rows furthest out, with the variables that set them apart most first. */
  furthest: z.array(
    z.object({
      row: z.number().int(),
      name: z.string().nullable(),
      distance: z.number(),
      pValue: z.number(),
      unusual: z.array(
        z.object({
          variable: variableIdSchema,
          value: z.number(),
          /** SDs from the mean, and from what the row's other values suggest. */
          fromMean: z.number(),
          givenOthers: z.number(),
        }),
      ),
    }),
  ),
});
export type JointResult = z.infer<typeof jointResultSchema>;
