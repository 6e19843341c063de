import { type CorrelationSettings, methodForPair, ownMethods, type Study, type Variable } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES, type Method } from '@ivlen/core';
import { coefficientNames, joined } from '../../coefficients/coefficient-names';
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
import { countOfVariables, type InUseChoice, rowsWords, variablesWords } from '../../in-use/in-use-words';
import type { SentencePart } from '../../methods-line/methods-parts';
import { remedyOfMethods } from '../../remedies/remedy-words';
import { displayName } from '../../study/variable-name';

export type CorrelationChoice = CoefficientChoice | InUseChoice | 'own-methods' | 'alternative' | 'remedy';
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
  const onePair = variables.length === 2;
  return [
    usedMethodsWords(study, settings, facts),
    ...takenWords(study, settings),
    rectangle ? ' of ' : ' among ',
    variablesWords(rectangle ? rolesInWords(variables) : countOfVariables(variables.length)),
    ...ownMethodsWords(study, settings, facts),
    ' in ',
    rowsWords(facts.rows),
    ...(held ? controlWords(settings, candidates) : []),
    ', ',
    {
      choice: 'alternative',
      text: ALTERNATIVES[settings.alternative],
      label: 'the alternative',
      usual: settings.alternative === 'two-sided',
    },
    ', using ',
    usedRowsWords(study, settings),
    ', marked at ',
    levelsWords(settings),
    ', ',
    adjustmentWords(settings, onePair),
    ', with ',
    // A remedy for all has its own kind of interval.
    intervalWords(study.state.remedies.every ? { ...settings, interval: 'default' } : settings),
    ...(held ? [] : controlWords(settings, candidates, onePair)),
    ...otherwiseWords(study, settings),
    '.',
  ];
}

/** What the questions show: methods and directions are those of the hypotheses. */
export function questionsSentence(study: Study, settings: CorrelationSettings, facts: CorrelationFacts): Parts {
  const { questions } = study.state;
  const hypotheses = questions.reduce((sum, question) => sum + question.hypotheses.length, 0);
  const count = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;
  return [
    hypotheses === 0
      ? 'No hypothesis stated yet; each will go by its own method and direction, in '
      : `${count(hypotheses, 'hypothesis', 'hypotheses')} of ${count(questions.length, 'question', 'questions')}, each by its own method and direction, in `,
    rowsWords(facts.rows),
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

/** " within each station": what was decided for all pairs; nothing where something is held constant for all of them. */
function takenWords(study: Study, { control, methods }: CorrelationSettings): Parts {
  const { every } = study.state.remedies;
  if (!every || every.kind === 'maximum-likelihood' || control.length > 0) return [];
  return [' ', { choice: 'remedy', text: remedyOfMethods(every, methods, study), label: 'how coefficients are got' }];
}

/** Maximum likelihood uses rows with gaps as well. */
function usedRowsWords(study: Study, settings: CorrelationSettings): SentencePart<CorrelationChoice> {
  const words = missingWords(settings);
  if (!isLikelihood(study, settings)) return words;
  return { ...words, text: 'maximum likelihood, gaps included', usual: false };
}

export function isLikelihood({ state }: Study, { control }: CorrelationSettings): boolean {
  return state.remedies.every?.kind === 'maximum-likelihood' && control.length === 0;
}

/** The pairs that were decided on by themselves. */
function otherwiseWords(study: Study, { control }: CorrelationSettings): Parts {
  if (control.length > 0) return [];
  const count = Object.keys(study.state.remedies.pairs).length;
  if (count === 0) return [];
  const text = `${count} ${count === 1 ? 'pair' : 'pairs'} otherwise, as decided`;
  return [', ', { choice: 'remedy', text, label: 'how coefficients are got' }];
}

/** "2 outcomes with 3 predictors". */
function rolesInWords(variables: readonly Variable[]): string {
  const count = (wanted: Variable['role'], one: string) => {
    const number = variables.filter(({ role }) => role === wanted).length;
    return `${number} ${one}${number === 1 ? '' : 's'}`;
  };
  return `${count('outcome', 'outcome')} with ${count('predictor', 'predictor')}`;
}

/** The coefficients that are computed: the common one only where some pair is by it. */
function usedMethodsWords(study: Study, settings: CorrelationSettings, facts: CorrelationFacts): SentencePart<CorrelationChoice> {
  const words = methodsWords(settings);
  if (isUsed(commonMethod(settings), study, settings, facts)) return words;
  const used = METHOD_NAMES.filter((method) => isUsed(method, study, settings, facts));
  return { ...words, text: coefficientNames([...used, ...settings.methods.slice(1).filter((method) => !used.includes(method))]) };
}

/** Whether some pair of those on screen is by a method. */
function isUsed(method: Method, { state }: Study, settings: CorrelationSettings, { variables, rectangle }: CorrelationFacts): boolean {
  if (variables.length < 2) return method === commonMethod(settings);
  const own = ownMethods(state);
  return variables.some((a, i) =>
    variables.slice(0, i).some((b) => {
      const onScreen = !rectangle || (a.role !== null && b.role !== null && a.role !== b.role);
      return onScreen && methodForPair(commonMethod(settings), own, a.id, b.id) === method;
    }),
  );
}

/** ", Spearman’s ρ for pairs with conductivity": nothing where no variable on screen has a method of its own. */
function ownMethodsWords(study: Study, settings: CorrelationSettings, facts: CorrelationFacts): Parts {
  const common = commonMethod(settings);
  const own = variablesWithOwnMethod(study, common).filter(({ variable }) => facts.variables.some(({ id }) => id === variable.id));
  if (own.length === 0) return [];
  const label = 'methods of single variables';
  if (!isUsed(common, study, settings, facts) && new Set(own.map(({ method }) => method)).size === 1) {
    return [', ', { choice: 'own-methods', text: `as decided for ${joined(own.map(({ variable }) => displayName(variable)))}`, label }];
  }
  const words = METHOD_NAMES.flatMap((method) => {
    const names = own.filter((item) => item.method === method).map(({ variable }) => displayName(variable));
    if (names.length === 0) return [];
    return [`${COEFFICIENTS[method].name} for pairs with ${joined(names, 'or')}`];
  });
  return [', ', { choice: 'own-methods', text: words.join(', '), label }];
}

export function variablesWithOwnMethod({ state }: Study, common: Method) {
  return state.variables.flatMap((variable) => {
    const method = state.pairMethods[variable.id];
    return method && method !== common ? [{ variable, method }] : [];
  });
}
