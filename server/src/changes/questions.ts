import { type ChangeOf, canBeCorrelated, type Hypothesis, type Question, type StatedHypothesis, type StudyState } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { variableOf } from '../columns/columns';
import { DomainError } from '../errors/domain-error';
import { type AppliedChange, nothingChanges } from './applied-change';

export function askQuestion(state: StudyState, { text }: ChangeOf<'ask-question'>): AppliedChange {
  const question: Question = {
    id: freeId(
      'q',
      state.questions.map(({ id }) => id),
    ),
    text,
    hypotheses: [],
  };
  return { kind: 'question', summary: `Question asked: ${text}`, state: { ...state, questions: [...state.questions, question] } };
}

export function rewordQuestion(state: StudyState, { question: id, text }: ChangeOf<'reword-question'>): AppliedChange {
  const question = questionOf(state, id);
  if (question.text === text) throw nothingChanges();
  const late = question.hypotheses.some(({ shown }) => shown) ? ', after a result was shown' : '';
  return { kind: 'question', summary: `Question reworded${late}: ${text}`, state: withQuestion(state, { ...question, text }) };
}

export function dropQuestion(state: StudyState, { question: id }: ChangeOf<'drop-question'>): AppliedChange {
  const question = questionOf(state, id);
  const late = question.hypotheses.some(({ shown }) => shown) ? ' after a result was shown' : '';
  return {
    kind: 'question',
    summary: `Question dropped${late}: ${question.text}`,
    state: { ...state, questions: state.questions.filter((item) => item !== question) },
  };
}

/** States a hypothesis, or states it otherwise: after its result was shown that is said. */
export function stateHypothesis(state: StudyState, change: ChangeOf<'state-hypothesis'>): AppliedChange {
  const question = questionOf(state, change.question);
  const { statement } = change;
  const [x, y] = [statement.x, statement.y].map((id) => variableOf({ state }, id));
  if (!x || !y || x === y || !canBeCorrelated(x) || !canBeCorrelated(y)) {
    throw new DomainError('no-pair', 'A hypothesis is about two different variables that can be correlated.', {
      hint: 'Choose another variable.',
    });
  }
  const words = inWords(state, statement);
  const before = change.hypothesis === null ? null : hypothesisOf(question, change.hypothesis);
  if (before === null) {
    const ids = state.questions.flatMap(({ hypotheses }) => hypotheses.map(({ id }) => id));
    const added: StatedHypothesis = { ...statement, id: freeId('h', ids), shown: false, revised: false };
    return {
      kind: 'hypothesis',
      summary: `Hypothesis: ${words}`,
      state: withQuestion(state, { ...question, hypotheses: [...question.hypotheses, added] }),
    };
  }
  const { id, shown, revised, ...said } = before;
  if (JSON.stringify(said) === JSON.stringify(statement)) throw nothingChanges();
  const after: StatedHypothesis = { ...statement, id, shown, revised: revised || shown };
  return {
    kind: 'hypothesis',
    summary: `Hypothesis ${shown ? 'changed after its result was shown' : 'changed'}: ${words}; before: ${inWords(state, said)}`,
    state: withQuestion(state, { ...question, hypotheses: question.hypotheses.map((item) => (item === before ? after : item)) }),
  };
}

export function dropHypothesis(state: StudyState, change: ChangeOf<'drop-hypothesis'>): AppliedChange {
  const question = questionOf(state, change.question);
  const hypothesis = hypothesisOf(question, change.hypothesis);
  return {
    kind: 'hypothesis',
    summary: `Hypothesis dropped${hypothesis.shown ? ' after its result was shown' : ''}: ${inWords(state, hypothesis)}`,
    state: withQuestion(state, { ...question, hypotheses: question.hypotheses.filter((item) => item !== hypothesis) }),
  };
}

/** From now on a change of these hypotheses is a change after the result. */
export function showResults(state: StudyState, { question: id }: ChangeOf<'show-results'>): AppliedChange {
  const question = questionOf(state, id);
  if (question.hypotheses.every(({ shown }) => shown)) throw nothingChanges();
  return {
    kind: 'question',
    summary: `Results shown: ${question.text}`,
    state: withQuestion(state, { ...question, hypotheses: question.hypotheses.map((item) => ({ ...item, shown: true })) }),
  };
}

function inWords(state: StudyState, { x, y, expectation, method, bound }: Hypothesis): string {
  const [first, second] = [x, y].map((id) => variableOf({ state }, id).name);
  const counted = variableOf({ state }, y).kind === 'discrete';
  const expected = {
    either: `${first} and ${second} are associated, in either direction`,
    more: `more ${first}, more ${second}`,
    less: `more ${first}, ${counted ? 'fewer' : 'less'} ${second}`,
  }[expectation];
  const smallest = bound === null ? '' : `, smallest of interest ${String(bound).replace(/^0/, '')}`;
  return `${expected} (${COEFFICIENTS[method].name}${smallest})`;
}

function questionOf(state: StudyState, id: string): Question {
  const found = state.questions.find((question) => question.id === id);
  if (!found) throw new DomainError('no-such-question', 'There is no such question in the study.', { where: id, hint: 'Reload the page.' });
  return found;
}

function hypothesisOf(question: Question, id: string): StatedHypothesis {
  const found = question.hypotheses.find((hypothesis) => hypothesis.id === id);
  if (!found) throw new DomainError('no-such-hypothesis', 'The question has no such hypothesis.', { where: id, hint: 'Reload the page.' });
  return found;
}

function withQuestion(state: StudyState, question: Question): StudyState {
  return { ...state, questions: state.questions.map((item) => (item.id === question.id ? question : item)) };
}

/** The first of q1, q2, … that is free. */
function freeId(letter: string, taken: readonly string[]): string {
  for (let number = 1; ; number++) if (!taken.includes(`${letter}${number}`)) return `${letter}${number}`;
}
