import { z } from 'zod';
import { isRowNumber, longList } from './long-lists';

const variable = z.string().min(1).max(40);
/** Row numbers from 1, first and last of each range. */
export const rowRangesSchema = longList(isRange, 'A range of rows is the numbers of its first and its last row, from 1.', { most: 50_000 });
export type RowRanges = z.infer<typeof rowRangesSchema>;

function isRange(part: unknown): part is [number, number] {
  return Array.isArray(part) && part.length === 2 && part.every(isRowNumber);
}

/** One condition on a row. A row without the value that a condition is about does not fulfil it. */
export const ruleSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('one-of'),
    variable,
    /** Texts, or numbers as written with a decimal point. */
    values: z.array(z.string().max(200)).min(1, 'Choose at least one value.').max(1000),
    not: z.boolean(),
  }),
  z.object({
    type: z.literal('between'),
    variable,
    low: z.number().nullable(),
    high: z.number().nullable(),
    not: z.boolean(),
  }),
  z.object({ type: z.literal('rows'), from: z.number().int().min(1), to: z.number().int().min(1), not: z.boolean() }),
  z.object({ type: z.literal('missing'), variable, not: z.boolean() }),
]);
export type Rule = z.infer<typeof ruleSchema>;

/** Rules that say which rows are in. */
export const subsetSchema = z.object({ join: z.enum(['all', 'any']), rules: z.array(ruleSchema).min(1, 'A subset needs a rule.').max(30) });
export type Subset = z.infer<typeof subsetSchema>;

export const namedSubsetSchema = z.object({ name: z.string().trim().min(1, 'A subset needs a name.').max(80), subset: subsetSchema });
export type NamedSubset = z.infer<typeof namedSubsetSchema>;

/** Ids of the variables that a subset is about. */
export function subsetVariables({ rules }: Subset): string[] {
  return [...new Set(rules.flatMap((rule) => (rule.type === 'rows' ? [] : [rule.variable])))];
}
