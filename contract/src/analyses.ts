import type { Alternative, UndefinedBecause } from '@ivlen/core';
import { z } from 'zod';

const alternativeSchema = z.enum(['two-sided', 'greater', 'less']) satisfies z.ZodType<Alternative>;
const variableIdSchema = z.string().max(40);
/** NaN does not survive JSON: what cannot be computed travels as null. */
const figure = z.number().nullable();

const summaryRequestSchema = z.object({ kind: z.literal('summary') });

const correlationRequestSchema = z.object({
  kind: z.literal('correlation'),
  variables: z.array(variableIdSchema).max(200),
  method: z.literal('pearson'),
  alternative: alternativeSchema,
  missing: z.enum(['pairwise', 'listwise']),
  level: z.number().gt(0).lt(1),
});

const pairRequestSchema = z.object({
  kind: z.literal('pair'),
  x: variableIdSchema,
  y: variableIdSchema,
  alternative: alternativeSchema,
  level: z.number().gt(0).lt(1),
  /** Listwise deletion over these variables; empty for every row complete for the pair. */
  completeFor: z.array(variableIdSchema).max(200),
});

export const analysisSchema = z.discriminatedUnion('kind', [summaryRequestSchema, correlationRequestSchema, pairRequestSchema]);
export type Analysis = z.infer<typeof analysisSchema>;
export type CorrelationRequest = z.infer<typeof correlationRequestSchema>;
export type PairRequest = z.infer<typeof pairRequestSchema>;

/** An analysis is a pure function of a revision and a request. */
export const analysisRequestSchema = z.object({ revision: z.number().int(), analysis: analysisSchema });

const undefinedBecauseSchema = z.enum(['too-few-cases', 'constant-x', 'constant-y', 'constant-both']) satisfies z.ZodType<UndefinedBecause>;

export const summaryResultSchema = z.object({
  kind: z.literal('summary'),
  /** One for each variable of the study, in its order. */
  variables: z.array(
    z.object({
      id: variableIdSchema,
      n: z.number().int(),
      missing: z.number().int(),
      /** How many different values there are. */
      distinct: z.number().int(),
      /** Counts of an equal-width histogram; empty where the values are not numbers. */
      bins: z.array(z.number().int()),
    }),
  ),
});
export type SummaryResult = z.infer<typeof summaryResultSchema>;
export type VariableSummary = SummaryResult['variables'][number];

export const correlationResultSchema = z.object({
  kind: z.literal('correlation'),
  variables: z.array(variableIdSchema),
  /** size × size, row-major. */
  coefficient: z.array(figure),
  pValue: z.array(figure),
  log10P: z.array(figure),
  n: z.array(z.number().int()),
  low: z.array(figure),
  high: z.array(figure),
  undefinedBecause: z.array(undefinedBecauseSchema.nullable()),
});
export type CorrelationResult = z.infer<typeof correlationResultSchema>;

const descriptionSchema = z.object({ n: z.number().int(), mean: figure, sd: figure });

export const pairResultSchema = z.object({
  kind: z.literal('pair'),
  coefficient: figure,
  n: z.number().int(),
  pValue: figure,
  log10P: figure,
  t: figure,
  df: z.number().int().nullable(),
  interval: z.object({ low: z.number(), high: z.number(), level: z.number(), method: z.string() }).nullable(),
  degenerate: z.boolean(),
  undefinedBecause: undefinedBecauseSchema.nullable(),
  /** Least-squares lines through the same rows: y on x, and x on y for swapped axes. */
  line: z.object({ slope: figure, intercept: figure }),
  swappedLine: z.object({ slope: figure, intercept: figure }),
  /** Mean and SD over the rows of the pair. */
  x: descriptionSchema,
  y: descriptionSchema,
});
export type PairResult = z.infer<typeof pairResultSchema>;

export const analysisResultSchema = z.discriminatedUnion('kind', [summaryResultSchema, correlationResultSchema, pairResultSchema]);
export type AnalysisResult = z.infer<typeof analysisResultSchema>;
/** The result that belongs to a request. */
export type ResultOf<A extends Analysis> = Extract<AnalysisResult, { kind: A['kind'] }>;
