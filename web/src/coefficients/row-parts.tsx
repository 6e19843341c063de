import type { CorrelationSettings } from '@ivlen/contract';
import type { MethodsPart } from '../methods-line/methods-parts';
import { OptionList } from '../methods-line/option-list';
import type { SettingsChange } from './correlation-parts';
import { levelsInWords } from './levels';
import { LevelsEditor } from './levels-editor';

const MISSING: Readonly<Record<CorrelationSettings['missing'], string>> = {
  pairwise: 'every complete pair',
  listwise: 'only rows complete for all of them',
};

/** Which rows a pair rests on. */
export function missingPart(settings: CorrelationSettings, change: SettingsChange): MethodsPart {
  return {
    type: 'choice',
    text: MISSING[settings.missing],
    label: 'which rows are used',
    usual: settings.missing === 'pairwise',
    content: (close) => (
      <OptionList
        label="Rows with missing values"
        value={settings.missing}
        onChoose={(missing) => {
          change({ missing });
          close();
        }}
        options={[
          {
            value: 'pairwise',
            name: 'Every complete pair',
            words: 'Pairwise deletion: each coefficient uses all rows that have both values, so that n can differ.',
          },
          {
            value: 'listwise',
            name: 'Only rows complete for all',
            words: 'Listwise deletion: a row that misses any of the ticked variables is left out of every coefficient.',
          },
        ]}
      />
    ),
  };
}

/** The levels of marks and decisions. */
export function levelsPart(settings: CorrelationSettings, change: SettingsChange): MethodsPart {
  return {
    type: 'choice',
    text: levelsInWords(settings.levels),
    label: 'the significance levels',
    usual: levelsInWords(settings.levels) === '.05, .01 and .001',
    content: (close) => (
      <LevelsEditor
        levels={settings.levels}
        onChoose={(levels) => {
          change({ levels });
          close();
        }}
      />
    ),
  };
}
