import { z } from 'zod';
import { methodSchema } from './codebook';
import { shapeSettingsSchema } from './shape';

export const levelsSchema = z
  .array(z.number().gt(0).lt(1))
  .min(1)
  .max(3)
  .refine((levels) => levels.every((level, i) => i === 0 || level < (levels[i - 1] ?? 1)), 'Levels go from large to small.');

/** What the methods line of the Correlations stage says, and how the grid is laid out. */
export const correlationSettingsSchema = z.object({
  /** The method of all pairs whose variables have none of their own. */
  method: methodSchema.default('pearson'),
  alternative: z.enum(['two-sided', 'greater', 'less']).default('two-sided'),
  missing: z.enum(['pairwise', 'listwise']).default('pairwise'),
  /** Significance levels of the marks, from large to small. */
  levels: levelsSchema.default([0.05, 0.01, 0.001]),
  /** What the half above the diagonal shows. */
  above: z.enum(['p', 'n', 'interval', 'nothing']).default('p'),
});
export type CorrelationSettings = z.infer<typeof correlationSettingsSchema>;

/** The ticked variables, in order. */
export const workingSetSettingsSchema = z.object({ variables: z.array(z.string()).max(200) });

/** The variable whose groups are compared, where a stage compares groups. */
export const groupingSettingsSchema = z.object({ variable: z.string().max(40).nullable() });

/** Settings by the part of the study that they belong to. */
export const settingsSchemas = {
  'working-set': workingSetSettingsSchema,
  correlations: correlationSettingsSchema,
  shape: shapeSettingsSchema,
  grouping: groupingSettingsSchema,
} as const;

export const settingsScopeSchema = z.enum(['working-set', 'correlations', 'shape', 'grouping']);
export type SettingsScope = z.infer<typeof settingsScopeSchema>;
/** All settings of a study that were ever saved. */
export type Settings = { [S in SettingsScope]?: SettingsOf<S> };
export type SettingsOf<S extends SettingsScope> = z.infer<(typeof settingsSchemas)[S]>;

/** Settings with the version that a save must name, so that two tabs don't overwrite each other. */
export const storedSettingsSchema = z.object({ version: z.number().int(), settings: z.unknown() });

export const saveSettingsSchema = z.object({ version: z.number().int(), settings: z.unknown() });
