import type { Method } from '@ivlen/core';
import { z } from 'zod';
import { derivationSchema } from './derivations';
import { methodSchema } from './methods';
import { questionSchema } from './questions';
import { reliabilitySchema } from './reliability';
import { NO_REMEDIES, pairKey, remediesSchema } from './remedies';
import { namedSubsetSchema, subsetSchema } from './subsets';

/** What a variable is, in the trade's words; only the first four can be correlated. */
export const kindSchema = z.enum(['continuous', 'discrete', 'ordinal', 'two-valued', 'nominal', 'identifier', 'date']);
export type Kind = z.infer<typeof kindSchema>;

export const roleSchema = z.enum(['outcome', 'predictor', 'grouping']);

/** How a variable's cells are stored: numbers as they are, text as codes into a dictionary, dates as days since 1970. */
export const storageSchema = z.enum(['number', 'code', 'day']);
export type Storage = z.infer<typeof storageSchema>;

/** One entry of the codebook. */
export const variableSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().min(1).max(200),
  label: z.string().max(400).nullable(),
  unit: z.string().max(60).nullable(),
  kind: kindSchema,
  storage: storageSchema,
  /** Decimals shown; null shows as many as the values need. */
  decimals: z.number().int().min(0).max(10).nullable(),
  role: roleSchema.nullable(),
  /** What high values mean, in words, for the result sentences. */
  highMeans: z.string().max(200).nullable(),
  valueLabels: z.record(z.string(), z.string().max(200)),
  missingCodes: z.array(z.string().max(60)),
  validRange: z.object({ low: z.number().nullable(), high: z.number().nullable() }).nullable(),
  note: z.string().max(4000).nullable(),
  /** Values up to this one lie below what could be measured, and stand at the limit; null where all were measured. */
  detectionLimit: z.number().nullable().default(null),
  /** null where nothing is known of its errors of measurement. */
  reliability: reliabilitySchema.nullable().default(null),
  /** How the variable is computed from others; null for measured ones. */
  derivation: derivationSchema.nullable(),
  /** The revision at which its values last changed, themselves or through a source. */
  version: z.number().int().default(1),
});
export type Variable = z.infer<typeof variableSchema>;

/** Why rows were set aside: the row's code in the stored column is the place in the list, from 1; 0 is not set aside. */
export const setAsideSchema = z.object({
  reasons: z.array(z.string().max(300)),
  count: z.number().int(),
  version: z.number().int(),
});

/** A suspicious value that was looked at and found right. */
export const acceptedSchema = z.object({ variable: z.string(), row: z.number().int(), value: z.number().nullable() });

/** How the rows came to be in the table: p and intervals rest on it. */
export const rowsChosenSchema = z.enum(['all', 'at-random', 'by-hand', 'unknown']);
export type RowsChosen = z.infer<typeof rowsChosenSchema>;
/** As the entry of the study says it, after "The rows". */
export const ROWS_CHOSEN_WORDS: Readonly<Record<RowsChosen, string>> = {
  all: 'are all there are',
  'at-random': 'were drawn at random',
  'by-hand': 'were chosen by hand',
  unknown: 'were chosen in an unknown way',
};

/** The whole small state of a study at one revision. */
export const studyStateSchema = z.object({
  variables: z.array(variableSchema),
  /** What one row is: "station", "person". */
  rowMeaning: z.string().max(200).nullable(),
  /** How the rows were chosen; null where that was not asked yet. */
  rowsChosen: rowsChosenSchema.nullable().default(null),
  source: z.string().max(1000).nullable(),
  citation: z.string().max(1000).nullable(),
  exclusions: z.string().max(1000).nullable(),
  setAside: setAsideSchema.nullable().default(null),
  /** Which rows are in; null for all. */
  subset: subsetSchema.nullable().default(null),
  namedSubsets: z.array(namedSubsetSchema).max(100).default([]),
  /** How many rows are neither set aside nor outside the subset, and when that last changed; null for all rows. */
  inUse: z.object({ rows: z.number().int(), version: z.number().int() }).nullable().default(null),
  accepted: z.array(acceptedSchema).default([]),
  /** Variables whose pairs are correlated by a method of their own, whatever the others are; for a reason in the trail. */
  pairMethods: z.record(z.string(), methodSchema).default({}),
  /** Remedies that were decided on, for single pairs and for all; each with its reason in the trail. */
  remedies: remediesSchema.default(NO_REMEDIES),
  /** Variables that are left out of the predictors, for a reason in the trail. */
  leftOut: z.array(z.string()).default([]),
  /** Notes about pairs, by `pairKey`. */
  pairNotes: z.record(z.string(), z.string().max(4000)).default({}),
  /** Research questions with their hypotheses, in the order asked. */
  questions: z.array(questionSchema).max(100).default([]),
});
export type StudyState = z.infer<typeof studyStateSchema>;

const QUANTITIES: ReadonlySet<Kind> = new Set(['continuous', 'discrete']);

/** Continuous and discrete variables: those ticked when a study is new. */
export function isQuantity({ kind }: Pick<Variable, 'kind'>): boolean {
  return QUANTITIES.has(kind);
}

/** Kinds whose values are groups. */
const GROUPS: ReadonlySet<Kind> = new Set(['nominal', 'ordinal', 'two-valued']);

/** Whether a variable's values make groups of the rows. */
export function makesGroups({ kind, role }: Pick<Variable, 'kind' | 'role'>): boolean {
  return GROUPS.has(kind) || role === 'grouping';
}

/** Whether a coefficient can be computed from a variable at all: quantities, and orders and two values stored as numbers. */
export function canBeCorrelated({ kind, storage }: Pick<Variable, 'kind' | 'storage'>): boolean {
  return storage === 'number' && (QUANTITIES.has(kind) || kind === 'ordinal' || kind === 'two-valued');
}

/** Kinds that a variable can take, given how its cells are stored. */
export function kindsFor(storage: Storage): readonly Kind[] {
  if (storage === 'number') return ['continuous', 'discrete', 'ordinal', 'two-valued', 'nominal', 'identifier'];
  return storage === 'day' ? ['date'] : ['nominal', 'identifier'];
}

const FIRST_TICKED = 12;

/** The working set of a new study: its first twelve quantities; its orders too where it has hardly any. */
export function firstWorkingSet(variables: readonly Variable[]): string[] {
  const wanted = startsWithRanks(variables) ? canBeCorrelated : isQuantity;
  return variables
    .filter((variable) => wanted(variable) && variable.kind !== 'two-valued')
    .slice(0, FIRST_TICKED)
    .map((variable) => variable.id);
}

/** Whether a new study holds orders rather than quantities, so that its coefficients are of ranks. */
export function startsWithRanks(variables: readonly Pick<Variable, 'kind' | 'storage'>[]): boolean {
  const orders = variables.filter((variable) => variable.kind === 'ordinal' && canBeCorrelated(variable)).length;
  return variables.filter(isQuantity).length < 2 && orders > 1;
}

/** Own methods in the order in which they win where the two variables of a pair have different ones. */
const WINNING: readonly Method[] = [...methodSchema.options].reverse();

/** The method of a pair: that of all, unless it or one of its variables has one of its own. @param byVariable by variable, or by `pairKey` */
export function methodForPair(common: Method, byVariable: Readonly<Record<string, Method>>, a: string, b: string): Method {
  const key = pairKey(a, b);
  if (Object.hasOwn(byVariable, key)) return byVariable[key] ?? common;
  return WINNING.find((method) => byVariable[a] === method || byVariable[b] === method) ?? common;
}
