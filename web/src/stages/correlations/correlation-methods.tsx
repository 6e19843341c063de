import type { CorrelationSettings, Study } from '@ivlen/contract';
import { COEFFICIENTS, METHODS } from '../../method-words';
import type { MethodsPart } from '../../methods-line/methods-parts';
import { OptionList } from '../../methods-line/option-list';
import { levelsInWords } from './levels';
import { LevelsEditor } from './levels-editor';
import { ownMethodsPart } from './own-methods';

const ALTERNATIVES: Readonly<Record<CorrelationSettings['alternative'], string>> = {
  'two-sided': 'two-sided',
  greater: 'one-sided for a positive correlation',
  less: 'one-sided for a negative correlation',
};
const MISSING: Readonly<Record<CorrelationSettings['missing'], string>> = {
  pairwise: 'every complete pair',
  listwise: 'only rows complete for all of them',
};

interface Facts {
  readonly variables: number;
  /** Which rows: "all 248 rows", "236 of 248 rows". */
  readonly rows: string;
  readonly study: Study;
}

/** The methods line of the Correlations stage. */
export function correlationMethods(
  settings: CorrelationSettings,
  { variables, rows, study }: Facts,
  change: (patch: Partial<CorrelationSettings>) => void,
): MethodsPart[] {
  const text = (words: string): MethodsPart => ({ type: 'text', text: words });
  return [
    {
      type: 'choice',
      text: COEFFICIENTS[settings.method].name,
      label: 'the method',
      content: (close) => (
        <OptionList
          label="Method"
          value={settings.method}
          options={METHODS.map((method) => ({ value: method, name: COEFFICIENTS[method].name, words: COEFFICIENTS[method].when }))}
          onChoose={(method) => {
            change({ method });
            close();
          }}
        />
      ),
    },
    text(` among ${variables} ${variables === 1 ? 'variable' : 'variables'}`),
    ...ownMethodsPart(study, settings.method),
    text(` in ${rows}, `),
    {
      type: 'choice',
      text: ALTERNATIVES[settings.alternative],
      label: 'the alternative',
      content: (close) => (
        <OptionList
          label="Alternative hypothesis"
          value={settings.alternative}
          onChoose={(alternative) => {
            change({ alternative });
            close();
          }}
          options={[
            { value: 'two-sided', name: 'Two-sided', words: 'The population correlation is not zero, in either direction.' },
            { value: 'greater', name: 'One-sided, positive', words: 'It is above zero: more of one goes with more of the other.' },
            { value: 'less', name: 'One-sided, negative', words: 'It is below zero: more of one goes with less of the other.' },
          ]}
          remark="A one-sided alternative has to be decided on before the result is seen."
        />
      ),
    },
    text(', using '),
    {
      type: 'choice',
      text: MISSING[settings.missing],
      label: 'which rows are used',
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
    },
    text(', marked at '),
    {
      type: 'choice',
      text: levelsInWords(settings.levels),
      label: 'the significance levels',
      content: (close) => (
        <LevelsEditor
          levels={settings.levels}
          onChoose={(levels) => {
            change({ levels });
            close();
          }}
        />
      ),
    },
    text(', unadjusted.'),
  ];
}
