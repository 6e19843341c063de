/** The parts of the Shape stage. */
export const VIEWS = [
  { id: 'each', name: 'Each variable' },
  { id: 'together', name: 'Together' },
  { id: 'scales', name: 'Other scales' },
  { id: 'table', name: 'Descriptives' },
] as const;
