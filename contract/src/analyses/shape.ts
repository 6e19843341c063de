import type { NormalityUndefined, QuantilePattern } from '@ivlen/core';
import { z } from 'zod';
import { numberOrNullSchema, rowsField, variableIdSchema } from './schemas';

const numbers = z.array(z.number());

/** The shape of one variable. */
export const shapeRequestSchema = z.object({ kind: z.literal('shape'), variable: variableIdSchema, ...rowsField });

/** Tests of normality that can be chosen. */
export const normalityTestNameSchema = z.enum(['shapiro-wilk', 'anderson-darling', 'lilliefors', 'dagostino-pearson', 'jarque-bera']);
export type NormalityTestName = z.infer<typeof normalityTestNameSchema>;

const undefinedBecause = z.enum(['too-few-cases', 'too-many-cases', 'constant', 'singular']) satisfies z.ZodType<NormalityUndefined>;
const normalityTestSchema = z.object({
  statistic: numberOrNullSchema,
  pValue: numberOrNullSchema,
  log10P: numberOrNullSchema,
  undefinedBecause: undefinedBecause.nullable(),
});
const patternSchema = z.enum([
  'inside',
  'steps',
  'outlier-high',
  'outlier-low',
  'right-tail',
  'left-tail',
  'heavy-tails',
  'light-tails',
  'two-humps',
  'irregular',
]) satisfies z.ZodType<QuantilePattern>;

/** A row with its value: rows are numbered from 1, and named by the identifier where there is one. */
const namedValueSchema = z.object({ row: z.number().int(), name: z.string().nullable().default(null), value: z.number() });
export type NamedValue = z.infer<typeof namedValueSchema>;

/** The shape of one variable over the rows in use: statistics, plots, and every test, so that another choice needs no computing. */
export const shapeResultSchema = z.object({
  kind: z.literal('shape'),
  variable: z.string(),
  description: z.object({
    n: z.number().int(),
    missing: z.number().int(),
    distinct: z.number().int(),
    mean: numberOrNullSchema,
    sd: numberOrNullSchema,
    median: numberOrNullSchema,
    min: numberOrNullSchema,
    max: numberOrNullSchema,
    q1: numberOrNullSchema,
    q3: numberOrNullSchema,
    skewness: numberOrNullSchema,
    skewnessSe: numberOrNullSchema,
    excessKurtosis: numberOrNullSchema,
    excessKurtosisSe: numberOrNullSchema,
  }),
  /** Bin edges, one more than counts. */
  histogram: z.object({ edges: numbers, counts: numbers }),
  density: z.object({ x: numbers, y: numbers }),
  box: z.object({
    whiskers: z.tuple([numberOrNullSchema, numberOrNullSchema]),
    /** Beyond the inner fences, the furthest first; `more` are not listed. */
    outside: z.array(namedValueSchema.extend({ far: z.boolean() })),
    more: z.number().int(),
  }),
  /** Points of the normal quantile plot, ascending; where there are many, evenly chosen ones and all that are outside. */
  quantiles: z.object({
    theoretical: numbers,
    sample: numbers,
    low: numbers,
    high: numbers,
    rows: z.array(z.number().int()),
    outside: z.number().int(),
    pattern: patternSchema,
  }),
  tests: z.record(normalityTestNameSchema, normalityTestSchema),
});
export type ShapeResult = z.infer<typeof shapeResultSchema>;

/** When a variable's shape is marked. */
export const shapeRuleSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('limits'), skewness: z.number().positive().max(100), excessKurtosis: z.number().positive().max(1000) }),
  z.object({ kind: z.literal('standard-errors'), limit: z.number().positive().max(100) }),
]);
