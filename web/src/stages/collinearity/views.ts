/** The parts of the Collinearity stage. */
export const VIEWS = [
  { id: 'predictors', name: 'Predictors' },
  { id: 'regression', name: 'Regression' },
  { id: 'residuals', name: 'Residuals and rows' },
] as const;

export type View = (typeof VIEWS)[number]['id'];
