import { z } from 'zod';

/**
 * A list that may have hundreds of thousands of parts, each told by a plain test: a schema for every part takes longer
 * than the work that the list is for, and keeps everybody else waiting.
 * @param isPart whether something is a part of it
 * @param needed what a part must be, as a sentence about the first that is none
 */
export function longList<T>(isPart: (part: unknown) => part is T, needed: string, { least = 0, most }: { least?: number; most: number }) {
  return z
    .array(z.unknown())
    .min(least)
    .max(most)
    .superRefine((parts, context) => {
      const at = parts.findIndex((part) => !isPart(part));
      if (at >= 0) context.addIssue({ code: 'custom', message: needed, path: [at] });
    })
    .transform((parts) => parts as T[]);
}

/** A row's number, from 1. */
export function isRowNumber(part: unknown): part is number {
  return Number.isSafeInteger(part) && (part as number) >= 1;
}
