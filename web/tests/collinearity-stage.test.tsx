import {
  type AnalysisInput,
  type CollinearityResult,
  collinearityResultSchema,
  collinearitySettingsSchema,
  modelValuesOf,
  type Predictor,
  regressionResultSchema,
  type Study,
  variableSchema,
} from '@ivlen/contract';
import { breuschPaganOf, linearModel, modelTriangle, normalQuantiles } from '@ivlen/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { chosenPredictors } from '../src/predictors/chosen-predictors';
import { CollinearityStage } from '../src/stages/collinearity/collinearity-stage';
import { WhichOutcome } from '../src/stages/collinearity/which-outcome';
import { type Sent, serve, show } from './served';
import { testStudy } from './test-study';
import { WorkerInProcess } from './workers-in-process';

const plain = testStudy();
const [first] = plain.state.variables;
const NAMES = ['gravel', 'sand', 'depth', 'fixed', 'stream_order', 'taxa'];
const variables = NAMES.map((name, k) =>
  variableSchema.parse({
    ...first,
    id: `v${k}`,
    name,
    kind: name === 'stream_order' ? 'ordinal' : 'continuous',
    role: name === 'taxa' ? 'outcome' : null,
    unit: name === 'taxa' ? 'count' : 'cm',
  }),
);
const study: Study = { ...plain, rows: 40, state: { ...plain.state, variables } };
const column = (of: (i: number) => number) => Float64Array.from({ length: 40 }, (_, i) => of(i));
const gravel = column((i) => 30 + 10 * Math.sin(i));
const columns: Record<string, Float64Array> = {
  v0: gravel,
  v1: column((i) => 60 - (gravel[i] ?? 0) + 0.2 * Math.cos(7 * i)),
  v2: column((i) => 25 + 8 * Math.cos(2.3 * i)),
  v3: column(() => 5),
  v4: column((i) => 1 + (i % 4)),
  v5: column((i) => 3 + 0.1 * (gravel[i] ?? 0) + Math.cos(11 * i)),
};
const of = (id: string) => columns[id] ?? new Float64Array(40);

interface Asked {
  readonly analysis: { kind: string; predictors: Predictor[]; outcome: string | null; without?: number[]; sets?: string[][] };
}

function collinearity({ predictors, outcome }: Asked['analysis']): CollinearityResult {
  const given = predictors.map(({ variable }) => of(variable));
  const model = modelTriangle(given, outcome ? of(outcome) : null);
  const size = model.lengths.length;
  return collinearityResultSchema.parse({
    kind: 'collinearity',
    n: 40,
    rowsInUse: 44,
    terms: predictors.map(({ variable, as }, k) => ({ variable, as, columns: [k], levels: [], reference: null })),
    costs: predictors.map(({ variable }, k) => ({ variable, missing: k === 0 ? 4 : 0, without: k === 0 ? 44 : 40 })),
    columns: predictors.map((_, k) => ({ term: k, level: null })),
    measured: Array.from(model.lengths, (length, j) => ({
      mean: model.means[j],
      length,
      tolerance: model.tolerances[j],
      min: 0,
      max: 100,
    })),
    outcomeValues: outcome ? 3 : null,
    triangle: Array.from({ length: size }, (_, i) => [...model.triangle.subarray(i * size + i, (i + 1) * size)]).flat(),
  });
}

function regression({ predictors, outcome, without = [] }: Asked['analysis']) {
  const kept = [...Array(40).keys()].filter((row) => !without.includes(row + 1));
  const pick = (values: Float64Array) => Float64Array.from(kept, (row) => values[row] ?? 0);
  const xs = predictors.map(({ variable }) => pick(of(variable)));
  const y = pick(of(outcome ?? ''));
  const model = linearModel(y, xs);
  const quantiles = normalQuantiles(model.studentized);
  const rows = [...kept.keys()].sort((a, b) => (model.cooksDistance[b] ?? 0) - (model.cooksDistance[a] ?? 0)).slice(0, 5);
  const spread = (regressors: Float64Array[]) => {
    const { statistic, df, pValue } = breuschPaganOf(model, regressors);
    return { statistic, df, pValue };
  };
  return regressionResultSchema.parse({
    kind: 'regression',
    terms: [],
    model: modelValuesOf(
      model,
      predictors.map((_, term) => ({ term, level: null })),
    ),
    points: kept.map((row, k) => ({ row: row + 1, fitted: model.fitted[k], residual: model.residuals[k] })),
    smooth: [],
    breuschPagan: { predictors: spread(xs), fitted: spread([model.fitted]) },
    quantiles: {
      theoretical: [...quantiles.theoretical],
      sample: [...quantiles.sample],
      low: [...quantiles.low],
      high: [...quantiles.high],
      rows: [...quantiles.rows],
    },
    influential: rows.map((k) => ({
      row: (kept[k] ?? 0) + 1,
      name: null,
      observed: y[k],
      fitted: model.fitted[k],
      residual: model.residuals[k],
      leverage: model.leverage[k],
      cooksDistance: model.cooksDistance[k],
      studentized: model.studentized[k],
    })),
    alone: [],
    largestLeverage: 0.3,
  });
}

function answer({ analysis }: Asked): object {
  if (analysis.kind === 'collinearity') return collinearity(analysis);
  if (analysis.kind === 'regression') return regression(analysis);
  if (analysis.kind === 'complete-rows') return { kind: 'complete-rows', counts: analysis.sets?.map(() => 44) ?? [] };
  return { kind: 'correlation', ...NO_PAIRS };
}
const NO_PAIRS = {
  variables: [],
  methods: [],
  coefficient: [],
  pValue: [],
  log10P: [],
  n: [],
  low: [],
  high: [],
  pMethod: [],
  undefinedBecause: [],
};

function open(
  path = '/studies/x/collinearity',
  stored: object | null = null,
  more: object = {},
): { sent: Sent[]; user: ReturnType<typeof show>['user'] } {
  let settings = stored;
  const sent = serve({
    'POST /analyses': answer,
    'GET /settings/collinearity': () => ({ version: 1, settings, unreadable: false }),
    'PUT /settings/collinearity': ({ settings: next }: { settings: object }) => {
      settings = next;
      return { version: 2, settings, unreadable: false };
    },
    'GET /settings/correlations': { version: 0, settings: null, unreadable: false },
    'GET /settings/grouping': { version: 0, settings: null, unreadable: false },
    'GET /settings/working-set': { version: 1, settings: { variables: ['v0', 'v1', 'v2', 'v5'] }, unreadable: false },
    ...more,
  });
  const { user } = show(<CollinearityStage study={study} />, path);
  return { sent, user };
}
const text = (element: HTMLElement) => element.textContent ?? '';
const row = (name: string) => screen.findByTestId(`share-${name}`);
const asked = (sent: readonly Sent[], kind: string) =>
  sent.filter(({ what, body }) => what === 'POST /analyses' && (body as { analysis: AnalysisInput }).analysis.kind === kind);

beforeEach(() => {
  vi.stubGlobal('Worker', WorkerInProcess);
});

describe('the predictors', () => {
  it('what each is told, by whom, and what remains without; a switch asks the server for nothing of them', async () => {
    const { sent, user } = open();
    expect(text(await row('gravel'))).toMatch(/9\d\.\d+ %/);
    expect(text(await row('gravel'))).toContain('chiefly sand');
    expect(text(await screen.findByTestId('suggestions'))).toMatch(
      /Without (gravel or sand|sand or gravel), either one, the largest VIF is 1\.\d\d/,
    );
    expect(text(await screen.findByTestId('near-dependences'))).toContain('this near-dependence involves');
    expect(text(screen.getByRole('list', { name: 'Pairs of at least |r| = .90' }))).toContain('gravel × sand');
    expect(text(screen.getByTestId('row-costs'))).toContain(
      '4 of 44 rows in use lack a value of one or more of these. By gravel (4 missing; 44 rows complete without it).',
    );
    const before = asked(sent, 'collinearity').length;
    await user.click(screen.getByRole('switch', { name: 'sand among the predictors' }));
    await waitFor(async () => expect(text(await row('gravel'))).toMatch(/was \d+/));
    expect(text(await row('sand'))).toContain('switched off');
    expect(asked(sent, 'collinearity')).toHaveLength(before);
    expect(text(await screen.findByTestId('suggestions'))).toMatch(/^No VIF is above 10; the largest is 1\.\d\d\.$/);
    await user.click(screen.getByRole('button', { name: 'Dismiss' }));
    await waitFor(async () => expect(text(await row('gravel'))).not.toContain('was'));
    // The rows that return without it are offered, and are a computing of their own.
    expect(text(await screen.findByTestId('rows-return'))).toContain('Without sand there would be 44.');
    await user.click(screen.getByRole('button', { name: 'Use them' }));
    await waitFor(() => expect(asked(sent, 'collinearity')).toHaveLength(before + 1));
  });

  it('a constant is named and left out, an ordinal one asked about, and the harm has its figures', async () => {
    const { sent, user } = open('/studies/x/collinearity', { from: 'own', predictors: ['v0', 'v1', 'v3', 'v4'] });
    expect(await screen.findByText(/^fixed has the same value, 5\.000, in all/)).toBeTruthy();
    expect(text(await row('fixed'))).toContain('does not vary');
    expect(await screen.findByText(/^stream order is ordinal\. It stands as a quantity/)).toBeTruthy();
    expect(text(await screen.findByTestId('harm'))).toContain('times what it would be');
    expect(within(await screen.findByTestId('harm-table')).getAllByRole('row')).toHaveLength(3);
    await user.click(screen.getByRole('button', { name: 'as a quantity' }));
    await waitFor(() => expect(screen.queryByText(/^stream order is ordinal/)).toBeNull());
    expect(sent.filter(({ what }) => what === 'PUT /settings/collinearity').at(-1)?.body).toMatchObject({
      settings: { enter: { v4: { as: 'quantity', reference: null } } },
    });
  });

  it('which sets stay within the limit, one of them looked at', async () => {
    const { user } = open();
    await user.click(await screen.findByRole('button', { name: 'Which largest sets stay within VIF 10?' }));
    const sets = await screen.findByTestId('largest-sets');
    await waitFor(() => expect(text(sets)).toContain('At most 2 of 3 predictors stay within VIF 10; these 2 sets do:'));
    await user.click(within(sets).getAllByRole('button', { name: 'Look at it' })[0] as HTMLElement);
    expect(text(await screen.findByTestId('methods-line'))).toContain('2 of 3 predictors');
  });

  it('a long search can be stopped, and taken up again', async () => {
    const ended: string[] = [];
    class Silent extends WorkerInProcess {
      readonly #isSets: boolean;
      constructor(address: URL | string) {
        super(address);
        this.#isSets = String(address).includes('sets.worker');
      }
      override postMessage(message: unknown, transfer: Transferable[] = []): void {
        if (!this.#isSets) super.postMessage(message, transfer);
      }
      override terminate(): void {
        if (this.#isSets) ended.push('ended');
        super.terminate();
      }
    }
    vi.stubGlobal('Worker', Silent);
    const { user } = open();
    await user.click(await screen.findByRole('button', { name: 'Which largest sets stay within VIF 10?' }));
    await user.click(await screen.findByRole('button', { name: 'Stop' }));
    expect(await screen.findByText('The search was stopped.')).toBeTruthy();
    expect(ended).toEqual(['ended']);
    vi.stubGlobal('Worker', WorkerInProcess);
    await user.click(screen.getByRole('button', { name: 'Search' }));
    expect(text(await screen.findByTestId('largest-sets'))).toContain('At most 2 of 3 predictors');
  });

  it('left out for good is a decision with its reason', async () => {
    const { sent, user } = open('/studies/x/collinearity', null, {
      'POST /changes': { ...study, head: 2, state: { ...study.state, leftOut: ['v1'] } },
    });
    await user.click(await screen.findByRole('button', { name: 'More about sand' }));
    await user.type(await screen.findByRole('textbox', { name: 'Another reason' }), 'sampled on one day only');
    await user.click(screen.getByRole('button', { name: 'Leave out' }));
    await waitFor(() =>
      expect(sent.find(({ what }) => what === 'POST /changes')?.body).toMatchObject({
        reason: 'sampled on one day only',
        change: { type: 'leave-out-predictor', variable: 'v1', among: [{ variable: 'v0' }, { variable: 'v1' }, { variable: 'v2' }] },
      }),
    );
  });

  it('no more rows than predictors: that is said, with what costs rows, and no number is shown that would mean nothing', async () => {
    const few = (body: Asked) => (body.analysis.kind === 'collinearity' ? { ...collinearity(body.analysis), n: 3 } : answer(body));
    const { sent, user } = open('/studies/x/collinearity', null, { 'POST /analyses': few });
    expect(text(await screen.findByTestId('row-costs'))).toContain(
      'Only 3 rows are complete for all, too few for 3 columns of predictors.',
    );
    expect(screen.queryByTestId('suggestions')).toBeNull();
    expect(screen.queryByTestId('exact-dependences')).toBeNull();
    expect(screen.queryByRole('heading', { name: 'Near-dependences' })).toBeNull();
    expect(text(await row('gravel'))).not.toContain('%');
    await user.click(screen.getByRole('button', { name: 'Look without gravel: 44 rows' }));
    await waitFor(() =>
      expect(sent.filter(({ what }) => what === 'PUT /settings/collinearity').at(-1)?.body).toMatchObject({
        settings: { off: ['v0'], released: true },
      }),
    );
  });

  it('what was looked at stays over a reload: sets, indices, rows tried without, typed values', async () => {
    open('/studies/x/collinearity?sets=largest&indices=table');
    expect(await screen.findByTestId('near-table')).toBeTruthy();
    expect(await screen.findByTestId('largest-sets')).toBeTruthy();
  });
  it('and those of the other parts', async () => {
    open('/studies/x/collinearity?view=residuals&without=3,17,x,-2');
    expect(text(await screen.findByTestId('with-and-without-rows'))).toContain('gravel');
    expect(await screen.findByRole('button', { name: 'Set these 2 rows aside …' })).toBeTruthy();
  });
  it('typed values too', async () => {
    open('/studies/x/collinearity?view=regression&at=v0~12.5');
    expect(((await screen.findByLabelText('gravel, cm')) as HTMLInputElement).value).toBe('12.5');
  });

  it('nothing chosen, one alone, and all switched off say what to do', async () => {
    open('/studies/x/collinearity', { from: 'role' });
    expect(await screen.findByText(/^No variable has the role of a predictor\./)).toBeTruthy();
  });
  it('one alone has no others', async () => {
    open('/studies/x/collinearity', { from: 'own', predictors: ['v0'] });
    expect(await screen.findByText(/^One predictor alone: there are no others/)).toBeTruthy();
    expect(screen.queryByTestId('suggestions')).toBeNull();
  });
});

describe('the regression', () => {
  it('a sentence, a table with the intercept last, its terms, sets and a prediction', async () => {
    const { user } = open('/studies/x/collinearity?view=regression');
    const whole = linearModel(of('v5'), [of('v0'), of('v1'), of('v2')]);
    expect(text(await screen.findByTestId('model-sentence'))).toContain(`R² = ${whole.r2.toFixed(3).slice(1)}`);
    const table = await screen.findByTestId('regression-table');
    const rows = within(table).getAllByRole('row');
    expect(rows.map((line) => line.querySelector('th')?.textContent)).toEqual(['predictor', 'gravel', 'sand', 'depth', 'intercept']);
    expect(text(screen.getByTestId('equation'))).toMatch(/^taxa = .* · gravel/);
    await user.click(screen.getByRole('button', { name: 'Enter the predictors in two or three sets' }));
    await user.selectOptions(screen.getByLabelText('Set of depth'), 'second set');
    expect((await screen.findAllByTestId('set-sentence'))[1]?.textContent).toMatch(/^Beyond the first set depth adds ΔR² = /);
    expect(within(await screen.findByTestId('sets-table')).getAllByRole('row')).toHaveLength(3);
    const before = (await screen.findByTestId('prediction')).textContent;
    fireEvent.change(screen.getByLabelText('gravel, cm'), { target: { value: '120' } });
    await waitFor(() => expect(screen.getByTestId('prediction').textContent).not.toBe(before));
    expect(screen.getByText(/^Outside what was measured: gravel/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('gravel, cm'), { target: { value: 'x' } });
    expect(await screen.findByText('gravel: a number is needed.')).toBeTruthy();
  });
  it('of very many rows and predictors stands by the triangle alone: its rows are gone through for their own part only', async () => {
    const many = (body: Asked) =>
      body.analysis.kind === 'collinearity' ? { ...collinearity(body.analysis), n: 60_000_000 } : answer(body);
    const { sent } = open('/studies/x/collinearity?view=regression', null, { 'POST /analyses': many });
    expect(text(await screen.findByTestId('model-sentence'))).toContain('n = 60,000,000.');
    await screen.findByTestId('prediction');
    expect(asked(sent, 'regression')).toEqual([]);
  });
  it('after a switch stands beside what was', async () => {
    open('/studies/x/collinearity?view=regression', { off: ['v1'], before: [] });
    const table = await screen.findByTestId('regression-table');
    await waitFor(() => expect(text(within(table).getByRole('row', { name: /^gravel/ }))).toContain('was'));
    const less = linearModel(of('v5'), [of('v0'), of('v2')]);
    expect(text(within(table).getByRole('row', { name: /^gravel/ }))).toContain((less.coefficients[1] ?? 0).toPrecision(4));
  });
  it('is pinned as what it is: a request and its settings', async () => {
    const { sent, user } = open('/studies/x/collinearity?view=regression', { off: ['v1'] }, { 'POST /report/blocks': { blocks: [] } });
    await screen.findByTestId('regression-table');
    for (const button of screen.getAllByRole('button', { name: /^Pin for the report/ })) await user.click(button);
    await waitFor(() => expect(sent.filter(({ what }) => what === 'POST /report/blocks')).toHaveLength(2));
    for (const { body } of sent.filter(({ what }) => what === 'POST /report/blocks')) {
      const { blocks } = body as { blocks: { content: { pin: object } }[] };
      expect(blocks[0]?.content.pin).toMatchObject({
        stage: 'collinearity',
        thing: 'table',
        request: {
          kind: 'regression',
          outcome: 'v5',
          predictors: [{ variable: 'v0' }, { variable: 'v2' }],
          rows: { completeFor: ['v0', 'v1', 'v2'] },
        },
        settings: { view: 'regression', off: ['v1'] },
      });
    }
  });
  it('asks which variable is the outcome before it shows a share, and takes “none” for an answer', async () => {
    const said: (string | null)[] = [];
    const chosen = chosenPredictors(study, study.state.variables.slice(0, 3), collinearitySettingsSchema.parse({}));
    const { user } = show(<WhichOutcome chosen={chosen} onSay={(outcome) => said.push(outcome)} />);
    const names = screen.getAllByRole('button').map((button) => button.textContent);
    expect(names).toHaveLength(chosen.predictors.length + 1);
    await user.click(screen.getAllByRole('button')[1] as HTMLElement);
    await user.click(screen.getByRole('button', { name: 'None: all are predictors' }));
    expect(said).toEqual([chosen.predictors[1]?.variable, null]);
  });
  it('without an outcome, or with one that cannot be', async () => {
    open('/studies/x/collinearity?view=regression', { outcome: null });
    expect(await screen.findByText(/^No outcome is chosen\./)).toBeTruthy();
  });
});

describe('residuals and rows', () => {
  it('a row tried without: what changes, and how it is set aside', async () => {
    const { sent, user } = open('/studies/x/collinearity?view=residuals', null, { 'POST /changes': { ...study, head: 2 } });
    expect(text(await screen.findByTestId('spread-of-residuals'))).toMatch(
      /^Breusch–Pagan \(Koenker’s form\): with the predictors χ²\(3\) = /,
    );
    const table = await screen.findByTestId('influential-rows');
    const [, top] = within(table).getAllByRole('row');
    await user.click(within(top as HTMLElement).getByRole('checkbox'));
    const number = Number(/row (\d+)/.exec(top?.querySelector('th')?.textContent ?? '')?.[1]);
    const compared = await screen.findByTestId('with-and-without-rows');
    expect(text(within(compared).getByRole('row', { name: /^R²/ }))).toMatch(/\.\d{3}.*\.\d{3}/);
    expect(asked(sent, 'regression').at(-1)?.body).toMatchObject({ analysis: { without: [number] } });
    await user.click(screen.getByRole('button', { name: `Set row ${number} aside …` }));
    await user.click(await screen.findByRole('button', { name: 'misread' }));
    await waitFor(() =>
      expect(sent.find(({ what }) => what === 'POST /changes')?.body).toMatchObject({
        change: { type: 'set-aside', choice: { rows: [[number, number]] }, because: 'misread' },
      }),
    );
  });
});
