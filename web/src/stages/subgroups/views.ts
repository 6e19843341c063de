/** The parts of the Subgroups stage. */
export const VIEWS = [
  { id: 'pairs', name: 'Pairs' },
  { id: 'side', name: 'Side by side' },
  { id: 'difference', name: 'Difference' },
  { id: 'descriptives', name: 'Descriptives' },
  { id: 'dependent', name: 'Dependent comparisons' },
] as const;

export type View = (typeof VIEWS)[number]['id'];
