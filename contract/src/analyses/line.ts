import { z } from 'zod';
import { estimateSchema, levelSchema, numberOrNullSchema, pairOfSchema } from './schemas';

/** The simple regression of y on x. */
export const lineRequestSchema = pairOfSchema.extend({ kind: z.literal('line'), level: levelSchema });
export const lineResultSchema = z.object({
  kind: z.literal('line'),
  n: z.number().int(),
  intercept: estimateSchema,
  slope: estimateSchema,
  r2: numberOrNullSchema,
  adjustedR2: numberOrNullSchema,
  residualSd: numberOrNullSchema,
  f: numberOrNullSchema,
  dfResidual: z.number(),
  pValue: numberOrNullSchema,
  /** Range of x over the rows used, to tell whether the intercept lies outside. */
  xMin: numberOrNullSchema,
  xMax: numberOrNullSchema,
  /** Of points on the line, where the population's line lies by the level, for drawing; ascending in x. */
  band: z.array(z.object({ x: z.number(), low: z.number(), high: z.number() })),
  /** Where the pair is curved, the parabola by which that was judged, y of x or x of y, along the one it is a function of. */
  parabola: z.object({ direction: z.enum(['y-on-x', 'x-on-y']), points: z.array(z.object({ x: z.number(), y: z.number() })) }).nullable(),
  /** A smooth curve through the points (LOWESS); ascending in x. */
  smooth: z.array(z.object({ x: z.number(), y: z.number() })),
});
export type LineResult = z.infer<typeof lineResultSchema>;
