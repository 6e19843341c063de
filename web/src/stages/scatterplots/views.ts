/** The parts of the Scatterplots stage. */
export const VIEWS = [
  { id: 'matrix', name: 'Matrix' },
  { id: 'rectangle', name: 'Outcomes × predictors' },
  { id: 'single', name: 'One pair' },
] as const;
