import { z } from 'zod';
import { methodSchema } from '../methods';
import { comparedGroupSchema, groupsOfSchema } from './groups';
import { howSchema, numberOrNullSchema, ownMethodsSchema, rowsField, undefinedBecauseSchema, variableIdSchema } from './schemas';

/** All pairs among some variables in each group of another, and the groups compared. */
export const subgroupsRequestSchema = howSchema.extend({
  kind: z.literal('subgroups'),
  variables: z.array(variableIdSchema).max(200),
  method: methodSchema,
  /** Variables whose pairs have a method of their own. */
  byVariable: ownMethodsSchema,
  groups: groupsOfSchema,
  ...rowsField,
});
export type SubgroupsRequest = z.infer<typeof subgroupsRequestSchema>;

const groupCellSchema = z.object({
  coefficient: numberOrNullSchema,
  n: z.number().int(),
  pValue: numberOrNullSchema,
  log10P: numberOrNullSchema,
  low: numberOrNullSchema,
  high: numberOrNullSchema,
  /** Variance of z by which it is compared; null where it is not measured on the rows. */
  zVariance: numberOrNullSchema,
  because: undefinedBecauseSchema.nullable(),
});
export type GroupCell = z.infer<typeof groupCellSchema>;

const withinSchema = z.object({
  coefficient: numberOrNullSchema,
  low: numberOrNullSchema,
  high: numberOrNullSchema,
  pValue: numberOrNullSchema,
  log10P: numberOrNullSchema,
});

/** Of b's id after a's. */
export const groupedPairSchema = z.object({
  a: variableIdSchema,
  b: variableIdSchema,
  method: methodSchema,
  /** Over all rows of the groups that take part. */
  pooled: groupCellSchema,
  /** In the order of the groups. */
  groups: z.array(groupCellSchema),
  /** Places of the groups that are shown but not tested. */
  untested: z.array(z.number().int()),
  /** Within groups, their means taken out. */
  within: withinSchema.extend({
    n: z.number().int(),
    df: z.number().nullable(),
    /** The largest SD of a group over the smallest. */
    spreadRatio: numberOrNullSchema,
    /** The weighted mean of the groups' z, where their SDs differ too much for the other; it then decides. */
    meanOfZ: withinSchema.nullable(),
  }),
  /** Whether the groups' population coefficients are equal. */
  homogeneity: z.object({ q: numberOrNullSchema, df: z.number(), pValue: numberOrNullSchema, log10P: numberOrNullSchema }),
  /** Of three groups or more: how much of their spread is more than chance, and the coefficient with that taken in. */
  random: z
    .object({ iSquared: z.number(), tauSquared: z.number(), coefficient: z.number(), low: numberOrNullSchema, high: numberOrNullSchema })
    .nullable(),
  /** Of two groups: the first less the second. */
  two: z
    .object({ difference: z.number(), z: z.number(), cohensQ: z.number(), low: numberOrNullSchema, high: numberOrNullSchema })
    .nullable(),
  /** The sign over all rows is against every tested group's. */
  reversed: z.boolean(),
  /** Nothing over all rows, something inside groups. */
  hidden: z.boolean(),
});
export type GroupedPair = z.infer<typeof groupedPairSchema>;

export const subgroupsResultSchema = z.object({
  kind: z.literal('subgroups'),
  groups: z.array(comparedGroupSchema),
  /** Rows in use that have no value of the grouping variable. */
  rowsWithout: z.number().int(),
  pairs: z.array(groupedPairSchema),
});
export type SubgroupsResult = z.infer<typeof subgroupsResultSchema>;
