/** The parts of the Correlations stage. */
export const VIEWS = [
  { id: 'grid', name: 'Grid' },
  { id: 'ranked', name: 'Ranked' },
  { id: 'rectangle', name: 'Outcomes × predictors' },
  { id: 'questions', name: 'Questions' },
] as const;
