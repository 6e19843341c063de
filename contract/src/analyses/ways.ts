import type { Impossible, WayMethod } from '@ivlen/core';
import { z } from 'zod';
import { alternativeSchema, levelSchema, numberOrNullSchema, variableIdSchema } from './schemas';

const MOST_CHOICES = 24;

export const wayMethodSchema = z.enum(['pearson', 'spearman', 'kendall', 'percentage-bend']) satisfies z.ZodType<WayMethod>;
/** The values of a variable, the logarithms of the raw ones, or normal scores of the rows that a way uses. */
export const wayScaleSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('variable'), id: variableIdSchema }),
  z.object({ kind: z.literal('log') }),
  z.object({ kind: z.literal('rank-normal') }),
]);
export const wayHeldSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('nothing') }),
  z.object({ kind: z.literal('controls'), ids: z.array(variableIdSchema).min(1).max(20) }),
  z.object({ kind: z.literal('groups'), by: variableIdSchema }),
]);
const rowOptionsSchema = z
  .array(z.enum(['out', 'in']))
  .min(1)
  .max(2);

/** A choice that bears on a coefficient, with its defensible options. */
export const wayChoiceSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('coefficient'), options: z.array(wayMethodSchema).min(1).max(4) }),
  z.object({
    kind: z.literal('scale'),
    of: z.enum(['x', 'y']),
    /** The variable that the others are scales of. */
    raw: variableIdSchema,
    options: z.array(wayScaleSchema).min(1).max(12),
  }),
  /** Rows set aside for one reason, by its place among the reasons, from 1. */
  z.object({ kind: z.literal('set-aside'), reason: z.number().int().min(1), options: rowOptionsSchema }),
  /** One row, by its number from 1. */
  z.object({ kind: z.literal('row'), row: z.number().int().min(1), options: rowOptionsSchema }),
  z.object({
    kind: z.literal('subset'),
    options: z
      .array(z.enum(['inside', 'all']))
      .min(1)
      .max(2),
  }),
  z.object({
    kind: z.literal('missing'),
    /** The variables that a row is complete for under listwise deletion. */
    completeFor: z.array(variableIdSchema).max(200),
    options: z
      .array(z.enum(['pairwise', 'listwise', 'maximum-likelihood']))
      .min(1)
      .max(3),
  }),
  z.object({ kind: z.literal('held'), options: z.array(wayHeldSchema).min(1).max(20) }),
  z.object({
    kind: z.literal('identifier'),
    by: variableIdSchema,
    options: z
      .array(z.enum(['rows', 'means']))
      .min(1)
      .max(2),
  }),
]);
export type WayChoice = z.infer<typeof wayChoiceSchema>;
export type WayScaleOption = z.infer<typeof wayScaleSchema>;
export type WayHeldOption = z.infer<typeof wayHeldSchema>;

/** Every combination of defensible choices about one coefficient. */
export const waysRequestSchema = z.object({
  kind: z.literal('ways'),
  x: variableIdSchema,
  y: variableIdSchema,
  choices: z.array(wayChoiceSchema).max(MOST_CHOICES),
  /** By choice, the place of the option in force. */
  own: z.array(z.number().int().min(0)).max(MOST_CHOICES),
  alternative: alternativeSchema,
  level: levelSchema,
  /** Level of decisions. */
  alpha: levelSchema,
  seed: z.number().int().min(0).max(2_147_483_647),
});

const conditionSchema = z.object({
  ways: z.number().int(),
  parts: z.array(z.object({ choice: z.number().int(), options: z.array(z.number().int()) })),
  always: z.boolean(),
});
const impossibleSchema = z.enum([
  'too-few-cases',
  'constant-x',
  'constant-y',
  'constant-both',
  'no-such-partial',
  'no-likelihood',
  'does-not-settle',
  'too-few-measured',
  'not-positive',
]) satisfies z.ZodType<Impossible>;
export const wayResultSchema = z.object({
  /** By choice, the options that it stands for: combinations that compute the same are one way. */
  options: z.array(z.array(z.number().int())),
  coefficient: numberOrNullSchema,
  low: numberOrNullSchema,
  high: numberOrNullSchema,
  pValue: numberOrNullSchema,
  n: z.number().int(),
  impossible: impossibleSchema.nullable(),
});
export type WayResult = z.infer<typeof wayResultSchema>;

export const waysResultSchema = z.object({
  kind: z.literal('ways'),
  ways: z.array(wayResultSchema),
  /** The place of the way in force. */
  own: z.number().int(),
  combinations: z.number().int(),
  /** Fewer than the combinations where they are a sample. */
  looked: z.number().int(),
  seed: z.number().int(),
  summary: z.object({
    computed: z.number().int(),
    impossible: z.number().int(),
    perfect: z.number().int(),
    negative: z.number().int(),
    positive: z.number().int(),
    tested: z.number().int(),
    significant: z.number().int(),
    lowest: numberOrNullSchema,
    median: numberOrNullSchema,
    highest: numberOrNullSchema,
    sign: conditionSchema.nullable(),
    decision: conditionSchema.extend({ significant: z.boolean() }).nullable(),
    shares: z.array(z.object({ choice: z.number().int(), share: z.number() })),
    together: z.number(),
  }),
});
export type WaysResult = z.infer<typeof waysResultSchema>;
