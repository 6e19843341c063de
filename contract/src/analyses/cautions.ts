import type { CautionCode, CheckCode, RemedyKind } from '@ivlen/core';
import { z } from 'zod';
import { methodSchema } from '../methods';
import { MOST_COMPARED } from './groups';
import { alternativeSchema, levelSchema, numberOrNullSchema, ownMethodsSchema, rowsField, variableIdSchema } from './schemas';
import { shapeRuleSchema } from './shape';

/** What a reader should know about the coefficients among some variables. */
export const cautionsRequestSchema = z.object({
  kind: z.literal('cautions'),
  variables: z.array(variableIdSchema).max(200),
  method: methodSchema,
  byVariable: ownMethodsSchema,
  alternative: alternativeSchema.default('two-sided'),
  ...rowsField,
  shapeRule: shapeRuleSchema,
  /** The variable whose groups may disagree; null for none. */
  groupBy: variableIdSchema.nullable(),
  /** Stored values of the groups that take part; null for all. */
  groupsOnly: z.array(z.number()).max(MOST_COMPARED).nullable().default(null),
  /** Level of decisions. */
  alpha: levelSchema,
  /** Whether every check is listed, also those that hold. */
  withChecks: z.boolean().default(false),
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
  'below-limit',
]) satisfies z.ZodType<CautionCode>;
const judgedSchema = z.object({ coefficient: numberOrNullSchema, pValue: numberOrNullSchema });
const remedyKindSchema = z.enum([
  'ranks',
  'parabola',
  'distribution-free',
  'permutation',
  'without-row',
  'within-groups',
  'within-cases',
  'maximum-likelihood',
  'behind-steps',
  'below-limit',
  'component-constant',
  'remaining-part',
]) satisfies z.ZodType<RemedyKind>;
const cautionSchema = z.object({
  code: cautionCodeSchema,
  level: z.enum(['note', 'could-change']),
  values: z.record(z.string(), numberOrNullSchema),
  /** The coefficient that it is about, with its unadjusted p. */
  found: judgedSchema,
  /** What heeding it gives; null where there is nothing to compute. */
  remedy: judgedSchema
    .extend({
      kind: remedyKindSchema,
      n: z.number().int(),
      low: numberOrNullSchema,
      high: numberOrNullSchema,
      /** The row left out, numbered from 1, and its name where an identifier names it. */
      row: z.number().int().nullable(),
      name: z.string().nullable(),
      /** What is held constant. */
      held: z.array(variableIdSchema).default([]),
    })
    .nullable(),
});
export type PairCaution = z.infer<typeof cautionSchema>;
const checkCodeSchema = z.enum([
  'kinds',
  'shape-x',
  'shape-y',
  'straight',
  'even-spread',
  'one-row',
  'methods-agree',
  'groups-agree',
  'no-shared-component',
  'rows-independent',
  'enough-rows',
  'few-missing',
  'ties',
]) satisfies z.ZodType<CheckCode>;
const checkSchema = z.object({
  code: checkCodeSchema,
  /** null where it could not be judged. */
  held: z.boolean().nullable(),
  values: z.record(z.string(), numberOrNullSchema),
  /** The row that the values speak of, numbered from 1, and its name where an identifier names it. */
  row: z.number().int().nullable(),
  name: z.string().nullable(),
});
/** Something that was looked at, whether or not there is something to caution against. */
export type PairCheckResult = z.infer<typeof checkSchema>;
export const cautionsResultSchema = z.object({
  kind: z.literal('cautions'),
  /** The variable that names the cases; null where none does. */
  identifier: variableIdSchema.nullable().default(null),
  /** Pairs that have any; all of them where checks are asked for. */
  pairs: z.array(
    z.object({ a: variableIdSchema, b: variableIdSchema, cautions: z.array(cautionSchema), checks: z.array(checkSchema).default([]) }),
  ),
});
export type CautionsResult = z.infer<typeof cautionsResultSchema>;
