import { z } from 'zod';
import { jointRequestSchema, jointResultSchema } from './joint';
import { methodSchema } from './methods';
import {
  byGroupRequestSchema,
  byGroupResultSchema,
  cautionsRequestSchema,
  cautionsResultSchema,
  dependentRequestSchema,
  dependentResultSchema,
  howSchema,
  influenceRequestSchema,
  influenceResultSchema,
  lineRequestSchema,
  lineResultSchema,
  pairRequestSchema,
  pairResultSchema,
  pMethodSchema,
  resampleRequestSchema,
  resampleResultSchema,
  undefinedBecauseSchema,
} from './pairs';
import { scalesRequestSchema, scalesResultSchema, shapeRequestSchema, shapeResultSchema } from './shape';

const variableIdSchema = z.string().max(40);
/** NaN does not survive JSON: what cannot be computed travels as null. */
const figure = z.number().nullable();

const summaryRequestSchema = z.object({ kind: z.literal('summary') });

const correlationRequestSchema = howSchema.extend({
  kind: z.literal('correlation'),
  variables: z.array(variableIdSchema).max(200),
  method: methodSchema,
  /** Variables whose pairs have a method of their own. */
  byVariable: z.record(variableIdSchema, methodSchema),
  missing: z.enum(['pairwise', 'listwise']),
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
  lineRequestSchema,
  influenceRequestSchema,
  byGroupRequestSchema,
  resampleRequestSchema,
  dependentRequestSchema,
  cautionsRequestSchema,
]);
export type Analysis = z.infer<typeof analysisSchema>;
export type CorrelationRequest = z.infer<typeof correlationRequestSchema>;

/** An analysis is a pure function of a revision and a request. */
export const analysisRequestSchema = z.object({ revision: z.number().int(), analysis: analysisSchema });

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
  pMethod: z.array(pMethodSchema),
  undefinedBecause: z.array(undefinedBecauseSchema.nullable()),
});
export type CorrelationResult = z.infer<typeof correlationResultSchema>;

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
  lineResultSchema,
  influenceResultSchema,
  byGroupResultSchema,
  resampleResultSchema,
  dependentResultSchema,
  cautionsResultSchema,
]);
export type AnalysisResult = z.infer<typeof analysisResultSchema>;
/** The result that belongs to a request. */
export type ResultOf<A extends Analysis> = Extract<AnalysisResult, { kind: A['kind'] }>;
