import { z } from 'zod';

const idSchema = z.string().min(1).max(40);

/** Scales that a quantity can be taken to. */
export const scaleSchema = z.enum([
  'log10',
  'ln',
  'sqrt',
  'cube-root',
  'reciprocal',
  'square',
  'reflect',
  'centre',
  'standardize',
  'rank-normal',
  'box-cox',
  'yeo-johnson',
]);
export type Scale = z.infer<typeof scaleSchema>;

/** How a variable is computed from others; sources are named by their ids, in formulas too. */
export const derivationSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('formula'),
    formula: z.string().trim().min(1, 'Write a formula.').max(4000),
    /** Filled in when it is stored. */
    sources: z.array(idSchema).default([]),
    /** Whether max, min, mean and sum over a row use the values there are, or need all of them. */
    ignoreMissing: z.boolean(),
  }),
  z.object({ type: z.literal('scale'), source: idSchema, scale: scaleSchema, /** Added to every value first. */ shift: z.number() }),
  z.object({ type: z.literal('cut'), source: idSchema, points: z.array(z.number()).min(1).max(20) }),
  z.object({ type: z.literal('quantile-groups'), source: idSchema, groups: z.number().int().min(2).max(20) }),
  z.object({
    type: z.literal('recode'),
    source: idSchema,
    /** New texts by the old ones; "" makes them missing, and a text that is not named stays. */
    texts: z.record(z.string(), z.string().max(200)),
  }),
  /** A category for every combination of those of two variables. */
  z.object({ type: z.literal('combine'), sources: z.tuple([idSchema, idSchema]) }),
]);
export type Derivation = z.infer<typeof derivationSchema>;

/** Ids of the variables that a derived one is computed from. */
export function sourcesOf(derivation: Derivation): readonly string[] {
  return 'sources' in derivation ? derivation.sources : [derivation.source];
}

const FITTED: ReadonlySet<Scale> = new Set(['reflect', 'centre', 'standardize', 'rank-normal', 'box-cox', 'yeo-johnson']);

/** Whether a derived variable depends on which rows are set aside, as scales and groups fitted to the data do. */
export function isFitted(derivation: Derivation): boolean {
  return derivation.type === 'quantile-groups' || (derivation.type === 'scale' && FITTED.has(derivation.scale));
}
