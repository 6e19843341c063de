import type { Alternative, CautionCode, IntervalKind, PMethod, UndefinedBecause } from '@ivlen/core';
import { z } from 'zod';
import { methodSchema } from './methods';
import { shapeRuleSchema } from './shape';

export const alternativeSchema = z.enum(['two-sided', 'greater', 'less']) satisfies z.ZodType<Alternative>;
/** Kinds of interval by a formula, and the one from 2,000 seeded bootstrap samples. */
export const intervalKindSchema = z.enum(['default', 'fisher', 'adf', 'fieller', 'bonett-wright', 'bootstrap']) satisfies z.ZodType<
  IntervalKind | 'bootstrap'
>;
export const undefinedBecauseSchema = z.enum([
  'too-few-cases',
  'constant-x',
  'constant-y',
  'constant-both',
  /** The method can hold one variable constant, not several. */
  'one-control-only',
]) satisfies z.ZodType<UndefinedBecause | 'one-control-only'>;
export const pMethodSchema = z.enum(['t', 'normal', 'exact', 'permutation']) satisfies z.ZodType<PMethod>;
const variableIdSchema = z.string().max(40);
const levelSchema = z.number().gt(0).lt(1);
/** NaN does not survive JSON: what cannot be computed travels as null. */
const figure = z.number().nullable();

/** How a correlation is computed, whether of one pair or of many. */
export const howSchema = z.object({
  alternative: alternativeSchema,
  level: levelSchema,
  /** A coefficient that has no such kind of interval keeps its usual one. */
  interval: intervalKindSchema.default('default'),
  /** Variables held constant. */
  control: z.array(variableIdSchema).max(20).default([]),
});

/** Which rows of a pair are used. */
const pairSchema = z.object({
  x: variableIdSchema,
  y: variableIdSchema,
  /** Listwise deletion over these variables; empty for every row complete for the pair. */
  completeFor: z.array(variableIdSchema).max(200),
});

export const pairRequestSchema = howSchema.extend(pairSchema.shape).extend({ kind: z.literal('pair') });
export type PairRequest = z.infer<typeof pairRequestSchema>;

const intervalSchema = z.object({ low: z.number(), high: z.number(), level: z.number(), method: z.string() });
const pairTestSchema = z.object({
  coefficient: figure,
  n: z.number().int(),
  pValue: figure,
  log10P: figure,
  pMethod: pMethodSchema,
  statistic: z.object({ name: z.string(), value: z.number(), df: z.number().optional() }).nullable(),
  interval: intervalSchema.nullable(),
  degenerate: z.boolean(),
  undefinedBecause: undefinedBecauseSchema.nullable(),
});
export type PairTest = z.infer<typeof pairTestSchema>;
const descriptionSchema = z.object({ n: z.number().int(), mean: figure, sd: figure });

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

/** The simple regression of y on x. */
export const lineRequestSchema = pairSchema.extend({ kind: z.literal('line'), level: levelSchema });
const termSchema = z.object({ value: figure, se: figure, t: figure, pValue: figure, low: figure, high: figure });
export const lineResultSchema = z.object({
  kind: z.literal('line'),
  n: z.number().int(),
  intercept: termSchema,
  slope: termSchema,
  r2: figure,
  adjustedR2: figure,
  residualSd: figure,
  f: figure,
  dfResidual: z.number(),
  pValue: figure,
  /** Range of x over the rows used, to tell whether the intercept lies outside. */
  xMin: figure,
  xMax: figure,
  /** Of points on the line, where the population's line lies by the level, for drawing; ascending in x. */
  band: z.array(z.object({ x: z.number(), low: z.number(), high: z.number() })),
  /** A smooth curve through the points (LOWESS); ascending in x. */
  smooth: z.array(z.object({ x: z.number(), y: z.number() })),
});
export type LineResult = z.infer<typeof lineResultSchema>;

/** Which rows matter most for a coefficient. */
export const influenceRequestSchema = pairSchema.extend({ kind: z.literal('influence'), method: methodSchema });
export const influenceResultSchema = z.object({
  kind: z.literal('influence'),
  coefficient: figure,
  n: z.number().int(),
  onePointCarries: z.boolean(),
  /** Those that change it most, most first; rows are numbered from 1. */
  points: z.array(
    z.object({ row: z.number().int(), name: z.string().nullable().default(null), x: z.number(), y: z.number(), without: figure }),
  ),
});
export type InfluenceResult = z.infer<typeof influenceResultSchema>;

/** The pair in each group of another variable, and whether the groups differ. */
export const byGroupRequestSchema = pairSchema.extend({
  kind: z.literal('by-group'),
  by: variableIdSchema,
  method: methodSchema,
  alternative: alternativeSchema,
  level: levelSchema,
});
export const byGroupResultSchema = z.object({
  kind: z.literal('by-group'),
  groups: z.array(z.object({ value: z.number(), test: pairTestSchema })),
  /** Over all rows. */
  whole: pairTestSchema,
  /** Within groups, their means taken out. */
  within: z.object({ coefficient: figure, low: figure, high: figure, pValue: figure }),
  /** Whether the groups' population coefficients are equal. */
  homogeneity: z.object({ q: figure, df: z.number(), pValue: figure }),
  reversed: z.boolean(),
  hidden: z.boolean(),
});
export type ByGroupResult = z.infer<typeof byGroupResultSchema>;

/** Bootstrap interval or permutation test of a pair. */
export const resampleRequestSchema = pairSchema.extend({
  kind: z.literal('resample'),
  what: z.enum(['bootstrap', 'permutation']),
  method: methodSchema,
  times: z.number().int().min(99).max(1_000_000),
  seed: z.number().int().min(0).max(2_147_483_647),
  level: levelSchema,
  alternative: alternativeSchema,
});
export const resampleResultSchema = z.object({
  kind: z.literal('resample'),
  what: z.enum(['bootstrap', 'permutation']),
  coefficient: figure,
  n: z.number().int(),
  times: z.number().int(),
  seed: z.number().int(),
  interval: intervalSchema.nullable(),
  /** Which bootstrap interval it became. */
  intervalKind: z.enum(['percentile', 'bca']).nullable(),
  pValue: figure,
  asExtreme: z.number().int().nullable(),
});
export type ResampleResult = z.infer<typeof resampleResultSchema>;

/** Whether a is tied more closely to b than to c, over the rows complete for all three. */
export const dependentRequestSchema = z.object({
  kind: z.literal('dependent'),
  a: variableIdSchema,
  b: variableIdSchema,
  c: variableIdSchema,
  method: methodSchema,
  level: levelSchema,
});
export const dependentResultSchema = z.object({
  kind: z.literal('dependent'),
  n: z.number().int(),
  ab: figure,
  ac: figure,
  bc: figure,
  /** Of the difference of the coefficients, by a test for dependent ones; ranks have the interval alone. */
  williams: z.object({ t: figure, df: z.number(), pValue: figure }).nullable(),
  meng: z.object({ z: figure, pValue: figure }).nullable(),
  interval: intervalSchema.nullable(),
});
export type DependentResult = z.infer<typeof dependentResultSchema>;

/** What a reader should know about the coefficients among some variables. */
export const cautionsRequestSchema = z.object({
  kind: z.literal('cautions'),
  variables: z.array(variableIdSchema).max(200),
  method: methodSchema,
  byVariable: z.record(variableIdSchema, methodSchema),
  missing: z.enum(['pairwise', 'listwise']),
  /** Rows complete for these as well, under listwise deletion. */
  completeFor: z.array(variableIdSchema).max(200).default([]),
  shapeRule: shapeRuleSchema,
  /** The variable whose groups may disagree; null for none. */
  groupBy: variableIdSchema.nullable(),
  /** Level of decisions. */
  alpha: levelSchema,
});
const cautionCodeSchema = z.enum([
  'shape',
  'curved',
  'fan-shaped',
  'few-cases',
  'many-missing',
  'ties',
  'one-point',
  'groups-differ',
  'groups-reverse',
  'groups-hide',
  'method-disagreement',
  'shares-a-component',
  'rows-not-independent',
  'ordinal',
]) satisfies z.ZodType<CautionCode>;
const cautionSchema = z.object({
  code: cautionCodeSchema,
  level: z.enum(['note', 'could-change']),
  figures: z.record(z.string(), figure),
});
export type PairCaution = z.infer<typeof cautionSchema>;
export const cautionsResultSchema = z.object({
  kind: z.literal('cautions'),
  /** Pairs that have any. */
  pairs: z.array(z.object({ a: variableIdSchema, b: variableIdSchema, cautions: z.array(cautionSchema) })),
});
export type CautionsResult = z.infer<typeof cautionsResultSchema>;
