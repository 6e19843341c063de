import type { Alternative, IntervalKind, PMethod, UndefinedBecause } from '@ivlen/core';
import { z } from 'zod';
import { methodSchema } from '../methods';
import { MOST_TICKED } from '../most-ticked';

export const variableIdSchema = z.string().max(40);
/** Own methods by variable, or by the key of a pair. */
export const ownMethodsSchema = z.record(z.string().max(90), methodSchema);
export const levelSchema = z.number().gt(0).lt(1);
/** NaN does not survive JSON: what cannot be computed travels as null. */
export const numberOrNullSchema = z.number().nullable();

/** Which of the rows in use an analysis rests on. */
export const analysisRowsSchema = z.object({
  /** Listwise deletion: only rows that have all of these; empty for whatever each coefficient has of its own. */
  completeFor: z.array(variableIdSchema).max(MOST_TICKED).default([]),
  /** Only the rows of one group: those with this stored value of another variable. */
  group: z.object({ by: variableIdSchema, value: z.number() }).nullable().default(null),
});
export type AnalysisRows = z.infer<typeof analysisRowsSchema>;
export const ALL_ROWS: AnalysisRows = { completeFor: [], group: null };
/** As a field of a request. */
export const rowsField = { rows: analysisRowsSchema.default(ALL_ROWS) };

export const alternativeSchema = z.enum(['two-sided', 'greater', 'less']) satisfies z.ZodType<Alternative>;
/** Kinds of interval by a formula, and the one from 2,000 seeded bootstrap samples. */
export const intervalKindSchema = z.enum([
  'default',
  'fisher',
  'adf',
  'fieller',
  'bonett-wright',
  'brown-benedetti',
  'bootstrap',
]) satisfies z.ZodType<IntervalKind | 'bootstrap'>;
export const undefinedBecauseSchema = z.enum([
  'too-few-cases',
  'constant-x',
  'constant-y',
  'constant-both',
  /** The method can hold one variable constant, not several. */
  'one-control-only',
  /** A likelihood that has no top, or that its rounds did not reach. */
  'does-not-settle',
  /** Too few values were measured to tell the rest. */
  'too-few-measured',
  /** Logarithms of values that are not above zero. */
  'not-positive',
]) satisfies z.ZodType<UndefinedBecause | 'one-control-only'>;
export const pMethodSchema = z.enum(['t', 't-of-z', 'normal', 'exact', 'permutation']) satisfies z.ZodType<PMethod>;
export const intervalSchema = z.object({
  low: z.number(),
  high: z.number(),
  level: z.number(),
  method: z.string(),
  /** On the scale of Fisher's z: z ± quantile · se, then tanh back; left out where it was got otherwise. */
  steps: z.object({ z: z.number(), se: z.number(), quantile: z.number(), df: z.number().optional() }).optional(),
  /** Why its level is no promise. */
  unsure: z.literal('few-outside-largest-tie').optional(),
});

/** A coefficient of a line or model with its test and interval. */
export const estimateSchema = z.object({
  value: numberOrNullSchema,
  se: numberOrNullSchema,
  t: numberOrNullSchema,
  pValue: numberOrNullSchema,
  low: numberOrNullSchema,
  high: numberOrNullSchema,
});
export type Estimate = z.infer<typeof estimateSchema>;

/** How a correlation is computed, whether of one pair or of many. */
export const howSchema = z.object({
  alternative: alternativeSchema,
  level: levelSchema,
  /** A coefficient that has no such kind of interval keeps its usual one. */
  interval: intervalKindSchema.default('default'),
  /** Variables held constant. */
  control: z.array(variableIdSchema).max(20).default([]),
});

/** Two variables, and the rows they are compared on. */
export const pairOfSchema = z.object({ x: variableIdSchema, y: variableIdSchema, ...rowsField });
export type PairOf = z.infer<typeof pairOfSchema>;
