import type { ModelSummary } from '@ivlen/core';
import { z } from 'zod';
import { type ModelColumn, modelColumnSchema, predictorsSchema, termSchema } from './predictors';
import { type Estimate, estimateSchema, levelSchema, numberOrNullSchema, rowsField, variableIdSchema } from './schemas';

/** Rows that can be tried without at a time. */
export const MOST_TRIED = 50;

/** A linear regression whole, with its rows. */
export const regressionRequestSchema = z.object({
  kind: z.literal('regression'),
  predictors: predictorsSchema,
  outcome: variableIdSchema,
  level: levelSchema,
  /** Numbers, from 1, of rows that are left out to see what becomes of it. */
  without: z.array(z.number().int().min(1)).max(MOST_TRIED).default([]),
  ...rowsField,
});

const coefficientSchema = estimateSchema.extend({
  ...modelColumnSchema.shape,
  standardized: numberOrNullSchema,
  /** Its correlation with the outcome alone. */
  zeroOrder: numberOrNullSchema,
  /** Semipartial: of the outcome with what it has beyond the others. */
  part: numberOrNullSchema,
  partial: numberOrNullSchema,
});
export type ModelCoefficient = z.infer<typeof coefficientSchema>;

/** A fitted model but for its rows. */
export const modelValuesSchema = z.object({
  n: z.number().int(),
  intercept: estimateSchema,
  coefficients: z.array(coefficientSchema),
  r2: numberOrNullSchema,
  adjustedR2: numberOrNullSchema,
  residualSd: numberOrNullSchema,
  f: numberOrNullSchema,
  dfModel: z.number().int(),
  dfResidual: z.number().int(),
  pValue: numberOrNullSchema,
  log10P: numberOrNullSchema,
  because: z.enum(['too-few-cases', 'dependent-predictors', 'constant-outcome']).nullable(),
});
export type ModelValues = z.infer<typeof modelValuesSchema>;

const testSchema = z.object({ statistic: numberOrNullSchema, df: z.number().int(), pValue: numberOrNullSchema });

const modelRowSchema = z.object({
  /** From 1. */
  row: z.number().int(),
  name: z.string().nullable(),
  observed: z.number(),
  fitted: z.number(),
  residual: z.number(),
  leverage: z.number(),
  /** null of a row that is fitted whatever its outcome. */
  cooksDistance: numberOrNullSchema,
  studentized: numberOrNullSchema,
});
export type ModelRow = z.infer<typeof modelRowSchema>;

export const regressionResultSchema = z.object({
  kind: z.literal('regression'),
  terms: z.array(termSchema),
  model: modelValuesSchema,
  /** Residuals against fitted values, at most some thousand of them, spread evenly over the fitted values. */
  points: z.array(z.object({ row: z.number().int(), fitted: z.number(), residual: z.number() })),
  /** A smooth curve through all of them (LOWESS). */
  smooth: z.array(z.object({ x: z.number(), y: z.number() })),
  /** Whether the residuals' spread changes: with the predictors, and with the fitted values. */
  breuschPagan: z.object({ predictors: testSchema, fitted: testSchema }),
  /** Studentized residuals against normal quantiles, with the band of normal samples. */
  quantiles: z.object({
    theoretical: z.array(z.number()),
    sample: z.array(z.number()),
    low: z.array(z.number()),
    high: z.array(z.number()),
    rows: z.array(z.number().int()),
  }),
  /** Those with the largest Cook's distances, the largest first. */
  influential: z.array(modelRowSchema),
  /** Those that are fitted whatever their outcome, such as the only one of a level. */
  alone: z.array(modelRowSchema),
  largestLeverage: numberOrNullSchema,
});
export type RegressionResult = z.infer<typeof regressionResultSchema>;

/** A summary as it travels: NaN as null, coefficients by column. @param columns of the predictors that are in the model */
export function modelValuesOf(summary: ModelSummary, columns: readonly ModelColumn[]): ModelValues {
  const estimate = (k: number): Estimate => ({
    value: finite(summary.coefficients[k]),
    se: finite(summary.se[k]),
    t: finite(summary.t[k]),
    pValue: finite(summary.pValues[k]),
    low: finite(summary.intervals[k]?.low),
    high: finite(summary.intervals[k]?.high),
  });
  const because = summary.undefinedBecause ?? (Number.isNaN(summary.r2) ? 'constant-outcome' : null);
  const { n, dfModel, dfResidual } = summary;
  return {
    n,
    dfModel,
    dfResidual,
    intercept: estimate(0),
    coefficients: columns.map(({ term, level }, k) => ({
      term,
      level,
      ...estimate(k + 1),
      standardized: finite(summary.standardized[k]),
      zeroOrder: finite(summary.zeroOrder[k]),
      part: finite(summary.part[k]),
      partial: finite(summary.partial[k]),
    })),
    r2: finite(summary.r2),
    adjustedR2: finite(summary.adjustedR2),
    residualSd: finite(summary.residualSd),
    f: finite(summary.f),
    pValue: finite(summary.pValue),
    log10P: finite(summary.log10P),
    because,
  };
}

function finite(value: number | undefined): number | null {
  return value !== undefined && Number.isFinite(value) ? value : null;
}
