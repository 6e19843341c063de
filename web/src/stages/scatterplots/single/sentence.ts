import type { SinglePlotSettings, Study, Variable } from '@ivlen/contract';
import { rowsWords } from '../../../in-use/in-use-words';
import type { SentencePart } from '../../../methods-line/methods-parts';
import { displayName } from '../../../study/variable-name';
import { overlaysInWords } from '../panel-words';

export type SingleChoice = 'x' | 'y' | 'rows' | 'third' | 'overlays' | 'extras';

export interface SingleFacts {
  readonly study: Study;
  /** "all 248 rows". */
  readonly rows: string;
  readonly x: Variable;
  readonly y: Variable;
  readonly third: Variable | null;
  readonly share: number;
  /** Whether points have a size of their own; so many are drawn alike. */
  readonly canSize: boolean;
}

/** What one large scatterplot shows. */
export function sentence(settings: SinglePlotSettings, { rows, x, y, third, share }: SingleFacts): SentencePart<SingleChoice>[] {
  const { by, margins, equation } = settings;
  const extras = [margins ? 'distributions at the margins' : '', equation ? 'the equation of the line' : ''].filter(Boolean);
  return [
    'Scatterplot of ',
    { choice: 'y', text: displayName(y), label: 'the variable upwards' },
    ' against ',
    { choice: 'x', text: displayName(x), label: 'the variable across' },
    ' in ',
    rowsWords(rows),
    ', ',
    {
      choice: 'third',
      text: third ? `${by === 'size' ? 'sized' : 'coloured'} by ${displayName(third)}` : 'all points alike',
      label: 'a third variable',
      usual: !third,
    },
    '; ',
    { choice: 'overlays', text: overlaysInWords({ ...settings, share }), label: 'what is laid over the points' },
    ' laid over; ',
    { choice: 'extras', text: extras.length > 0 ? extras.join(' and ') : 'plain margins', label: 'margins and equation' },
    '.',
  ];
}
