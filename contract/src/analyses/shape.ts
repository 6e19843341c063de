import type { NormalityUndefined, QuantilePattern } from '@ivlen/core';
import { z } from 'zod';
import { figureSchema, rowsField, variableIdSchema } from './schemas';

const figures = z.array(z.number());

/** The shape of one variable. */
export const shapeRequestSchema = z.object({ kind: z.literal('shape'), variable: variableIdSchema, ...rowsField });

/** Tests of normality that can be chosen. */
export const normalityTestNameSchema = z.enum(['shapiro-wilk', 'anderson-darling', 'lilliefors', 'dagostino-pearson', 'jarque-bera']);
export type NormalityTestName = z.infer<typeof normalityTestNameSchema>;

const undefinedBecause = z.enum(['too-few-cases', 'too-many-cases', 'constant', 'singular']) satisfies z.ZodType<NormalityUndefined>;
const normalityTestSchema = z.object({
  statistic: figureSchema,
  pValue: figureSchema,
  log10P: figureSchema,
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

/** The shape of one variable over the rows in use: figures, plots, and every test, so that another choice needs no computing. */
export const shapeResultSchema = z.object({
  kind: z.literal('shape'),
  variable: z.string(),
  description: z.object({
    n: z.number().int(),
    missing: z.number().int(),
    distinct: z.number().int(),
    mean: figureSchema,
    sd: figureSchema,
    median: figureSchema,
    min: figureSchema,
    max: figureSchema,
    q1: figureSchema,
    q3: figureSchema,
    skewness: figureSchema,
    skewnessSe: figureSchema,
    excessKurtosis: figureSchema,
    excessKurtosisSe: figureSchema,
  }),
  /** Bin edges, one more than counts. */
  histogram: z.object({ edges: figures, counts: figures }),
  density: z.object({ x: figures, y: figures }),
  box: z.object({
    whiskers: z.tuple([figureSchema, figureSchema]),
    /** Beyond the inner fences, the furthest first; `more` are not listed. */
    outside: z.array(namedValueSchema.extend({ far: z.boolean() })),
    more: z.number().int(),
  }),
  /** Points of the normal quantile plot, ascending; where there are many, evenly chosen ones and all that are outside. */
  quantiles: z.object({
    theoretical: figures,
    sample: figures,
    low: figures,
    high: figures,
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
