/** The parts of the Correlations stage. */
export const VIEWS = [
  { id: 'grid', name: 'Grid' },
  { id: 'ranked', name: 'Ranked' },
  { id: 'rectangle', name: 'Outcomes × predictors' },
  { id: 'questions', name: 'Questions' },
  { id: 'sturdiness', name: 'Sturdiness' },
] as const;

/** The same with two variables, where the pair itself stands in the place of the grid. */
export const VIEWS_OF_ONE_PAIR = VIEWS.map((view) => (view.id === 'grid' ? { ...view, name: 'Pair' as const } : view));
