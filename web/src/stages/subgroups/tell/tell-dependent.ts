import { correlationSettingsSchema, type Pinned } from '@ivlen/contract';
import { RULE_SOURCES } from '@ivlen/core';
import { dependentRequest } from '../../../dependent/request';
import { answerSentence, type DependentQuestion, namesOf, numbersSentence, sharedComponentSentence } from '../../../dependent/words';
import { sentenceOf } from '../../../methods-line/methods-parts';
import { rowsInWords } from '../../../study/rows-in-use';
import type { Asking } from '../../../telling/asking';
import { namedVariables } from '../../../telling/named-variables';
import { sourcesOfSettings } from '../../../telling/sources-of';
import { NOTHING_TOLD, paragraph, sentence, type Told } from '../../../telling/told';
import { sentence as methodsSentence } from '../sentence';

/** Whether two variables are tied more closely than two others. */
export async function tellDependent({ request, settings: stored }: Pinned, asking: Asking): Promise<Told> {
  const { study } = asking;
  if (request?.kind !== 'dependent') throw new Error('Which two pairs were compared is not said in what was pinned. Pin it again.');
  const settings = correlationSettingsSchema.parse({ ...stored, order: 'listed' });
  const [a, b, c, d] = namedVariables(study, [request.first.a, request.first.b, request.second.a, request.second.b]);
  if (!a || !b || !c || !d) throw new Error('two pairs have four variables');
  const question: DependentQuestion = {
    first: { a, b },
    second: { a: c, b: d },
    turned: request.turned,
    method: request.method,
    level: request.level,
    levels: settings.levels,
  };
  const result = await asking.ask(dependentRequest(question));
  const numbers = numbersSentence(result, question);
  const component = sharedComponentSentence(result, study.state.variables);
  const facts = {
    variables: [a, b, c, d],
    candidates: study.state.variables,
    rows: rowsInWords(study),
    taking: null,
    byName: null,
    view: 'dependent' as const,
  };
  return {
    ...NOTHING_TOLD,
    heading: `${namesOf(question.first)} against ${namesOf(question.second)}`,
    paragraphs: [
      paragraph(
        sentence('answer', answerSentence(result, question)),
        numbers ? sentence('numbers', numbers) : null,
        component ? sentence('component', component) : null,
      ),
    ],
    methods: [sentenceOf(methodsSentence(study, { ...settings, methods: [request.method] }, facts))],
    sources: [
      ...sourcesOfSettings({ interval: 'default', adjust: 'none' }, [request.method]),
      ...RULE_SOURCES['comparing dependent coefficients'],
    ],
    tests: 1,
  };
}
