import type { CorrelationSettings, Study } from '@ivlen/contract';
import { coefficientEditors, type SettingsChange } from '../../coefficients/coefficient-editors';
import { commonMethod } from '../../coefficients/requests';
import { inUseEditors } from '../../in-use/in-use-editors';
import type { Editors } from '../../methods-line/methods-parts';
import { OptionList } from '../../methods-line/option-list';
import { RemediesEditor } from '../../remedies/remedies-editor';
import type { WorkingSet } from '../../settings/use-working-set';
import { MissingEditor } from './missing-editor';
import { OwnMethods } from './own-methods';
import type { CorrelationChoice, CorrelationFacts } from './sentence';

/** What changes the choices of the stage's sentences. */
export function correlationEditors(
  study: Study,
  settings: CorrelationSettings,
  { candidates }: CorrelationFacts,
  workingSet: WorkingSet,
  change: SettingsChange,
): Editors<CorrelationChoice> {
  const coefficients = coefficientEditors(settings, candidates, change);
  return {
    ...inUseEditors(study, workingSet),
    ...coefficients,
    methods: (close) => (
      <>
        {coefficients.methods(close)}
        <details className="mt-2 border-t border-rule px-2 pt-2">
          <summary className="cursor-pointer text-[13px] text-accent">Rows of the same case, gaps, steps, limits</summary>
          <div className="mt-2">
            <RemediesEditor study={study} low />
          </div>
        </details>
      </>
    ),
    remedy: () => <RemediesEditor study={study} />,
    missing: (close) => <MissingEditor study={study} settings={settings} change={change} close={close} />,
    'own-methods': () => <OwnMethods study={study} common={commonMethod(settings)} />,
    alternative: (close) => (
      <OptionList
        label="Alternative hypothesis"
        value={settings.alternative}
        onChoose={(chosen) => {
          change({ alternative: chosen });
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
  };
}
