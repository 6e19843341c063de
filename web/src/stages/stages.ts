/** The stages of a study, in the order of the work. */
export const STAGES = [
  { id: 'data', name: 'Data', planned: null },
  { id: 'shape', name: 'Shape', planned: null },
  { id: 'correlations', name: 'Correlations', planned: null },
  { id: 'scatterplots', name: 'Scatterplots', planned: null },
  {
    id: 'subgroups',
    name: 'Subgroups',
    planned: 'Here each correlation will be compared across the groups of a variable, such as the catchments.',
  },
  {
    id: 'collinearity',
    name: 'Collinearity',
    planned: 'Here it will be shown how much of each predictor the others already tell, and which one could be left out.',
  },
  {
    id: 'report',
    name: 'Report',
    planned: 'Here the tables, figures and sentences that were pinned will stand as a page to print or export.',
  },
] as const;

export type Stage = (typeof STAGES)[number];

export function isStage(id: string | undefined): id is Stage['id'] {
  return STAGES.some((stage) => stage.id === id);
}
