import { errorSchema, importPreviewSchema, type Study, studySchema, trailSchema } from '@ivlen/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

async function makeStudy(): Promise<Study> {
  const rows = Array.from({ length: 12 }, (_, i) => `${i * 1.5},${20 - i},${(i * 7) % 5},site ${i}`);
  const { id } = await app.ask(importPreviewSchema, 'POST', '/imports?name=x.csv', bytesOf(['flow,taxa,slope,site', ...rows].join('\n')));
  return app.ask(studySchema, 'POST', '/studies', { importId: id, name: 'Questions' });
}
const send = (study: Study, change: object) => app.send('POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change });
const decide = (study: Study, change: object) =>
  app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change });
const lastLine = async ({ id }: Study) => (await app.ask(trailSchema, 'GET', `/studies/${id}/trail`)).decisions[0]?.summary;
const statement = { x: 'v1', y: 'v2', expectation: 'less', method: 'spearman', because: 'ranks do not mind', bound: null };

describe('a question', () => {
  it('has hypotheses that are stated, changed and dropped, each a line of the trail', async () => {
    let study = await decide(await makeStudy(), { type: 'ask-question', text: 'Does flow cost taxa?' });
    expect(await lastLine(study)).toBe('Question asked: Does flow cost taxa?');
    const [{ id: question } = { id: '' }] = study.state.questions;
    study = await decide(study, { type: 'state-hypothesis', question, hypothesis: null, statement });
    expect(await lastLine(study)).toBe('Hypothesis: more flow, fewer taxa (Spearman’s ρ)');
    study = await decide(study, { type: 'state-hypothesis', question, hypothesis: null, statement: { ...statement, y: 'v3', bound: 0.2 } });
    expect(study.state.questions[0]?.hypotheses.map(({ id, shown, revised }) => [id, shown, revised])).toEqual([
      ['h1', false, false],
      ['h2', false, false],
    ]);
    study = await decide(study, {
      type: 'state-hypothesis',
      question,
      hypothesis: 'h1',
      statement: { ...statement, expectation: 'either' },
    });
    expect(await lastLine(study)).toBe(
      'Hypothesis changed: flow and taxa are associated, in either direction (Spearman’s ρ); before: more flow, fewer taxa (Spearman’s ρ)',
    );
    study = await decide(study, { type: 'drop-hypothesis', question, hypothesis: 'h2' });
    expect(study.state.questions[0]?.hypotheses).toHaveLength(1);
    study = await decide(study, { type: 'reword-question', question, text: 'Does flow go with taxa?' });
    study = await decide(study, { type: 'drop-question', question });
    expect(study.state.questions).toEqual([]);
  });

  it('whose result was shown says of every later change that it came after that', async () => {
    let study = await decide(await makeStudy(), { type: 'ask-question', text: 'Does flow cost taxa?' });
    study = await decide(study, { type: 'state-hypothesis', question: 'q1', hypothesis: null, statement });
    study = await decide(study, { type: 'show-results', question: 'q1' });
    expect(await lastLine(study)).toBe('Results shown: Does flow cost taxa?');
    expect((await send(study, { type: 'show-results', question: 'q1' })).status).toBe(422);
    study = await decide(study, {
      type: 'state-hypothesis',
      question: 'q1',
      hypothesis: 'h1',
      statement: { ...statement, method: 'kendall' },
    });
    expect(await lastLine(study)).toMatch(/^Hypothesis changed after its result was shown: more flow, fewer taxa \(Kendall’s τ\)/);
    expect(study.state.questions[0]?.hypotheses[0]).toMatchObject({ shown: true, revised: true, method: 'kendall' });
    study = await decide(study, { type: 'drop-hypothesis', question: 'q1', hypothesis: 'h1' });
    expect(await lastLine(study)).toMatch(/^Hypothesis dropped after its result was shown/);
  });

  it.each([
    ['one variable twice', { ...statement, y: 'v1' }],
    ['a variable that cannot be correlated', { ...statement, y: 'v4' }],
    ['a bound of 1', { ...statement, bound: 1 }],
  ])('refuses a hypothesis of %s', async (_, wrong) => {
    const study = await decide(await makeStudy(), { type: 'ask-question', text: 'Why?' });
    expect((await send(study, { type: 'state-hypothesis', question: 'q1', hypothesis: null, statement: wrong })).status).toBe(422);
    expect((await send(study, { type: 'state-hypothesis', question: 'q9', hypothesis: null, statement })).status).toBe(422);
  });

  it('keeps the variables that its hypotheses are about in the study', async () => {
    let study = await decide(await makeStudy(), { type: 'ask-question', text: 'Does flow cost taxa?' });
    study = await decide(study, { type: 'state-hypothesis', question: 'q1', hypothesis: null, statement });
    const refused = await send(study, { type: 'remove-variable', variable: 'v2' });
    expect(refused.status).toBe(422);
    expect(errorSchema.parse(await refused.json()).error.message).toBe('taxa is needed by a hypothesis of “Does flow cost taxa?”.');
  });
});

it('a note about a pair is written, rewritten, taken away, and goes with its variable', async () => {
  let study = await makeStudy();
  study = await decide(study, { type: 'note-pair', pair: ['v2', 'v1'], text: 'Look again.' });
  expect(study.state.pairNotes).toEqual({ 'v1~v2': 'Look again.' });
  study = await decide(study, { type: 'note-pair', pair: ['v1', 'v2'], text: 'Looked.' });
  expect(await lastLine(study)).toBe('Note about flow and taxa rewritten');
  study = await decide(study, { type: 'note-pair', pair: ['v1', 'v3'], text: 'Also this.' });
  study = await decide(study, { type: 'note-pair', pair: ['v1', 'v2'], text: '' });
  expect(study.state.pairNotes).toEqual({ 'v1~v3': 'Also this.' });
  study = await decide(study, { type: 'remove-variable', variable: 'v3' });
  expect(study.state.pairNotes).toEqual({});
});
