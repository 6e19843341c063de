import { z } from 'zod';

const variableIdSchema = z.string().max(40);

/** What the panels of one half show: values, the same pairs in ranks, counts in bins, the coefficient, or nothing. */
export const panelContentSchema = z.enum(['points', 'ranks', 'bins', 'coefficient', 'nothing']);
export type PanelContent = z.infer<typeof panelContentSchema>;
export const diagonalContentSchema = z.enum(['histogram', 'density', 'quartiles', 'name']);
export type DiagonalContent = z.infer<typeof diagonalContentSchema>;

/** What is laid over points. */
const overlaysSchema = {
  line: z.boolean().default(false),
  curve: z.boolean().default(false),
  ellipse: z.boolean().default(false),
};

/** A single large scatterplot: what it shows beside the points. */
const singlePlotSchema = z.object({
  /** Variables on the axes; null for the first two of the working set. */
  x: variableIdSchema.nullable().default(null),
  y: variableIdSchema.nullable().default(null),
  /** A third variable, told by colour or by size; null for none. */
  third: variableIdSchema.nullable().default(null),
  by: z.enum(['colour', 'size']).default('colour'),
  ...overlaysSchema,
  line: z.boolean().default(true),
  margins: z.boolean().default(true),
  equation: z.boolean().default(false),
  /** Rows whose names stand beside their points, from 1. */
  labels: z.array(z.number().int().min(1)).max(200).default([]),
});
export type SinglePlotSettings = z.infer<typeof singlePlotSchema>;

/** What the methods line of the Scatterplots stage says, and what its panels show. */
export const scatterplotSettingsSchema = z.object({
  below: panelContentSchema.default('points'),
  above: panelContentSchema.default('ranks'),
  diagonal: diagonalContentSchema.default('histogram'),
  ...overlaysSchema,
  /** Share of cases that an ellipse holds if the two variables are jointly normal. */
  share: z.number().gt(0).lt(1).default(0.95),
  /** Whether each panel of points carries its coefficient with interval in a corner. */
  corners: z.boolean().default(true),
  /** Whether the groups of the grouping variable are told apart. */
  perGroup: z.boolean().default(false),
  /** Stored values of the groups that are not drawn. */
  hidden: z.array(z.number()).max(100).default([]),
  /** Whether points of variables with few different values are moved apart. */
  jitter: z.boolean().default(false),
  /** Variables whose axis ends where the bulk of the values does, values beyond it marked at the edge. */
  bulk: z.array(variableIdSchema).max(200).default([]),
  /** Panels as large as have room, or large ones that scroll. */
  size: z.enum(['fitting', 'large']).default('fitting'),
  single: singlePlotSchema.default(singlePlotSchema.parse({})),
});
export type ScatterplotSettings = z.infer<typeof scatterplotSettingsSchema>;
