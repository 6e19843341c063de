import {
  type CorrelationSettings,
  correlationSettingsSchema,
  pairResultSchema,
  pairTestSchema,
  type Question,
  type Study,
  studySchema,
} from '@ivlen/contract';
import { byMethod, equivalenceTest, type Method, testPair } from '@ivlen/core';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { QuestionsView } from '../src/stages/correlations/questions/questions-view';
import { ReadOnly } from '../src/study/read-only';
import { serve, show } from './served';
import { testStudy } from './test-study';

const plain = testStudy();
const [nitrate, , taxa] = plain.state.variables;
const settings = correlationSettingsSchema.parse({});

type Stated = Question['hypotheses'][number];
const stated = (id: string, part: Partial<Stated> = {}): Stated => ({
  id,
  x: 'v1',
  y: 'v3',
  expectation: 'less',
  method: 'pearson',
  because: 'Neither shape is marked.',
  bound: null,
  shown: false,
  revised: false,
  ...part,
});
const asked = (...hypotheses: Stated[]): Study =>
  studySchema.parse({ ...plain, state: { ...plain.state, questions: [{ id: 'q1', text: 'Does it cost them?', hypotheses }] } });

const n = 60;
const x = Float64Array.from({ length: n }, (_, i) => (i * 7) % n);
const y = x.map((value, i) => -0.4 * value + 9 * Math.sin(i * i));
/** The pair as the server computes it. */
const computed = (alternative: 'two-sided' | 'greater' | 'less') => {
  const test = (method: Method) => {
    const { log10P, zVariance: _, ...found } = testPair(method, x, y, { alternative });
    return pairTestSchema.parse({ degenerate: false, undefinedBecause: null, ...found, log10P });
  };
  const line = { slope: null, intercept: null };
  const described = { n, mean: 1, sd: 1 };
  return pairResultSchema.parse({ kind: 'pair', n, tests: byMethod(test), line, swappedLine: line, x: described, y: described });
};
const figures = [
  'mean',
  'sd',
  'se',
  'variance',
  'median',
  'min',
  'range',
  'q1',
  'q3',
  'skewness',
  'skewnessSe',
  'excessKurtosis',
  'excessKurtosisSe',
];
const described = (ids: readonly string[], skewed: string | null) => ({
  kind: 'describe',
  variables: ids.map((id) => ({
    id,
    n,
    missing: 0,
    bins: [],
    ...Object.fromEntries(figures.map((name) => [name, 0.2])),
    max: 9,
    skewness: id === skewed ? 3.4 : 0.1,
  })),
});

type Analysis = { kind: string; alternative: 'two-sided' | 'greater' | 'less'; variables: string[] };
function view(
  study: Study,
  {
    skewed = null,
    distinct = 50,
    readOnly = false,
    ...part
  }: { skewed?: string | null; distinct?: number; readOnly?: boolean } & Partial<CorrelationSettings> = {},
) {
  const sent = serve({
    'GET /settings/shape': { version: 0, settings: null },
    'POST /changes': { ...study, head: 2 },
    'POST /analyses': ({ analysis }: { analysis: Analysis }) =>
      analysis.kind === 'pair'
        ? computed(analysis.alternative)
        : analysis.kind === 'describe'
          ? described(analysis.variables, skewed)
          : { kind: 'summary', variables: ['v1', 'v2', 'v3'].map((id) => ({ id, n, missing: 0, distinct, bins: [] })) },
  });
  const selection = { pair: null, second: null, open: vi.fn(), compare: vi.fn(), swap: vi.fn(), close: vi.fn(), show: vi.fn() };
  const props = {
    study,
    settings: { ...settings, ...part },
    variables: study.state.variables,
    selection,
    workingSet: { variables: study.state.variables, has: () => true, set: vi.fn(), replace: vi.fn() },
    patch: vi.fn(),
    state: undefined as never,
  };
  const shown = show(
    <ReadOnly value={readOnly}>
      <QuestionsView {...props} />
    </ReadOnly>,
  );
  return { ...shown, sent, selection };
}
const changesOf = (sent: { what: string; body: unknown }[]) =>
  sent.filter(({ what }) => what === 'POST /changes').map(({ body }) => (body as { change: object }).change);

describe('a question', () => {
  it('is asked in words, and says why to ask before looking', async () => {
    const { user, sent } = view(plain);
    expect(screen.getByText(/Write down what you want to know before you look/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Ask' }).hasAttribute('disabled')).toBe(true);
    await user.type(screen.getByLabelText('Your question'), '  Does it cost them?  {Enter}');
    await waitFor(() => expect(changesOf(sent)).toEqual([{ type: 'ask-question', text: 'Does it cost them?' }]));
  });

  it('can be dropped, and is only read in an earlier state', async () => {
    const { user, sent } = view(asked());
    expect(screen.getByText(/No hypothesis yet/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Drop question 1' }));
    await waitFor(() => expect(changesOf(sent)).toEqual([{ type: 'drop-question', question: 'q1' }]));
  });

  it('of an earlier state offers nothing to change', () => {
    view(asked(stated('h1')), { readOnly: true });
    const question = screen.getByRole('region', { name: 'Question 1: Does it cost them?' });
    expect(
      within(question)
        .queryAllByRole('button')
        .map(({ textContent }) => textContent),
    ).toEqual(['more nitrate, less mayfly taxa']);
    expect(screen.queryByLabelText('Another question')).toBeNull();
  });
});

describe('a hypothesis in the making', () => {
  it('has null and alternative in words, a method with its reason, and is stated as it stands', async () => {
    const { user, sent } = view(asked());
    await user.click(screen.getByRole('button', { name: 'State a hypothesis' }));
    const form = screen.getByRole('form', { name: 'New hypothesis' });
    await user.selectOptions(within(form).getByLabelText('First variable'), 'nitrate');
    await user.selectOptions(within(form).getByLabelText('Second variable'), 'mayfly taxa');
    await user.click(within(form).getByRole('radio', { name: 'more nitrate, less mayfly taxa' }));
    expect(form.textContent).toContain(
      'H₀: the population correlation of nitrate and mayfly taxa is not below zero (population r ≥ 0). H₁: it is below zero (population r < 0), one-sided.',
    );
    expect(form.textContent).toContain('A direction has to be decided on before the result is seen.');
    await user.type(within(form).getByLabelText(/smallest coefficient of interest/), '1.5');
    await user.click(within(form).getByRole('button', { name: 'State it' }));
    expect(within(form).getByRole('alert').textContent).toContain('between 0 and 1');
    await user.clear(within(form).getByLabelText(/smallest coefficient of interest/));
    await user.type(within(form).getByLabelText(/smallest coefficient of interest/), '.1');
    await user.click(within(form).getByRole('button', { name: 'State it' }));
    await waitFor(() =>
      expect(changesOf(sent)).toEqual([
        {
          type: 'state-hypothesis',
          question: 'q1',
          hypothesis: null,
          statement: {
            x: 'v1',
            y: 'v3',
            expectation: 'less',
            method: 'pearson',
            because: 'Neither shape is marked, and r says most of a straight relation.',
            bound: 0.1,
          },
        },
      ]),
    );
    // The result was not asked for: it is not to be seen yet.
    expect(sent.some(({ body }) => (body as { analysis?: Analysis } | null)?.analysis?.kind === 'pair')).toBe(false);
  });

  it.each([
    [{ skewed: 'v1' }, 'spearman', 'Ranks do not mind that nitrate is'],
    [{ distinct: 5 }, 'kendall', 'Many ties'],
  ] as const)('advises as the card does, save by what is a result: %j', async (part, method, because) => {
    const { user } = view(asked(), part);
    await user.click(screen.getByRole('button', { name: 'State a hypothesis' }));
    await waitFor(() => expect(screen.getByLabelText('Method of the hypothesis')).toHaveProperty('value', method));
    expect(screen.getByLabelText('because')).toHaveProperty('value', expect.stringContaining(because));
  });

  it('is about two variables', async () => {
    const { user, sent } = view(asked());
    await user.click(screen.getByRole('button', { name: 'State a hypothesis' }));
    await user.selectOptions(screen.getByLabelText('Second variable'), 'nitrate');
    await user.click(screen.getByRole('button', { name: 'State it' }));
    expect(screen.getByRole('alert').textContent).toBe('A hypothesis is about two different variables.');
    expect(changesOf(sent)).toEqual([]);
  });

  it('changed after its result was shown is warned about', async () => {
    const { user, sent } = view(asked(stated('h1', { shown: true })));
    await user.click(await screen.findByRole('button', { name: 'Change' }));
    expect(screen.getByText(/the trail will say that the hypothesis was changed after that/)).toBeTruthy();
    await user.click(screen.getByRole('radio', { name: /either direction/ }));
    await user.click(screen.getByRole('button', { name: 'Change it' }));
    await waitFor(() => expect(changesOf(sent)).toMatchObject([{ hypothesis: 'h1', statement: { expectation: 'either' } }]));
  });
});

describe('results', () => {
  const less = testPair('pearson', x, y, { alternative: 'less' });

  it('are shown on request only', async () => {
    const { user, sent } = view(asked(stated('h1'), stated('h2', { expectation: 'either' })));
    expect(screen.queryByTestId('hypothesis-outcome')).toBeNull();
    expect(screen.queryByTestId('question-summary')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Show the 2 results' }));
    await waitFor(() => expect(changesOf(sent)).toEqual([{ type: 'show-results', question: 'q1' }]));
  });

  it('carry decision, coefficient, interval, t, n and p, and the summary follows', async () => {
    view(asked(stated('h1', { shown: true })));
    const outcome = await screen.findByTestId('hypothesis-outcome');
    const two = less.coefficient.toFixed(2).replace('-0.', '−.');
    expect(outcome.textContent).toContain(`H₀ is rejected: r = ${two}, 95 % interval [`);
    expect(outcome.textContent).toContain(
      `t(58) = ${(less.statistic?.value ?? 0).toFixed(3).replace('-', '−')}, n = 60, p < .001, at .05.`,
    );
    expect(screen.getByTestId('question-summary').textContent).toContain(
      'The hypothesis is supported at .05: more nitrate, less mayfly taxa.',
    );
    expect(outcome.textContent?.replaceAll('\u00a0', ' ')).toContain('p < .001, one-sided (large');
  });

  it('of the other direction are no support', async () => {
    view(asked(stated('h1', { shown: true, expectation: 'more' })));
    expect((await screen.findByTestId('hypothesis-outcome')).textContent).toContain('H₀ is not rejected');
    expect(screen.getByTestId('question-summary').textContent).toContain('that is no proof that there is no association');
  });

  it('are adjusted within the question', async () => {
    const { p: raw } = { p: testPair('pearson', x, y).pValue };
    view(
      asked(stated('h1', { shown: true, expectation: 'either' }), stated('h2', { shown: true, expectation: 'either', method: 'kendall' })),
      { adjust: 'bonferroni' },
    );
    const [first] = await screen.findAllByTestId('hypothesis-outcome');
    expect(first?.textContent).toContain('(adjusted after Bonferroni within the question)');
    expect(raw).toBeLessThan(0.025);
    expect(screen.getByTestId('question-summary').textContent).toContain(
      'Both hypotheses are supported at .05, adjusted within the question',
    );
  });

  it('against a smallest coefficient of interest say what is ruled out', async () => {
    const bound = 0.2;
    const wanted = equivalenceTest({ coefficient: less.coefficient, n }, bound);
    expect(wanted.pValue).toBeGreaterThan(0.05);
    view(asked(stated('h1', { shown: true, bound })));
    expect((await screen.findByTestId('hypothesis-outcome')).textContent).toContain(
      'That it is smaller than ±.2 was not shown (two one-sided tests, p',
    );
  });

  it('open the card of their pair, and say what was changed late', async () => {
    const { user, selection } = view(asked(stated('h1', { shown: true, revised: true })));
    expect(await screen.findByText('Changed after its result was shown; the trail says how.')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'more nitrate, less mayfly taxa' }));
    expect(selection.open).toHaveBeenCalledWith(nitrate, taxa);
  });
});
