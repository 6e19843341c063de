import { z } from 'zod';
import { predictorsSchema } from './analyses/predictors';
import { rowsChosenSchema, studyStateSchema, variableSchema } from './codebook';
import { derivationSchema } from './derivations';
import { isRowNumber, longList } from './long-lists';
import { methodSchema } from './methods';
import { questionChangeSchemas } from './questions';
import { readingSchema } from './reading';
import { takenRemedySchema } from './remedies';
import { namedSubsetSchema, rowRangesSchema, subsetSchema } from './subsets';

/** What of a codebook entry can be corrected after the data are in. */
export const variablePatchSchema = variableSchema
  .pick({
    name: true,
    label: true,
    unit: true,
    kind: true,
    decimals: true,
    role: true,
    highMeans: true,
    valueLabels: true,
    validRange: true,
    missingCodes: true,
    note: true,
    detectionLimit: true,
    reliability: true,
  })
  .partial();
export type VariablePatch = z.infer<typeof variablePatchSchema>;

/** What of the study's own entry can be corrected. */
export const studyEntryPatchSchema = z
  .object({
    ...studyStateSchema.pick({ rowMeaning: true, source: true, citation: true, exclusions: true }).shape,
    rowsChosen: rowsChosenSchema.nullable(),
  })
  .partial();
export type StudyEntryPatch = z.infer<typeof studyEntryPatchSchema>;

const id = z.string().min(1).max(40);
/** Rows in which one change may write. */
const MOST_ROWS = 150_000;
const LONGEST_CELL = 2000;

function isRowOfCells(part: unknown): part is string[] {
  return Array.isArray(part) && part.every((cell) => typeof cell === 'string' && cell.length <= LONGEST_CELL);
}

/** Rows by their numbers, or by a rule. */
export const rowChoiceSchema = z.union([z.object({ rows: rowRangesSchema }), z.object({ rule: subsetSchema })]);
export type RowChoice = z.infer<typeof rowChoiceSchema>;

/** How a derived variable is called and computed; a formula names its sources as the codebook does. */
export const definitionSchema = z.object({
  name: z.string().trim().min(1, 'A variable needs a name.').max(200),
  unit: z.string().max(60).nullable(),
  derivation: derivationSchema,
});
export type Definition = z.infer<typeof definitionSchema>;

/** One change of a study; each becomes a revision. */
export const changeSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('edit-variable'), variable: id, patch: variablePatchSchema }),
  /** A number or text means "missing" in some variables from now on. */
  z.object({ type: z.literal('mean-missing'), code: z.string().trim().min(1).max(60), variables: z.array(id).min(1).max(1000) }),
  /** The texts of a variable are read as numbers; those that are none become missing. */
  z.object({ type: z.literal('read-as-numbers'), variable: id, reading: readingSchema }),
  z.object({ type: z.literal('edit-study'), patch: studyEntryPatchSchema }),
  z.object({
    type: z.literal('edit-cells'),
    variables: z.array(id).min(1).max(1000),
    /** Row numbers from 1, in the order of the block. */
    rows: longList(isRowNumber, 'A row is named by its number, from 1.', { least: 1, most: MOST_ROWS }),
    /** The block's texts, row by row; "" is missing. */
    cells: longList(isRowOfCells, `A row of cells is a list of texts, each of at most ${LONGEST_CELL} letters.`, { most: MOST_ROWS }),
  }),
  z.object({ type: z.literal('set-aside'), choice: rowChoiceSchema, because: z.string().trim().min(1, 'Say why.').max(300) }),
  z.object({ type: z.literal('bring-back'), choice: rowChoiceSchema }),
  /** Some rows become the groups of a new nominal variable, them and all others; on request, they become the subset too. */
  z.object({
    type: z.literal('keep-selection'),
    name: z.string().trim().min(1, 'A variable needs a name.').max(200),
    choice: rowChoiceSchema,
    /** What the rows of the choice are called in it, and all others. */
    chosen: z.string().trim().min(1, 'The chosen rows need a word.').max(200),
    others: z.string().trim().min(1, 'The other rows need a word.').max(200),
    useOnly: z.boolean().default(false),
  }),
  z.object({ type: z.literal('set-subset'), subset: subsetSchema.nullable() }),
  z.object({ type: z.literal('name-subset'), named: namedSubsetSchema }),
  z.object({ type: z.literal('forget-subset'), name: z.string() }),
  z.object({ type: z.literal('derive'), definition: definitionSchema }),
  z.object({ type: z.literal('redefine'), variable: id, definition: definitionSchema }),
  z.object({ type: z.literal('remove-variable'), variable: id }),
  z.object({ type: z.literal('accept-value'), variable: id, row: z.number().int().min(1), value: z.number().nullable() }),
  /** Other scales of a variable were looked at, and none was kept. */
  z.object({ type: z.literal('no-scale-kept'), variable: id }),
  /** The pairs of a variable are correlated by a method of their own; null as all others are. */
  z.object({ type: z.literal('set-pair-method'), variable: id, method: methodSchema.nullable() }),
  /** What a caution advises is done for some pairs, or for all, from now on; null: as without it. */
  z.object({
    type: z.literal('take-remedy'),
    remedy: takenRemedySchema.nullable(),
    pairs: z.union([
      z.literal('every'),
      z
        .array(z.tuple([id, id]))
        .min(1)
        .max(20_000),
    ]),
  }),
  /** A predictor is left out of the models from now on, or taken in again; `among` are those it was judged with, it included. */
  z.object({ type: z.literal('leave-out-predictor'), variable: id, among: predictorsSchema }),
  z.object({ type: z.literal('take-in-predictor'), variable: id }),
  /** A note about a pair; an empty one is taken away. */
  z.object({ type: z.literal('note-pair'), pair: z.tuple([id, id]), text: z.string().max(4000) }),
  ...questionChangeSchemas,
  /** Codebook, derived variables, subsets and settings as another study has them. */
  z.object({ type: z.literal('take-over'), from: z.uuid() }),
]);
export type Change = z.infer<typeof changeSchema>;
export type ChangeOf<T extends Change['type']> = Extract<Change, { type: T }>;

/** What of another study's choices fits a study, and what does not, each in words. */
export const choicesPreviewSchema = z.object({ fits: z.array(z.string()), notFitting: z.array(z.string()) });
export type ChoicesPreview = z.infer<typeof choicesPreviewSchema>;
