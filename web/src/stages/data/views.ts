/** The parts of the Data stage. */
export const VIEWS = [
  { id: 'rows', name: 'Rows' },
  { id: 'codebook', name: 'Codebook' },
  { id: 'check', name: 'To check' },
  { id: 'missing', name: 'Missing values' },
] as const;
