import type { CollinearitySettings, Study } from '@ivlen/contract';
import { percent } from '../../coefficients/cell-data';
import { type InUseChoice, rowsWords } from '../../in-use/in-use-words';
import type { ChoiceWords, SentencePart } from '../../methods-line/methods-parts';
import { coefficientText } from '../../numbers/number-text';
import type { Chosen } from '../../predictors/chosen-predictors';
import { displayName } from '../../study/variable-name';
import type { View } from './views';

export type CollinearityChoice = Exclude<InUseChoice, 'variables'> | 'predictors' | 'outcome' | 'threshold' | 'limit' | 'indices' | 'level';
type Parts = SentencePart<CollinearityChoice>[];

export interface CollinearityFacts {
  readonly chosen: Chosen;
  /** "all 248 rows". */
  readonly rows: string;
  /** Rows complete for all; undefined while they are counted. */
  readonly complete: number | undefined;
  readonly rowsInUse: number;
  readonly view: View;
}

/** What the shares and the near-dependences rest on, or the regression. */
export function sentence(_: Study, settings: CollinearitySettings, facts: CollinearityFacts): Parts {
  const { chosen, view } = facts;
  const rows: Parts = [rowsWords(facts.rows), completeness(facts)];
  if (view !== 'predictors') {
    return [
      'Linear regression of ',
      outcomeWords(chosen),
      ' on ',
      predictorsWords(chosen),
      ' in ',
      ...rows,
      ', with ',
      { choice: 'level', text: `${percent(settings.level)} intervals`, label: 'the intervals', usual: settings.level === 0.95 },
      '.',
    ];
  }
  return [
    'How much ',
    predictorsWords(chosen),
    ' tell of each other, in ',
    ...rows,
    '; pairs from |r|\u00a0=\u00a0',
    {
      choice: 'threshold',
      text: coefficientText(settings.threshold),
      label: 'from which |r| pairs are listed',
      usual: settings.threshold === 0.9,
    },
    ', marked above ',
    { choice: 'limit', text: `VIF ${settings.limit}`, label: 'the limit of VIF', usual: settings.limit === 10 },
    ', condition indices ',
    {
      choice: 'indices',
      text: settings.centred ? 'of centred predictors' : 'with the intercept',
      label: 'the condition indices',
      usual: !settings.centred,
    },
    '; outcome: ',
    outcomeWords(chosen),
    '.',
  ];
}

function completeness({ complete, rowsInUse }: CollinearityFacts): string {
  if (complete === undefined || complete === rowsInUse) return ' (complete for all of them)';
  return `, ${complete.toLocaleString('en-GB')} of them complete for all of these`;
}

function predictorsWords({ predictors, kept }: Chosen): ChoiceWords<'predictors'> {
  const count = `${kept.length} ${kept.length === 1 ? 'predictor' : 'predictors'}`;
  const text = kept.length < predictors.length ? `${kept.length} of ${predictors.length} predictors` : count;
  return { choice: 'predictors', text, label: 'the predictors', wide: true };
}

function outcomeWords({ outcome, refused }: Chosen): ChoiceWords<'outcome'> {
  const named = outcome ?? refused;
  return { choice: 'outcome', text: named ? displayName(named) : 'none', label: 'the outcome', usual: named === null };
}
