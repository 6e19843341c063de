import type { Alternative, PMethod, UndefinedBecause } from '@ivlen/core';
import { z } from 'zod';
import { methodSchema } from './codebook';
import { jointRequestSchema, jointResultSchema } from './joint';
import { scalesRequestSchema, scalesResultSchema, shapeRequestSchema, shapeResultSchema } from './shape';

const alternativeSchema = z.enum(['two-sided', 'greater', 'less']) satisfies z.ZodType<Alternative>;
const variableIdSchema = z.string().max(40);
/** NaN does not survive JSON: what cannot be computed travels as null. */
const figure = z.number().nullable();

const summaryRequestSchema = z.object({ kind: z.literal('summary') });

const correlationRequestSchema = z.object({
  kind: z.literal('correlation'),
  variables: z.array(variableIdSchema).max(200),
  method: methodSchema,
  /** Variables whose pairs have a method of their own. */
  byVariable: z.record(variableIdSchema, methodSchema),
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

const describeRequestSchema = z.object({ kind: z.literal('describe'), variables: z.array(variableIdSchema).max(200) });
/** Which values are missing, and which together. */
const missingRequestSchema = z.object({ kind: z.literal('missing') });
const suspiciousRequestSchema = z.object({ kind: z.literal('suspicious') });

export const analysisSchema = z.discriminatedUnion('kind', [
  summaryRequestSchema,
  correlationRequestSchema,
  pairRequestSchema,
  describeRequestSchema,
  missingRequestSchema,
  suspiciousRequestSchema,
  shapeRequestSchema,
  scalesRequestSchema,
  jointRequestSchema,
]);
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
  /** size × size, row-major; the method that each pair was computed by comes first. */
  methods: z.array(methodSchema),
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

const pairTestSchema = z.object({
  coefficient: figure,
  pValue: figure,
  log10P: figure,
  pMethod: z.enum(['t', 'normal', 'exact', 'permutation']) satisfies z.ZodType<PMethod>,
  statistic: z.object({ name: z.string(), value: z.number(), df: z.number().optional() }).nullable(),
  interval: z.object({ low: z.number(), high: z.number(), level: z.number(), method: z.string() }).nullable(),
  degenerate: z.boolean(),
  undefinedBecause: undefinedBecauseSchema.nullable(),
});
export type PairTest = z.infer<typeof pairTestSchema>;

export const pairResultSchema = z.object({
  kind: z.literal('pair'),
  n: z.number().int(),
  /** The pair by every method, over the same rows. */
  tests: z.record(methodSchema, pairTestSchema),
  /** Least-squares lines through the same rows: y on x, and x on y for swapped axes. */
  line: z.object({ slope: figure, intercept: figure }),
  swappedLine: z.object({ slope: figure, intercept: figure }),
  /** Mean and SD over the rows of the pair. */
  x: descriptionSchema,
  y: descriptionSchema,
});
export type PairResult = z.infer<typeof pairResultSchema>;

export const describeResultSchema = z.object({
  kind: z.literal('describe'),
  variables: z.array(
    z.object({
      id: variableIdSchema,
      n: z.number().int(),
      missing: z.number().int(),
      mean: figure,
      sd: figure,
      se: figure,
      variance: figure,
      median: figure,
      min: figure,
      max: figure,
      range: figure,
      q1: figure,
      q3: figure,
      skewness: figure,
      skewnessSe: figure,
      excessKurtosis: figure,
      excessKurtosisSe: figure,
      bins: z.array(z.number().int()),
    }),
  ),
});
export type VariableDescription = z.infer<typeof describeResultSchema>['variables'][number];

export const missingResultSchema = z.object({
  kind: z.literal('missing'),
  /** Variables with missing values, most first. */
  variables: z.array(z.object({ id: variableIdSchema, missing: z.number().int() })),
  completeRows: z.number().int(),
  rows: z.number().int(),
  /** Sets of variables that are missing together, with the number of rows where exactly these are; most first. */
  patterns: z.array(z.object({ missing: z.array(variableIdSchema), rows: z.number().int() })),
  /** How many further patterns there are. */
  morePatterns: z.number().int(),
  /** Rows complete for each pair of the variables listed, row-major. */
  pairs: z.array(z.number().int()),
});
export type MissingResult = z.infer<typeof missingResultSchema>;

const effectSchema = z.object({
  mean: figure,
  sd: figure,
  meanWithout: figure,
  sdWithout: figure,
  correlations: z.array(z.object({ with: variableIdSchema, r: figure, rWithout: figure })),
});
/** Something in the table that should be looked at. */
export const suspicionSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('value'),
    reason: z.enum(['below-range', 'above-range', 'decimal-slip', 'far-out']),
    variable: variableIdSchema,
    /** Row number from 1. */
    row: z.number().int(),
    value: z.number(),
    suggestion: z.number().nullable(),
    effect: effectSchema,
  }),
  z.object({ type: z.literal('duplicated-rows'), rows: z.array(z.number().int()) }),
  z.object({ type: z.literal('constant'), variable: variableIdSchema, value: figure }),
  z.object({ type: z.literal('repeated-identifier'), variable: variableIdSchema, values: z.number().int(), rows: z.number().int() }),
]);
export type Suspicion = z.infer<typeof suspicionSchema>;
export const suspiciousResultSchema = z.object({
  kind: z.literal('suspicious'),
  suspicions: z.array(suspicionSchema),
  /** Values that were found beyond those listed. */
  more: z.number().int(),
});
export type SuspiciousResult = z.infer<typeof suspiciousResultSchema>;

export const analysisResultSchema = z.discriminatedUnion('kind', [
  summaryResultSchema,
  correlationResultSchema,
  pairResultSchema,
  describeResultSchema,
  missingResultSchema,
  suspiciousResultSchema,
  shapeResultSchema,
  scalesResultSchema,
  jointResultSchema,
]);
export type AnalysisResult = z.infer<typeof analysisResultSchema>;
/** The result that belongs to a request. */
export type ResultOf<A extends Analysis> = Extract<AnalysisResult, { kind: A['kind'] }>;
