import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { Link } from 'react-router';
import { coefficientEditors, type SettingsChange } from '../../coefficients/coefficient-editors';
import { commonMethod } from '../../coefficients/requests';
import type { Editors } from '../../methods-line/methods-parts';
import { OptionList } from '../../methods-line/option-list';
import { displayName } from '../../study/variable-name';
import { OwnMethods } from './own-methods';
import type { CorrelationChoice, CorrelationFacts } from './sentence';

/** What changes the choices of the stage's sentences. */
export function correlationEditors(
  study: Study,
  settings: CorrelationSettings,
  { variables, candidates, rows }: CorrelationFacts,
  /** Where the rows are chosen. */
  dataPath: string,
  change: SettingsChange,
): Editors<CorrelationChoice> {
  return {
    ...coefficientEditors(settings, candidates, change),
    variables: () => <WhichVariables variables={variables} />,
    'own-methods': () => <OwnMethods study={study} common={commonMethod(settings)} />,
    rows: () => <WhichRows rows={rows} dataPath={dataPath} />,
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

function WhichVariables({ variables }: { variables: readonly Variable[] }) {
  return (
    <>
      <p className="px-2 text-muted">The ticked ones, in their order; tick others in the panel on the left.</p>
      <ol className="mt-1 max-h-64 list-decimal overflow-y-auto pl-9">
        {variables.map((variable) => (
          <li key={variable.id}>{displayName(variable)}</li>
        ))}
      </ol>
    </>
  );
}

function WhichRows({ rows, dataPath }: { rows: string; dataPath: string }) {
  return (
    <p className="px-2">
      Computed over {rows}. Rows are set aside, brought back or chosen by rules among{' '}
      <Link to={dataPath} className="text-accent underline">
        the data
      </Link>
      .
    </p>
  );
}
