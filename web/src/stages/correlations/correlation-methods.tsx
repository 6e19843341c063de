import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { Link } from 'react-router';
import { adjustmentPart, controlPart, intervalPart, methodsPart } from '../../coefficients/correlation-parts';
import { commonMethod } from '../../coefficients/requests';
import { levelsPart, missingPart } from '../../coefficients/row-parts';
import type { MethodsPart } from '../../methods-line/methods-parts';
import { OptionList } from '../../methods-line/option-list';
import { displayName } from '../../study/variable-name';
import { ownMethodsPart } from './own-methods';

const ALTERNATIVES: Readonly<Record<CorrelationSettings['alternative'], string>> = {
  'two-sided': 'two-sided',
  greater: 'one-sided for a positive correlation',
  less: 'one-sided for a negative correlation',
};

interface Facts {
  /** Those that are correlated. */
  readonly variables: readonly Variable[];
  /** Set where only the pairs of outcomes and predictors are on screen. */
  readonly rectangle?: boolean;
  /** Those that may be held constant. */
  readonly candidates: readonly Variable[];
  /** Which rows: "all 248 rows", "236 of 248 rows". */
  readonly rows: string;
  readonly study: Study;
  /** Where the rows are chosen. */
  readonly dataPath: string;
}

/** The methods line of the Correlations stage. */
export function correlationMethods(
  settings: CorrelationSettings,
  { variables, rectangle = false, candidates, rows, study, dataPath }: Facts,
  change: (patch: Partial<CorrelationSettings>) => void,
): MethodsPart[] {
  const held = settings.control.length > 0;
  const text = (words: string): MethodsPart => ({ type: 'text', text: words });
  return [
    methodsPart(settings, change),
    text(rectangle ? ' of ' : ' among '),
    {
      type: 'choice',
      text: rectangle ? rolesInWords(variables) : `${variables.length} ${variables.length === 1 ? 'variable' : 'variables'}`,
      label: 'the variables',
      usual: true,
      content: () => <WhichVariables variables={variables} />,
    },
    ...ownMethodsPart(study, commonMethod(settings)),
    text(' in '),
    { type: 'choice', text: rows, label: 'the rows', usual: true, content: () => <WhichRows rows={rows} dataPath={dataPath} /> },
    ...(held ? controlPart(settings, candidates, change) : []),
    text(', '),
    {
      type: 'choice',
      text: ALTERNATIVES[settings.alternative],
      label: 'the alternative',
      usual: settings.alternative === 'two-sided',
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
    missingPart(settings, change),
    text(', marked at '),
    levelsPart(settings, change),
    text(', '),
    adjustmentPart(settings, change),
    text(', with '),
    intervalPart(settings, change),
    ...(held ? [] : controlPart(settings, candidates, change)),
    text('.'),
  ];
}

/** "2 outcomes with 3 predictors". */
function rolesInWords(variables: readonly Variable[]): string {
  const count = (wanted: Variable['role'], one: string) => {
    const number = variables.filter(({ role }) => role === wanted).length;
    return `${number} ${one}${number === 1 ? '' : 's'}`;
  };
  return `${count('outcome', 'outcome')} with ${count('predictor', 'predictor')}`;
}

/** The methods line over the questions: methods and directions are those of the hypotheses. */
export function questionMethods(
  settings: CorrelationSettings,
  { candidates, rows, study, dataPath }: Facts,
  change: (patch: Partial<CorrelationSettings>) => void,
): MethodsPart[] {
  const text = (words: string): MethodsPart => ({ type: 'text', text: words });
  const { questions } = study.state;
  const hypotheses = questions.reduce((sum, question) => sum + question.hypotheses.length, 0);
  const count = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;
  return [
    text(
      `${count(hypotheses, 'hypothesis', 'hypotheses')} of ${count(questions.length, 'question', 'questions')}, each by its own method and direction, in `,
    ),
    { type: 'choice', text: rows, label: 'the rows', usual: true, content: () => <WhichRows rows={rows} dataPath={dataPath} /> },
    text(', using '),
    missingPart(settings, change),
    text(', decided at the first of '),
    levelsPart(settings, change),
    text(', '),
    adjustmentPart(settings, change),
    text(', with '),
    intervalPart(settings, change),
    ...controlPart(settings, candidates, change),
    text('.'),
  ];
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
