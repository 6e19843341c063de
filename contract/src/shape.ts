import type { NormalityUndefined, QuantilePattern } from '@ivlen/core';
import { z } from 'zod';

const figure = z.number().nullable();
const figures = z.array(z.number());

export const shapeRequestSchema = z.object({
  kind: z.literal('shape'),
  variable: z.string().max(40),
  /** Only the rows of one group: those with this stored value of another variable. */
  group: z.object({ by: z.string().max(40), value: z.number() }).optional(),
});

/** Tests of normality that can be chosen. */
export const normalityTestNameSchema = z.enum(['shapiro-wilk', 'anderson-darling', 'lilliefors', 'dagostino-pearson', 'jarque-bera']);
export type NormalityTestName = z.infer<typeof normalityTestNameSchema>;

const undefinedBecause = z.enum(['too-few-cases', 'too-many-cases', 'constant', 'singular']) satisfies z.ZodType<NormalityUndefined>;
const normalityTestSchema = z.object({
  statistic: figure,
  pValue: figure,
  log10P: figure,
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
    mean: figure,
    sd: figure,
    median: figure,
    min: figure,
    max: figure,
    q1: figure,
    q3: figure,
    skewness: figure,
    skewnessSe: figure,
    excessKurtosis: figure,
    excessKurtosisSe: figure,
  }),
  /** Bin edges, one more than counts. */
  histogram: z.object({ edges: figures, counts: figures }),
  density: z.object({ x: figures, y: figures }),
  box: z.object({
    whiskers: z.tuple([figure, figure]),
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

/** A variable on other scales beside its own, and what its correlations become. */
export const scalesRequestSchema = z.object({
  kind: z.literal('scales'),
  variable: z.string().max(40),
  /** Variables with which it is correlated on each scale. */
  others: z.array(z.string().max(40)).max(60),
});

/** The scales that are compared, the variable's own first. */
export const COMPARED_SCALES = [
  'raw',
  'sqrt',
  'cube-root',
  'log10',
  'reciprocal',
  'square',
  'box-cox',
  'yeo-johnson',
  'rank-normal',
] as const;
export type ComparedScale = (typeof COMPARED_SCALES)[number];

export const scalesResultSchema = z.object({
  kind: z.literal('scales'),
  variable: z.string(),
  scales: z.array(
    z.object({
      scale: z.enum(COMPARED_SCALES),
      /** Why it cannot be taken: how many values stand in its way, and what to add to each so that it can. */
      refused: z
        .object({
          because: z.enum(['values-not-positive', 'negative-values', 'zeros-or-both-signs', 'no-variation']),
          count: z.number().int(),
          shift: figure,
        })
        .nullable(),
      /** Whether the order is turned round, so that every correlation changes its sign. */
      reversed: z.boolean(),
      shape: shapeResultSchema.nullable(),
      correlations: z.array(z.object({ with: z.string(), pearson: figure, spearman: figure, kendall: figure })),
    }),
  ),
});
export type ScalesResult = z.infer<typeof scalesResultSchema>;

/** When a variable's shape is marked. */
export const shapeRuleSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('limits'), skewness: z.number().positive().max(100), excessKurtosis: z.number().positive().max(1000) }),
  z.object({ kind: z.literal('standard-errors'), limit: z.number().positive().max(100) }),
]);

/** Tests of joint normality that can be chosen. */
export const jointTestNameSchema = z.enum(['henze-zirkler', 'mardia', 'doornik-hansen']);
export type JointTestName = z.infer<typeof jointTestNameSchema>;

/** Columns of the table of descriptives. */
export const descriptiveColumnSchema = z.enum([
  'n',
  'missing',
  'mean',
  'sd',
  'se',
  'variance',
  'median',
  'min',
  'max',
  'range',
  'q1',
  'q3',
  'skewness',
  'skewnessSe',
  'excessKurtosis',
  'excessKurtosisSe',
  'test',
  'verdict',
]);
export type DescriptiveColumn = z.infer<typeof descriptiveColumnSchema>;

/** What the methods line of the Shape stage says, and what its table shows. */
export const shapeSettingsSchema = z.object({
  /** A strip for each group of the grouping variable, under that of all rows. */
  perGroup: z.boolean().default(false),
  jointTest: jointTestNameSchema.default('henze-zirkler'),
  columns: z
    .array(descriptiveColumnSchema)
    .default(['n', 'missing', 'mean', 'sd', 'median', 'min', 'max', 'skewness', 'excessKurtosis', 'test']),
  rule: shapeRuleSchema.default({ kind: 'limits', skewness: 2, excessKurtosis: 7 }),
  test: normalityTestNameSchema.nullable().default('shapiro-wilk'),
  level: z.number().gt(0).lt(1).default(0.05),
});
export type ShapeSettings = z.infer<typeof shapeSettingsSchema>;
