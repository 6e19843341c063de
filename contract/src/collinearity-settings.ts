import { z } from 'zod';

const variableIdSchema = z.string().max(40);
/** So many ordered sets of predictors can be entered one after the other. */
export const MOST_SETS = 3;

/** Which predictors the Collinearity stage looks at, how they enter, and which are left out to see what becomes of the rest. */
export const collinearitySettingsSchema = z.object({
  /** Those ticked, as in all stages; those with the role of a predictor; or a choice made for this stage. */
  from: z.enum(['ticked', 'role', 'own']).default('ticked'),
  /** The choice made for this stage. */
  predictors: z.array(variableIdSchema).max(150).default([]),
  /** The one with that role where `byRole` is chosen. */
  outcome: z
    .union([z.literal('by-role'), variableIdSchema])
    .nullable()
    .default('by-role'),
  /** How variables enter that could enter otherwise, and the reference levels that were chosen. */
  enter: z
    .record(variableIdSchema, z.object({ as: z.enum(['quantity', 'levels']), reference: z.number().nullable().default(null) }))
    .default({}),
  /** Switched off. */
  off: z.array(variableIdSchema).max(150).default([]),
  /** What was switched off when the values were taken that stay as ghosts; null for no ghosts. */
  before: z.array(variableIdSchema).max(150).nullable().default(null),
  /** Whether rows that only those switched off lack are used again. */
  released: z.boolean().default(false),
  /** Pairs of at least this |r| are listed. */
  threshold: z.number().gt(0).lte(1).default(0.9),
  /** VIF above which a predictor counts as told by the others. */
  limit: z.number().gt(1).default(10),
  /** Condition indices of centred columns, without the intercept. */
  centred: z.boolean().default(false),
  /** In the order of the predictors, or the most told first. */
  order: z.enum(['listed', 'told']).default('listed'),
  /** Confidence level of the regression's intervals. */
  level: z.number().gt(0).lt(1).default(0.95),
  /** Which of the ordered sets a predictor is entered in, from 2; those not named in the first. */
  sets: z.record(variableIdSchema, z.number().int().min(2).max(MOST_SETS)).default({}),
});
export type CollinearitySettings = z.infer<typeof collinearitySettingsSchema>;
