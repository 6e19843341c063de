import { correlationSettingsSchema, type Question } from '@ivlen/contract';
import { expect, it } from 'vitest';
import { expectationInWords, hypothesesInWords } from '../src/stages/correlations/questions/expectation-words';
import { summaryOf } from '../src/stages/correlations/questions/question-summary';
import type { Decision } from '../src/stages/correlations/questions/use-decisions';
import { testStudy } from './test-study';

const study = testStudy();
const settings = correlationSettingsSchema.parse({});
const [nitrate, , taxa] = study.state.variables as [(typeof study.state.variables)[0], unknown, (typeof study.state.variables)[0]];

it('counts are fewer, amounts are less', () => {
  expect(expectationInWords('less', nitrate, taxa)).toBe('more nitrate, less mayfly taxa');
  expect(expectationInWords('less', nitrate, { ...taxa, kind: 'discrete' })).toBe('more nitrate, fewer mayfly taxa');
});

it('the null hypothesis of a direction includes the other one', () => {
  expect(hypothesesInWords('less', 'a', 'b')).toEqual({
    nothing: 'H₀: the population correlation of a and b is not below zero (population r ≥ 0)',
    something: 'H₁: it is below zero (population r < 0), one-sided',
  });
  expect(hypothesesInWords('either', 'a', 'b').something).toContain('two-sided');
});

const hypothesis = (id: string, part: Partial<Question['hypotheses'][0]> = {}): Question['hypotheses'][0] => ({
  id,
  x: 'v1',
  y: 'v3',
  expectation: 'less',
  method: 'pearson',
  because: '',
  bound: null,
  shown: true,
  revised: false,
  ...part,
});
const decision = (rejected: boolean | null): Decision => ({
  result: undefined as never,
  p: 0.5,
  adjusted: false,
  rejected,
  equivalence: null,
});
const summary = (hypotheses: Question['hypotheses'], decisions: (Decision | undefined)[]) =>
  summaryOf(study, { id: 'q1', text: 'Why?', hypotheses }, decisions, settings);

it('a summary counts what is supported, proves nothing by silence, and says what was changed late', () => {
  expect(summary([hypothesis('h1'), hypothesis('h2')], [decision(true), decision(false)])).toBe(
    '1 of 2 hypotheses is supported at .05: more nitrate, less mayfly taxa.',
  );
  expect(summary([hypothesis('h1')], [decision(false)])).toBe(
    'The hypothesis is not supported at .05; that is no proof that there is no association.',
  );
  expect(summary([hypothesis('h1', { revised: true })], [decision(true)])).toBe(
    'The hypothesis is supported at .05: more nitrate, less mayfly taxa. One hypothesis was changed after the result was shown.',
  );
  expect(summary([hypothesis('h1'), hypothesis('h2', { shown: false })], [decision(true), undefined])).toBeNull();
});
