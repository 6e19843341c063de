import { z } from 'zod';

const figure = z.number().nullable();
const variable = z.string().max(40);

/** Joint normality of some variables over the rows that are complete for the whole set. */
export const jointRequestSchema = z.object({
  kind: z.literal('joint'),
  variables: z.array(variable).min(1).max(60),
  /** The set: one left out must be compared on the same rows. */
  completeFor: z.array(variable).max(60),
  /** Whether distances and rows are wanted besides the tests. */
  distances: z.boolean(),
});

const testSchema = z.object({ statistic: figure, df: figure, pValue: figure, log10P: figure });
export type JointTest = z.infer<typeof testSchema>;

export const jointResultSchema = z.object({
  kind: z.literal('joint'),
  variables: z.array(variable),
  /** Complete rows, and rows in use that lack a value of the set. */
  n: z.number().int(),
  incomplete: z.number().int(),
  undefinedBecause: z.enum(['too-few-cases', 'too-many-cases', 'constant', 'singular']).nullable(),
  mardia: z.object({ skewness: testSchema.extend({ coefficient: figure }), kurtosis: testSchema.extend({ coefficient: figure }) }),
  henzeZirkler: testSchema.extend({ sampledFrom: z.number().int().nullable() }),
  doornikHansen: testSchema,
  /** Squared Mahalanobis distances against their quantiles under joint normality, ascending; null if not wanted. */
  distances: z
    .object({
      theoretical: z.array(z.number()),
      observed: z.array(z.number()),
      rows: z.array(z.number().int()),
      /** What the furthest of n rows passes with probability .05. */
      limit: figure,
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
          variable,
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
