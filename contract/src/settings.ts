import type { Adjustment } from '@ivlen/core';
import { z } from 'zod';
import { MOST_COMPARED } from './analyses/groups';
import { intervalKindSchema } from './analyses/schemas';
import { collinearitySettingsSchema } from './collinearity-settings';
import { methodSchema } from './methods';
import { MOST_TICKED } from './most-ticked';
import { reportSettingsSchema } from './reports';
import { scatterplotSettingsSchema } from './scatterplots';
import { shapeSettingsSchema } from './shape-settings';

export const levelsSchema = z
  .array(z.number().gt(0).lt(1))
  .min(1)
  .max(3)
  .refine((levels) => levels.every((level, i) => i === 0 || level < (levels[i - 1] ?? 1)), 'Levels go from large to small.');

const variableIdSchema = z.string().max(40);
export const adjustmentSchema = z.enum([
  'none',
  'bonferroni',
  'holm',
  'hochberg',
  'benjamini-hochberg',
  'benjamini-yekutieli',
]) satisfies z.ZodType<Adjustment | 'none'>;
/** What one half of the grid shows. */
export const halfSchema = z.enum(['coefficient', 'second', 'p', 'adjusted-p', 'n', 'interval', 'plot', 'nothing']);
export type Half = z.infer<typeof halfSchema>;

/** What the methods line of the Correlations stage says, and how the matrix is laid out. */
export const correlationSettingsSchema = z.object({
  /** The coefficients shown; the first is that of all pairs whose variables have no method of their own. */
  methods: z.array(methodSchema).min(1).max(methodSchema.options.length).default(['pearson']),
  alternative: z.enum(['two-sided', 'greater', 'less']).default('two-sided'),
  missing: z.enum(['pairwise', 'listwise']).default('pairwise'),
  /** Significance levels of the marks, from large to small. */
  levels: levelsSchema.default([0.05, 0.01, 0.001]),
  /** How p-values are adjusted for their number. */
  adjust: adjustmentSchema.default('none'),
  /** Confidence level of the intervals. */
  level: z.number().gt(0).lt(1).default(0.95),
  /** Kind of interval; a coefficient that has no such kind keeps its usual one. */
  interval: intervalKindSchema.default('default'),
  /** Variables held constant: partial correlations. */
  control: z.array(variableIdSchema).max(20).default([]),
  below: halfSchema.default('coefficient'),
  above: halfSchema.default('p'),
  /** What stands under a coefficient, in tiles that have room for it. */
  under: z.enum(['nothing', 'interval', 'n']).default('nothing'),
  /** Coefficients of at least this size are outlined; null for none. */
  strength: z.number().gt(0).lte(1).nullable().default(null),
  /** Whether coefficients below that size are dimmed. */
  dim: z.boolean().default(false),
  order: z.enum(['listed', 'cluster', 'name']).default('listed'),
  size: z.enum(['comfortable', 'compact', 'colour']).default('comfortable'),
  /** Whether means and standard deviations stand beside the names. */
  descriptives: z.boolean().default(false),
  /** Which cautions underline a coefficient. */
  cautions: z.enum(['decisive', 'all', 'none']).default('decisive'),
});
export type CorrelationSettings = z.infer<typeof correlationSettingsSchema>;

/** The ticked variables, in order. */
export const workingSetSettingsSchema = z.object({ variables: z.array(z.string()).max(MOST_TICKED) });

/** The variable whose groups are compared, where a stage compares groups, and which of them take part. */
export const groupingSettingsSchema = z.object({
  variable: z.string().max(40).nullable(),
  /** Stored values of the groups of that variable; null for all, or the largest of many. */
  groups: z.array(z.number()).min(2).max(MOST_COMPARED).nullable().default(null),
  /** Whether the rows without a group are one of their own. */
  withoutOne: z.boolean().default(false),
});

/** How the Subgroups stage is laid out; coefficients, levels and adjustment are those of the Correlations stage. */
export const subgroupSettingsSchema = z.object({
  order: z.enum(['disagreement', 'name', 'size']).default('disagreement'),
  /** Only pairs with this variable; null for any. */
  onlyWith: variableIdSchema.nullable().default(null),
  /** Only outcomes with predictors, which are then the family of the adjusted p. */
  byRole: z.boolean().default(false),
  /** Only pairs whose groups differ at the first level. */
  onlyDiffering: z.boolean().default(false),
  /** What the other half of the differences shows. */
  half: z.enum(['p', 'interval', 'q', 'nothing']).default('p'),
  /** The two groups whose difference is shown, by stored value; null for the first two. */
  first: z.number().nullable().default(null),
  second: z
    .union([z.number(), z.literal('rest')])
    .nullable()
    .default(null),
});
export type SubgroupSettings = z.infer<typeof subgroupSettingsSchema>;

/** Decimals with which coefficients and p are written, everywhere alike. */
export const numberSettingsSchema = z.object({
  coefficients: z.union([z.literal(2), z.literal(3)]).default(2),
  p: z.union([z.literal(2), z.literal(3), z.literal(4)]).default(3),
});
export type NumberSettings = z.infer<typeof numberSettingsSchema>;

/** Which options were ticked as defensible, by pair and choice; what nobody touched is ticked as it is offered. */
export const sturdinessSettingsSchema = z.object({
  ticked: z.record(z.string().max(90), z.record(z.string().max(60), z.array(z.string().max(200)).max(20))).default({}),
});
export type SturdinessSettings = z.infer<typeof sturdinessSettingsSchema>;

/** Settings by the part of the study that they belong to. */
export const settingsSchemas = {
  'working-set': workingSetSettingsSchema,
  correlations: correlationSettingsSchema,
  shape: shapeSettingsSchema,
  grouping: groupingSettingsSchema,
  subgroups: subgroupSettingsSchema,
  collinearity: collinearitySettingsSchema,
  scatterplots: scatterplotSettingsSchema,
  numbers: numberSettingsSchema,
  report: reportSettingsSchema,
  sturdiness: sturdinessSettingsSchema,
} as const;

export const settingsScopeSchema = z.enum([
  'working-set',
  'correlations',
  'shape',
  'grouping',
  'subgroups',
  'collinearity',
  'scatterplots',
  'numbers',
  'report',
  'sturdiness',
]);
export type SettingsScope = z.infer<typeof settingsScopeSchema>;
/** All settings of a study that were ever saved. */
export type Settings = { [S in SettingsScope]?: SettingsOf<S> };
export type SettingsOf<S extends SettingsScope> = z.infer<(typeof settingsSchemas)[S]>;

/** Settings as they were stored; null where they are none that this version understands, so that the usual ones serve. */
export function readSettings<S extends SettingsScope>(scope: S, stored: unknown): SettingsOf<S> | null {
  const parsed = settingsSchemas[scope].safeParse(stored);
  return parsed.success ? (parsed.data as SettingsOf<S>) : null;
}

/** All settings of a study that this version understands; the others start anew. */
export function readAllSettings(stored: Readonly<Record<string, unknown>>): Settings {
  return Object.fromEntries(
    settingsScopeSchema.options.flatMap((scope) => {
      const settings = Object.hasOwn(stored, scope) ? readSettings(scope, stored[scope]) : null;
      return settings === null ? [] : [[scope, settings]];
    }),
  );
}

/** Settings with the version that a save must name, so that two tabs don't overwrite each other. */
export const storedSettingsSchema = z.object({
  version: z.number().int(),
  /** null if never saved, or not understood. */
  settings: z.unknown(),
  /** Whether some were saved that this version does not understand. */
  unreadable: z.boolean().default(false),
});

export const saveSettingsSchema = z.object({ version: z.number().int(), settings: z.unknown() });
