import { z } from 'zod';

/** What went wrong. */
export const apiErrorSchema = z.object({
  code: z.string(),
  /** A sentence: what happened. */
  message: z.string(),
  /** Where: a row, a column, a field. */
  where: z.string().optional(),
  /** What to do about it. */
  hint: z.string().optional(),
});
export type ApiError = z.infer<typeof apiErrorSchema>;

/** Every error the server answers with has this shape. */
export const errorSchema = z.object({ error: apiErrorSchema });
