import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES, type Method } from '@ivlen/core';
import { joined } from '../../coefficients/coefficient-names';
import { commonMethod } from '../../coefficients/requests';
import {
  adjustmentWords,
  type CoefficientChoice,
  controlWords,
  intervalWords,
  levelsWords,
  methodsWords,
  missingWords,
} from '../../coefficients/sentence-parts';
import type { SentencePart } from '../../methods-line/methods-parts';
import { displayName } from '../../study/variable-name';

export type CorrelationChoice = CoefficientChoice | 'variables' | 'own-methods' | 'rows' | 'alternative';
type Parts = SentencePart<CorrelationChoice>[];

const ALTERNATIVES: Readonly<Record<CorrelationSettings['alternative'], string>> = {
  'two-sided': 'two-sided',
  greater: 'one-sided for a positive correlation',
  less: 'one-sided for a negative correlation',
};

export interface CorrelationFacts {
  /** Those that are correlated. */
  readonly variables: readonly Variable[];
  /** Set where only the pairs of outcomes and predictors are on screen. */
  readonly rectangle?: boolean;
  /** Those that may be held constant. */
  readonly candidates: readonly Variable[];
  /** Which rows: "all 248 rows", "236 of 248 rows". */
  readonly rows: string;
}

/** What the matrix, the ranked pairs and outcomes × predictors show. */
export function sentence(study: Study, settings: CorrelationSettings, facts: CorrelationFacts): Parts {
  const { variables, rectangle = false, candidates } = facts;
  const held = settings.control.length > 0;
  return [
    methodsWords(settings),
    rectangle ? ' of ' : ' among ',
    {
      choice: 'variables',
      text: rectangle ? rolesInWords(variables) : `${variables.length} ${variables.length === 1 ? 'variable' : 'variables'}`,
      label: 'the variables',
      usual: true,
    },
    ...ownMethodsWords(study, commonMethod(settings)),
    ' in ',
    rowsWords(facts),
    ...(held ? controlWords(settings, candidates) : []),
    ', ',
    {
      choice: 'alternative',
      text: ALTERNATIVES[settings.alternative],
      label: 'the alternative',
      usual: settings.alternative === 'two-sided',
    },
    ', using ',
    missingWords(settings),
    ', marked at ',
    levelsWords(settings),
    ', ',
    adjustmentWords(settings),
    ', with ',
    intervalWords(settings),
    ...(held ? [] : controlWords(settings, candidates)),
    '.',
  ];
}

/** What the questions show: methods and directions are those of the hypotheses. */
export function questionsSentence(study: Study, settings: CorrelationSettings, facts: CorrelationFacts): Parts {
  const { questions } = study.state;
  const hypotheses = questions.reduce((sum, question) => sum + question.hypotheses.length, 0);
  const count = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;
  return [
    `${count(hypotheses, 'hypothesis', 'hypotheses')} of ${count(questions.length, 'question', 'questions')}, each by its own method and direction, in `,
    rowsWords(facts),
    ', using ',
    missingWords(settings),
    ', decided at the first of ',
    levelsWords(settings),
    ', ',
    adjustmentWords(settings),
    ', with ',
    intervalWords(settings),
    ...controlWords(settings, facts.candidates),
    '.',
  ];
}

function rowsWords({ rows }: CorrelationFacts): SentencePart<CorrelationChoice> {
  return { choice: 'rows', text: rows, label: 'the rows', usual: true };
}

/** "2 outcomes with 3 predictors". */
function rolesInWords(variables: readonly Variable[]): string {
  const count = (wanted: Variable['role'], one: string) => {
    const number = variables.filter(({ role }) => role === wanted).length;
    return `${number} ${one}${number === 1 ? '' : 's'}`;
  };
  return `${count('outcome', 'outcome')} with ${count('predictor', 'predictor')}`;
}

/** ", Spearman’s ρ for pairs with conductivity": nothing where no variable has a method of its own. */
function ownMethodsWords(study: Study, common: Method): Parts {
  const own = variablesWithOwnMethod(study, common);
  if (own.length === 0) return [];
  const words = METHOD_NAMES.flatMap((method) => {
    const names = own.filter((item) => item.method === method).map(({ variable }) => displayName(variable));
    if (names.length === 0) return [];
    return [`${COEFFICIENTS[method].name} for pairs with ${joined(names, 'or')}`];
  });
  return [', ', { choice: 'own-methods', text: words.join(', '), label: 'methods of single variables' }];
}

export function variablesWithOwnMethod({ state }: Study, common: Method) {
  return state.variables.flatMap((variable) => {
    const method = state.pairMethods[variable.id];
    return method && method !== common ? [{ variable, method }] : [];
  });
}
