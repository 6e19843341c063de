import { type AnalysisRows, type CorrelationResult, correlationResultSchema, type Study, scatterplotSettingsSchema } from '@ivlen/contract';
import { correlationMatrix, type Method, type MissingRule } from '@ivlen/core';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ThemeProvider } from '../src/controls/theme';
import { ScatterplotsStage } from '../src/stages/scatterplots/scatterplots-stage';
import { serve, show } from './served';
import { testStudy } from './test-study';
import { WorkerInProcess } from './workers-in-process';

const ROWS = 40;
const nitrate = Float64Array.from({ length: ROWS }, (_, i) => 1 + (i % 10) + i / 100);
const columns: Record<string, Float64Array> = {
  v1: nitrate,
  v2: nitrate.map((value, i) => (i < 2 ? Number.NaN : value * 2 + Math.sin(i))),
  v3: nitrate.map((value, i) => 20 - value + Math.cos(5 * i)),
  v4: Float64Array.from({ length: ROWS }, (_, i) => i % 2),
};
const IDS = ['v1', 'v2', 'v3'];

/** The study with a nominal variable beside its three quantities. */
function studyWithGroups(): Study {
  const study = testStudy();
  const [first] = study.state.variables;
  if (!first) throw new Error('the test study has no variables');
  const catchment = { ...first, id: 'v4', name: 'catchment', kind: 'nominal' as const, storage: 'code' as const };
  return { ...study, state: { ...study.state, variables: [...study.state.variables, catchment] } };
}

function correlationOf(method: Method, missing: MissingRule): CorrelationResult {
  const { coefficient, pValue, log10P, n, low, high, pMethod, undefinedBecause } = correlationMatrix(
    IDS.map((id) => columns[id] ?? new Float64Array()),
    { method, missing },
  );
  const numbers = (values: ArrayLike<number>) => Array.from(values, (value) => (Number.isFinite(value) ? value : null));
  return correlationResultSchema.parse({
    kind: 'correlation',
    variables: IDS,
    methods: Array.from({ length: 9 }, () => method),
    coefficient: numbers(coefficient),
    pValue: numbers(pValue),
    log10P: numbers(log10P),
    n: [...n],
    low: numbers(low),
    high: numbers(high),
    pMethod,
    undefinedBecause,
  });
}

const empty = { version: 0, settings: null };
const groupsOf = (labels: readonly string[]) => ({
  categories: labels.map((text, value) => ({ text, value, rows: 1 })),
});

function open(more: Record<string, object> = {}, path = '/studies/x/scatterplots', study = studyWithGroups()) {
  const analysed = ({ analysis }: { analysis: { kind: string; method: Method; rows: AnalysisRows } }) =>
    analysis.kind === 'correlation'
      ? correlationOf(analysis.method, analysis.rows.completeFor.length > 0 ? 'listwise' : 'pairwise')
      : { kind: 'cautions', pairs: [] };
  const sent = serve({
    'GET /settings/working-set': { version: 1, settings: { variables: IDS } },
    'GET /settings/scatterplots': empty,
    'GET /settings/correlations': empty,
    'GET /settings/grouping': { version: 1, settings: { variable: 'v4' } },
    'GET /settings/shape': empty,
    'PUT /settings/scatterplots': { version: 1, settings: null },
    'PUT /settings/correlations': { version: 1, settings: null },
    'POST /analyses': analysed,
    'GET /variables/v4/categories': groupsOf(['Aster', 'Birk']),
    ...Object.fromEntries(Object.entries(columns).map(([id, values]) => [`GET /variables/${id}/values`, values])),
    ...more,
  });
  const { user, router } = show(
    <ThemeProvider>
      <ScatterplotsStage study={study} />
    </ThemeProvider>,
    path,
  );
  return { user, router, sent };
}

const panel = (name: RegExp) => screen.findByRole('gridcell', { name });
const withSettings = (settings: object) => ({
  'GET /settings/scatterplots': { version: 1, settings: scatterplotSettingsSchema.parse(settings) },
});

beforeEach(() => {
  vi.stubGlobal('Worker', WorkerInProcess);
  vi.spyOn(HTMLElement.prototype, 'clientWidth', 'get').mockReturnValue(1000);
  vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockReturnValue(560);
  // What is drawn is tested by itself: jsdom has no canvas.
  vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null);
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(private readonly tell: (entries: readonly object[]) => void) {}
      observe(): void {
        this.tell([]);
      }
      unobserve(): void {}
      disconnect(): void {}
    },
  );
});
afterEach(() => vi.restoreAllMocks());

describe('the scatterplot matrix', () => {
  it('has a panel for each pair in values and in ranks, told in words, and a distribution for each variable', async () => {
    open();
    expect(await panel(/^phosphate against nitrate: r \.9\d \[.*38 rows; rising/)).toBeDefined();
    expect(await panel(/^nitrate against phosphate, in ranks: ρ \.9\d/)).toBeDefined();
    expect(screen.getAllByRole('gridcell')).toHaveLength(9);
    const diagonal = await panel(/^nitrate: its distribution/);
    await waitFor(() => expect(diagonal.querySelector('[data-mark="histogram"]')).not.toBeNull());
    await waitFor(() => expect(screen.getByRole('figure', { name: 'Scatterplot matrix' }).getAttribute('aria-busy')).toBe('false'));
    // Two rows lack phosphate.
    expect((await panel(/^phosphate against nitrate/)).textContent).toContain('n 38');
    expect((await panel(/^mayfly taxa against nitrate/)).textContent).not.toContain('n 40');
  });

  it('shows under listwise deletion only the rows that the coefficients rest on', async () => {
    open({ 'GET /settings/correlations': { version: 1, settings: { missing: 'listwise' } } });
    // The pair without phosphate has 38 of 40 rows as well, and no panel is told apart by its number.
    const cell = await panel(/^mayfly taxa against nitrate: r −\.9\d \[.*, 38 rows/);
    expect(cell.textContent).not.toContain('n 38');
    await waitFor(() => expect(document.querySelectorAll('[data-axis="top"]')[1]?.textContent).toBe('138'));
  });

  it('opens a pair by a key and keeps it in the address', async () => {
    const { router } = open();
    fireEvent.keyDown(await panel(/^phosphate against nitrate/), { key: 'Enter' });
    await waitFor(() => expect(router.state.location.search).toBe('?pair=v1%7Ev2'));
  });

  it('lights the rows that are brushed, with the pair without them, and puts them out by Escape', async () => {
    open();
    await waitFor(() => expect(screen.getByRole('figure', { name: 'Scatterplot matrix' }).getAttribute('aria-busy')).toBe('false'));
    const cell = await panel(/^mayfly taxa against nitrate/);
    const plot = cell.querySelector('div');
    if (!plot) throw new Error('the panel has no plotting area');
    plot.setPointerCapture = () => {};
    fireEvent.pointerDown(plot, { button: 0, clientX: 0, clientY: 0, pointerId: 1 });
    fireEvent.pointerMove(plot, { clientX: 60, clientY: 60, pointerId: 1 });
    fireEvent.pointerMove(plot, { clientX: 150, clientY: 400, pointerId: 1 });
    fireEvent.pointerUp(plot, { clientX: 150, clientY: 400, pointerId: 1 });
    const lit = await screen.findByRole('region', { name: 'Selected rows' });
    await waitFor(() => expect(within(lit).getByTestId('lit-count').textContent).toMatch(/^[1-9]\d? rows selected$/));
    await waitFor(() => expect(within(lit).getByTestId('lit-values').textContent).toMatch(/n40 → \d+r−\.9\d+ → −\.9\d+/));
    await waitFor(() => expect(cell.textContent).toMatch(/r −\.9\d → −\.9\d/));
    fireEvent.keyDown(document.body, { key: 'Escape' });
    await waitFor(() => expect(screen.queryByRole('region', { name: 'Selected rows' })).toBeNull());
  });

  it('neither draws nor selects rows that are set aside', async () => {
    // The first ten rows of forty are out.
    const study = studyWithGroups();
    const inUse = { rows: 30, version: 1 };
    const aside = { reasons: ['misread'], count: 10, version: 1 };
    const rows = Float64Array.from({ length: 30 }, (_, i) => 10 + i);
    open({ 'GET /rows-in-use': rows }, undefined, { ...study, state: { ...study.state, inUse, setAside: aside } });
    await waitFor(() => expect(screen.getByRole('figure', { name: 'Scatterplot matrix' }).getAttribute('aria-busy')).toBe('false'));
    const cell = await panel(/^mayfly taxa against nitrate/);
    const plot = cell.querySelector('div');
    if (!plot) throw new Error('the panel has no plotting area');
    plot.setPointerCapture = () => {};
    fireEvent.pointerDown(plot, { button: 0, clientX: 0, clientY: 0, pointerId: 1 });
    fireEvent.pointerMove(plot, { clientX: 60, clientY: 60, pointerId: 1 });
    fireEvent.pointerMove(plot, { clientX: 900, clientY: 900, pointerId: 1 });
    fireEvent.pointerUp(plot, { clientX: 900, clientY: 900, pointerId: 1 });
    const lit = await screen.findByRole('region', { name: 'Selected rows' });
    // Everything was brushed: all rows in use, and no other.
    await waitFor(() => expect(within(lit).getByTestId('lit-count').textContent).toBe('30 rows selected'));
  });

  it('has coefficients and lines of each group, and a legend', async () => {
    open(withSettings({ perGroup: true, above: 'coefficient', line: true }));
    const legend = await screen.findByRole('group', { name: 'Groups of catchment' });
    expect(
      within(legend)
        .getAllByRole('button', { pressed: true })
        .map((button) => button.textContent),
    ).toEqual(['Aster', 'Birk']);
    const cell = await panel(/^nitrate against mayfly taxa: .*; Aster −\.9\d; Birk −\.9\d/);
    expect(cell.textContent).toMatch(/−\.9\d\*\*\*−\.9\d\*\*\*−\.9\d\*\*\*/);
    const below = await panel(/^mayfly taxa against nitrate/);
    await waitFor(() => expect(below.querySelectorAll('[data-mark="line"]')).toHaveLength(2));
  });

  it('shows the largest groups where they are too many to be told apart, and says so', async () => {
    const many = groupsOf(Array.from({ length: 31 }, (_, i) => `R${i}`));
    open({ ...withSettings({ perGroup: true }), 'GET /variables/v4/categories': many });
    const legend = await screen.findByRole('group', { name: 'Groups of catchment' });
    expect(within(legend).getAllByRole('button', { pressed: true })).toHaveLength(12);
    expect(screen.getByTestId('methods-line').textContent).toContain('coloured by the largest 12 of 31 groups of catchment');
  });

  it('says why groups are not told apart where they cannot even be listed', async () => {
    open({ ...withSettings({ perGroup: true }), 'GET /variables/v4/categories': { categories: null } });
    expect(
      await screen.findByText('catchment has more groups than can be listed; up to 30 can be told apart by colour and shape.'),
    ).toBeDefined();
  });

  it('stores what its sentence is changed to', async () => {
    const { user, sent } = open();
    await user.click(await screen.findByRole('button', { name: /what is shown above the diagonal/ }));
    await user.click(screen.getByRole('radio', { name: /^Counts in bins/ }));
    await waitFor(() =>
      expect(sent.find(({ what }) => what === 'PUT /settings/scatterplots')?.body).toMatchObject({
        settings: { above: 'bins', below: 'points' },
      }),
    );
    expect(await panel(/^nitrate against phosphate, counted in bins: r/)).toBeDefined();
    expect(screen.getByTestId('methods-line').textContent).toContain('values below the diagonal, counts in bins above');
  });

  it('is told in a table as well', async () => {
    const { user } = open();
    await user.click(await screen.findByRole('button', { name: 'Show as table' }));
    const table = await screen.findByRole('table', { name: 'Pairs in words' });
    await waitFor(() =>
      expect(within(table).getByRole('row', { name: /^phosphate × nitrate/ }).textContent).toMatch(/38rising, about straight$/),
    );
    expect(within(table).getAllByRole('row')).toHaveLength(4);
  });
});

describe('what cannot be drawn', () => {
  it('is one variable alone', async () => {
    open({ 'GET /settings/working-set': { version: 1, settings: { variables: ['v1'] } } });
    expect(await screen.findByText(/Tick at least two variables/)).toBeDefined();
  });

  it('is outcomes against predictors without roles: the way to them is said', async () => {
    open({}, '/studies/x/scatterplots?view=rectangle');
    expect(await screen.findByText(/there has to be an outcome and a predictor/)).toBeDefined();
    expect(screen.getByRole('link', { name: 'codebook' }).getAttribute('href')).toContain('/data?view=codebook');
  });

  it('is a column that does not come: what happened is said, and the parts of the stage stay', async () => {
    open({ 'GET /variables/v2/values': undefined as unknown as object });
    expect(await screen.findByText(/no answer for GET \/variables\/v2\/values/)).toBeDefined();
    expect(screen.getByRole('navigation', { name: 'Parts of the Scatterplots stage' })).toBeDefined();
  });
});

describe('one large pair', () => {
  it('has a point for each row with both values, and its names can be asked for', async () => {
    const { user, sent } = open({ 'GET /rows': { rows: [] } }, '/studies/x/scatterplots?view=single');
    const plot = await screen.findByRole('img', { name: 'Scatterplot of phosphate against nitrate, 38 points' });
    expect(plot.querySelectorAll('[data-place]')).toHaveLength(38);
    await user.type(screen.getByLabelText('Name row'), '7');
    await user.click(screen.getByRole('button', { name: 'Name' }));
    await waitFor(() => expect(plot.querySelector('[data-part="label"]')?.textContent).toBe('row 7'));
    expect(sent.findLast(({ what }) => what === 'PUT /settings/scatterplots')?.body).toMatchObject({
      settings: { single: { labels: [7], x: 'v1', y: 'v2' } },
    });
    await user.click(screen.getByRole('button', { name: 'Swap axes' }));
    expect(await screen.findByRole('img', { name: 'Scatterplot of nitrate against phosphate, 38 points' })).toBeDefined();
  });

  it('is coloured by groups, with their densities at the margins', async () => {
    open(withSettings({ single: { third: 'v4' } }), '/studies/x/scatterplots?view=single');
    const plot = await screen.findByRole('img', { name: /^Scatterplot of phosphate against nitrate/ });
    await waitFor(() => expect(plot.querySelectorAll('[data-mark="density"]')).toHaveLength(4));
    expect(screen.getByRole('list', { name: 'Groups of catchment' }).textContent).toBe(' Aster Birk');
  });
});
