import { z } from 'zod';
import { normalityTestNameSchema, shapeRuleSchema } from './analyses/shape';

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
