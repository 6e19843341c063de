/** A hint on a screen of the demo. */
export interface Step {
  readonly id: string;
  /** The stage it is about. */
  readonly stage: string;
  readonly title: string;
  readonly words: string;
  /** The control it speaks of. */
  readonly at: string;
  /** What has to be done before that control is there, and where. */
  readonly before?: { readonly words: string; readonly at: string };
}

const partOf = (stage: string, view: string) => `nav[aria-label="Parts of the ${stage} stage"] [data-view="${view}"]`;
const CELL = '[role="grid"] [role="gridcell"][aria-selected]';

/** The first steps through the demo, in the order of the work. */
export const STEPS: readonly Step[] = [
  {
    id: 'panel',
    stage: 'correlations',
    title: 'What is studied',
    words: 'Every stage shows the variables that are ticked here. Untick one, and the matrix goes on without it.',
    at: 'aside[aria-label="Variables"]',
  },
  {
    id: 'check',
    stage: 'data',
    title: 'What may be wrong',
    words: 'One pH of this survey lost its decimal point. “To check” lists such values, with what each of them does to the coefficients.',
    at: partOf('Data', 'check'),
  },
  {
    id: 'scales',
    stage: 'shape',
    title: 'Lopsided variables',
    words: 'Each strip is a variable by itself. Where a shape is marked, “Other scales” shows what a logarithm would make of it.',
    at: partOf('Shape', 'scales'),
  },
  {
    id: 'sentence',
    stage: 'correlations',
    title: 'What is computed',
    words: 'This sentence is the method, as a paper would put it. Press an underlined part to change it.',
    at: '[data-testid="methods-line"]',
  },
  {
    id: 'cell',
    stage: 'correlations',
    title: 'Row meets column',
    words: 'Each cell is one pair. A wavy underline means: look before you trust it. Press a cell to open its card.',
    at: CELL,
  },
  {
    id: 'copy',
    stage: 'correlations',
    title: 'The result in a sentence',
    words: 'The card holds the plot, what was checked, and this sentence. “Copy” takes it along.',
    at: '[data-testid="pair-sentence"]',
    before: { words: 'Press a cell of the matrix, and its card opens here.', at: CELL },
  },
  {
    id: 'groups',
    stage: 'subgroups',
    title: 'The same in every group?',
    words: 'Pairs that differ between the catchments, or turn round inside them, are named on top.',
    at: partOf('Subgroups', 'pairs'),
  },
  {
    id: 'predictors',
    stage: 'collinearity',
    title: 'Predictors that say the same',
    words: 'How much of each predictor the others tell already. Switch one off, and see what the rest becomes.',
    at: partOf('Collinearity', 'predictors'),
  },
  {
    id: 'draft',
    stage: 'report',
    title: 'The page to hand over',
    words: '“Write a first draft” makes sentences, tables and figures from all of this. Change what you like: the numbers stay alive.',
    at: '[data-first-step="draft"]',
  },
];
