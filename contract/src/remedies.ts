import type { Method } from '@ivlen/core';
import { z } from 'zod';
import { methodSchema } from './methods';

const id = z.string().min(1).max(40);

/** What a caution advised and was decided on: how the coefficient of a pair is got from now on. */
export const takenRemedySchema = z.discriminatedUnion('kind', [
  /** Another coefficient for this pair. */
  z.object({ kind: z.literal('method'), method: methodSchema }),
  /** The same r with the distribution-free interval and its p. */
  z.object({ kind: z.literal('distribution-free') }),
  /** The same coefficient with the p of a permutation test. */
  z.object({ kind: z.literal('permutation') }),
  /** Within the groups, or the cases, that a variable names. */
  z.object({ kind: z.literal('within'), by: id }),
  /** Of the cases’ means, weighted by their rows. */
  z.object({ kind: z.literal('between'), by: id }),
  /** The same coefficient with the interval from cases drawn with all their rows. */
  z.object({ kind: z.literal('cases-drawn'), by: id }),
  /** By maximum likelihood from rows with gaps as well; `among` others than the two, which tell of what is missing. */
  z.object({ kind: z.literal('maximum-likelihood'), among: z.array(id).max(200).default([]) }),
  /** Of the normal variables behind the steps of ordered ones. */
  z.object({ kind: z.literal('behind-steps') }),
  /** Values below a detection limit as such; on their logarithms, or as they are. */
  z.object({ kind: z.literal('below-limit'), logs: z.boolean().default(false) }),
  /** Some variables held constant in this pair. */
  z.object({ kind: z.literal('constant'), held: z.array(id).min(1).max(20) }),
]);
export type TakenRemedy = z.infer<typeof takenRemedySchema>;

/** The remedies that were decided on: for single pairs by `pairKey`, and for all others. */
export const remediesSchema = z.object({
  every: takenRemedySchema.nullable().default(null),
  pairs: z.record(z.string().max(90), takenRemedySchema).default({}),
});
export type Remedies = z.infer<typeof remediesSchema>;
export const NO_REMEDIES: Remedies = { every: null, pairs: {} };

/** The same for a pair whichever of the two comes first. */
export function pairKey(a: string, b: string): string {
  return a < b ? `${a}~${b}` : `${b}~${a}`;
}

/** What was decided for a pair; null where nothing was. */
export function remedyOfPair({ every, pairs }: Remedies, a: string, b: string): TakenRemedy | null {
  const key = pairKey(a, b);
  return (Object.hasOwn(pairs, key) ? pairs[key] : undefined) ?? every;
}

/** The variables that a remedy needs besides the two. */
export function variablesOfRemedy(remedy: TakenRemedy | null): readonly string[] {
  if (!remedy) return [];
  if ('by' in remedy) return [remedy.by];
  if ('held' in remedy) return remedy.held;
  return 'among' in remedy ? remedy.among : [];
}

/** Own methods by variable and by pair, as `methodForPair` reads them. */
export function ownMethods({
  pairMethods,
  remedies,
}: {
  readonly pairMethods: Readonly<Record<string, Method>>;
  readonly remedies: Remedies;
}): Record<string, Method> {
  const ofPairs = Object.entries(remedies.pairs).flatMap(([key, remedy]) =>
    remedy.kind === 'method' ? [[key, remedy.method] as const] : [],
  );
  return ofPairs.length === 0 ? { ...pairMethods } : { ...pairMethods, ...Object.fromEntries(ofPairs) };
}
