import { z } from 'zod';
import { analysisSchema } from './analyses/index';

/** What can be pinned for the report. */
export const pinnedThingSchema = z.enum(['matrix', 'pair', 'table', 'figure', 'text']);
export type PinnedThing = z.infer<typeof pinnedThingSchema>;

/** Something chosen for the report: what to ask for and how it was set, never a picture or a number. */
export const pinnedSchema = z.object({
  /** The stage it was pinned in. */
  stage: z.string().min(1).max(40),
  thing: pinnedThingSchema,
  /** What it shows, in words. */
  title: z.string().trim().min(1).max(300),
  /** The analysis behind it; null for what a stage draws of the data without one. */
  request: analysisSchema.nullable(),
  /** The stage's settings as they were at pinning, with whatever else it takes to show it again. */
  settings: z.record(z.string(), z.unknown()),
  /** The decision at which it is held; null where it follows the data. */
  revision: z.number().int().nullable(),
});
export type Pinned = z.infer<typeof pinnedSchema>;
export type PinnedInput = z.input<typeof pinnedSchema>;
