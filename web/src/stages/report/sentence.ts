import type { ReportSettings, Study } from '@ivlen/contract';
import type { SentencePart } from '../../methods-line/methods-parts';

export type ReportChoice = 'significance' | 'intervals' | 'zero' | 'split' | 'paper';

/** How the report is written and printed. */
export function sentence(_: Study, { significance, intervals, leadingZero, split, paper }: ReportSettings): SentencePart<ReportChoice>[] {
  return [
    'Tables ',
    {
      choice: 'significance',
      text: significance === 'marks' ? 'with asterisks' : 'with p under each coefficient',
      label: 'how significance is shown',
      usual: significance === 'marks',
    },
    ', ',
    {
      choice: 'intervals',
      text: intervals ? 'intervals under them' : 'without intervals',
      label: 'whether intervals are shown',
      usual: !intervals,
    },
    ', numbers ',
    {
      choice: 'zero',
      text: leadingZero ? 'as 0.42' : 'as .42',
      label: 'the zero before the point',
      usual: !leadingZero,
    },
    '; on ',
    { choice: 'paper', text: `${paper} A4`, label: 'the paper', usual: paper === 'portrait' },
    ', wide tables ',
    { choice: 'split', text: split ? 'cut into parts' : 'left whole', label: 'wide tables', usual: split },
    '.',
  ];
}
