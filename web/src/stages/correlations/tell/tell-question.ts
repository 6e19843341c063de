import { correlationSettingsSchema, type Pinned, type Question, type StatedHypothesis } from '@ivlen/contract';
import { COEFFICIENTS, RULE_SOURCES } from '@ivlen/core';
import { z } from 'zod';
import { correlatedVariables } from '../../../coefficients/requests';
import { adjustmentInWords, missingWords } from '../../../coefficients/sentence-parts';
import { rowsInWords } from '../../../study/rows-in-use';
import { adjustedBy } from '../../../telling/adjusted-by';
import type { Asking } from '../../../telling/asking';
import { GoneError, namedVariables } from '../../../telling/named-variables';
import { sourcesOfInterval, sourcesOfSettings } from '../../../telling/sources-of';
import { NOTHING_TOLD, paragraph, sentence, type Told, type ToldParagraph } from '../../../telling/told';
import { equivalenceInWords } from '../questions/equivalence-words';
import { expectationInWords } from '../questions/expectation-words';
import { summaryOf } from '../questions/question-summary';
import { type Decision, decisionsOf, hypothesisRequest } from '../questions/use-decisions';
import { checkedPair, pairInWords } from './reported-pair';

const withQuestion = z.object({
  question: z.string().optional(),
  hypothesis: z.string().optional(),
  variables: z.array(z.string()).default([]),
});

/** A question, one of its hypotheses, or all questions: what was expected, what came of it, and what it says together. */
export async function tellQuestions(pinned: Pinned, asking: Asking): Promise<Told> {
  const { study } = asking;
  const wanted = withQuestion.parse(pinned.settings);
  const settings = correlationSettingsSchema.parse(pinned.settings);
  const questions = study.state.questions.filter(({ id }) => wanted.question === undefined || id === wanted.question);
  if (wanted.question !== undefined && questions.length === 0) throw new GoneError([wanted.question]);
  const variables = study.state.variables.filter(({ id }) => wanted.variables.includes(id));
  const told = await Promise.all(
    questions.map(async (question) => {
      const hypotheses = question.hypotheses.filter(({ id }) => wanted.hypothesis === undefined || id === wanted.hypothesis);
      if (wanted.hypothesis !== undefined && hypotheses.length === 0) throw new GoneError([wanted.hypothesis]);
      return tellOne(asking, question, hypotheses, settings, correlatedVariables(variables, settings));
    }),
  );
  const methods = [...new Set(questions.flatMap(({ hypotheses }) => hypotheses.map(({ method }) => method)))];
  const [only] = questions;
  return {
    ...NOTHING_TOLD,
    heading: wanted.question !== undefined && only ? only.text : 'Results',
    paragraphs: told.flatMap(({ paragraphs }, i): ToldParagraph[] => {
      const heading = wanted.question === undefined ? [paragraph(sentence(`q${i}`, questions[i]?.text ?? ''))] : [];
      return [...heading, ...paragraphs];
    }),
    methods: methods.length === 0 ? [] : [methodsOf(asking, settings, methods)],
    sources: [
      ...sourcesOfSettings(settings, methods),
      ...told.flatMap(({ sources }) => sources),
      ...RULE_SOURCES['strength words of Cohen'],
    ],
    pairs: told.flatMap(({ pairs }) => pairs),
    tests: told.reduce((sum, { tests }) => sum + tests, 0),
    ...adjustedBy(settings),
  };
}

async function tellOne(
  asking: Asking,
  question: Question,
  hypotheses: readonly StatedHypothesis[],
  settings: z.infer<typeof correlationSettingsSchema>,
  among: ReturnType<typeof correlatedVariables>,
) {
  const { study } = asking;
  const results = await Promise.all(
    // p is adjusted within the question, whichever of its hypotheses are told.
    question.hypotheses.map((hypothesis) =>
      hypothesis.shown ? asking.ask(hypothesisRequest(asking.study, hypothesis, settings, among)) : Promise.resolve(undefined),
    ),
  );
  const decisions = new Map(
    decisionsOf(question.hypotheses, results, settings).map((decision, i) => [question.hypotheses[i]?.id, decision]),
  );
  const each = await Promise.all(
    hypotheses.map((hypothesis) => tellHypothesis(asking, hypothesis, decisions.get(hypothesis.id), settings, among)),
  );
  const whole = hypotheses.length === question.hypotheses.length && hypotheses.length > 1;
  const summary = whole ? summaryOf(study, question, [...decisions.values()], settings) : null;
  return {
    paragraphs: [...each.map(({ told }) => told), ...(summary === null ? [] : [paragraph(sentence(`${question.id}.summary`, summary))])],
    pairs: each.flatMap(({ pair }) => pair ?? []),
    sources: each.flatMap(({ sources }) => sources),
    tests: each.filter(({ pair }) => pair).length,
  };
}

async function tellHypothesis(
  asking: Asking,
  { id, x: xId, y: yId, expectation, method, shown, revised, bound }: StatedHypothesis,
  decision: Decision | undefined,
  settings: z.infer<typeof correlationSettingsSchema>,
  among: ReturnType<typeof correlatedVariables>,
) {
  const [x, y] = namedVariables(asking.study, [xId, yId]);
  if (!x || !y) throw new Error('a hypothesis is of two variables');
  const expected = `Expected: ${expectationInWords(expectation, x, y)}.`;
  if (!shown || !decision) {
    return { told: paragraph(sentence(`${id}.expected`, `${expected} Its result was not looked at yet.`)), pair: null, sources: [] };
  }
  const own = { ...settings, alternative: ({ either: 'two-sided', more: 'greater', less: 'less' } as const)[expectation] };
  const reported = { x, y, method, settings: own, among };
  const { levels } = settings;
  const said = pairInWords(asking, reported, decision.result, decision.adjusted && decision.rejected !== null ? decision.p : null);
  const decided =
    decision.rejected === null
      ? 'There is no p, and no decision.'
      : decision.rejected
        ? 'The null hypothesis was rejected.'
        : 'The null hypothesis was not rejected.';
  return {
    told: paragraph(
      sentence(`${id}.expected`, expected),
      said === null ? null : sentence(`${id}.result`, said),
      sentence(`${id}.decided`, decided),
      decision.equivalence && bound !== null
        ? sentence(`${id}.equivalence`, equivalenceInWords(decision.equivalence, bound, levels))
        : null,
      revised ? sentence(`${id}.revised`, 'This hypothesis was changed after its result had been shown.') : null,
    ),
    pair: await checkedPair(asking, reported),
    sources: sourcesOfInterval(decision.result.tests[method]),
  };
}

function methodsOf(
  { study }: Asking,
  settings: z.infer<typeof correlationSettingsSchema>,
  methods: readonly (keyof typeof COEFFICIENTS)[],
): string {
  const names = methods.map((method) => COEFFICIENTS[method].name).join(' and ');
  const adjusted = settings.adjust === 'none' ? 'unadjusted' : `${adjustmentInWords(settings.adjust)} within each question`;
  return `Hypotheses were tested by ${names}, each in its own direction, in ${rowsInWords(study)}, using ${missingWords(settings).text}; p ${adjusted}.`;
}
