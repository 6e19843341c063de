import { z } from 'zod';
import { apiErrorSchema } from './errors';

/** What takes longer than a second is answered with the job that does it; its events tell the rest. */
export const jobStartedSchema = z.object({ job: z.uuid() });

export const jobEventSchema = z.discriminatedUnion('type', [
  /** What is being done, in words ("rows stored"), and how much of it; a total of 0 is not known yet. */
  z.object({ type: z.literal('progress'), what: z.string(), done: z.number(), total: z.number() }),
  z.object({ type: z.literal('done'), result: z.unknown() }),
  z.object({ type: z.literal('failed'), error: apiErrorSchema }),
]);
export type JobEvent = z.infer<typeof jobEventSchema>;
