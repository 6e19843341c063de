import { correlationSettingsSchema, type ScatterplotSettings, scatterplotSettingsSchema, type Variable } from '@ivlen/contract';
import { act, render, renderHook, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, test, vi } from 'vitest';
import { buildMatrix } from '../src/coefficients/matrix';
import { dayToken, filePalette } from '../src/figures/export/day-colours';
import { drawingWidth, FIGURE_DEFAULTS, pixelsOf, problemWith } from '../src/figures/export/figure-options';
import { sentenceOf } from '../src/methods-line/methods-parts';
import { LitBar } from '../src/stages/scatterplots/brushing/lit-bar';
import { SelectByValues } from '../src/stages/scatterplots/brushing/select-by-values';
import type { Selection } from '../src/stages/scatterplots/brushing/use-brush';
import { GroupLegend } from '../src/stages/scatterplots/groups/group-legend';
import { BulkNotice } from '../src/stages/scatterplots/matrix/bulk-notice';
import { fitted, inTwo } from '../src/stages/scatterplots/matrix/fitted-text';
import { layOut, MOST_POINTS, placesInView, sheetOf, specAt } from '../src/stages/scatterplots/matrix/layout';
import { type PanelFacts, panelModel } from '../src/stages/scatterplots/matrix/panel-model';
import { isCurved, patternWords } from '../src/stages/scatterplots/matrix/pattern-words';
import { modelAt } from '../src/stages/scatterplots/matrix/use-panel-models';
import { overlaysInWords } from '../src/stages/scatterplots/panel-words';
import type { Axis } from '../src/stages/scatterplots/plotting/axes-of';
import type { PlotData } from '../src/stages/scatterplots/plotting/plot-data';
import { sentence as scatterplotSentence } from '../src/stages/scatterplots/sentence';
import { equationOf } from '../src/stages/scatterplots/single/single-figure';
import { classesOf, pointStyles } from '../src/stages/scatterplots/single/third-scale';
import { useLatest } from '../src/stages/scatterplots/use-latest';
import { selectedIn } from '../src/study/row-selection';
import { serve, show } from './served';
import { testResult, testStudy } from './test-study';

afterEach(() => vi.unstubAllGlobals());

const study = testStudy();
const [nitrate, phosphate, taxa] = study.state.variables as [Variable, Variable, Variable];
const settings = scatterplotSettingsSchema.parse({});
const correlation = correlationSettingsSchema.parse({});
const matrix = buildMatrix(study, study.state.variables, [testResult()], correlation, undefined);

function variablesOf(count: number): Variable[] {
  return Array.from({ length: count }, (_, i) => ({ ...nitrate, id: `x${i}`, name: `variable_${i}` }));
}

function layoutOf(count: number, more: Partial<Parameters<typeof layOut>[0]> = {}) {
  const variables = variablesOf(count);
  return layOut({
    rows: variables,
    columns: variables,
    below: 'points',
    above: 'ranks',
    size: 'fitting',
    corners: true,
    width: 1020,
    height: 570,
    ranks: 248,
    ...more,
  });
}

describe('the layout of the panels', () => {
  it('has panels as large as there is room for, and never under 84 pixels', () => {
    const six = layoutOf(6);
    expect(six.cell.width * 6 + six.gutter.left + six.gutter.right).toBeLessThanOrEqual(1020);
    expect(six.cell.width).toBeGreaterThan(140);
    // A second line for the interval does not take its room from the points.
    expect(layoutOf(30).cell).toEqual({ width: 84, height: 97 });
    expect(layoutOf(30, { corners: false }).cell).toEqual({ width: 84, height: 84 });
    expect(layoutOf(30).plot.height).toBe(layoutOf(30, { corners: false }).plot.height);
    expect(layoutOf(30, { size: 'large' }).cell.width).toBeGreaterThan(140);
    expect(layoutOf(6, { least: 30, width: 300 }).cell.width).toBeLessThan(84);
  });

  it('has axes of values near and of ranks far, and none where a half shows no points', () => {
    expect([layoutOf(3).near, layoutOf(3).far]).toEqual(['values', 'ranks']);
    expect([layoutOf(3, { above: 'coefficient' }).near, layoutOf(3, { above: 'coefficient' }).far]).toEqual(['values', null]);
    // The distributions on the diagonal are of values, whatever the halves show.
    expect(layoutOf(3, { below: 'nothing' }).near).toBe('values');
  });

  it('has only the panels in view, and a row and a column around them', () => {
    const layout = layoutOf(40);
    const places = placesInView(layout, { left: 840, top: 840, width: 420, height: 420 });
    expect(places.length).toBeLessThan(90);
    expect(places.some(({ i, j }) => i === 12 && j === 12)).toBe(true);
    expect(places.find(({ i, j }) => i === 12 && j === 12)?.half).toBe('diagonal');
    const specs = places.map((place) => specAt(layout, place, 'points', 248));
    const sheet = sheetOf(layout, places, specs);
    expect(sheet.panels).toHaveLength(places.length - places.filter(({ half }) => half === 'diagonal').length);
    expect(Math.max(...sheet.panels.map(({ left }) => left))).toBeLessThan(sheet.width);
  });

  it('counts rows in bins where there are too many for points, and draws no panel of coefficients', () => {
    const layout = layoutOf(3);
    const [, place] = placesInView(layout, { left: 0, top: 0, width: 1000, height: 1000 });
    if (!place) throw new Error('no place');
    expect(specAt(layout, place, 'points', MOST_POINTS)?.style).toBe('points');
    expect(specAt(layout, place, 'ranks', MOST_POINTS + 1)).toMatchObject({ style: 'bins', scale: 'ranks' });
    expect(specAt(layout, place, 'coefficient', 10)).toBeNull();
  });

  it('cuts off a name that has no room', () => {
    expect(fitted('dissolved oxygen', 60, 11)).toMatch(/^dissolve.*…$/);
    expect(fitted('ph', 60, 11)).toBe('ph');
    expect([inTwo('dissolved oxygen'), inTwo('turbidity')]).toEqual([['dissolved', 'oxygen'], ['turbidity']]);
  });
});

describe('what stands in a panel', () => {
  const spec = { id: 's', x: 'v1', y: 'v3', scale: 'values', style: 'points', width: 200, height: 80 } as const;
  const facts = (more: Partial<PanelFacts> = {}): PanelFacts => ({
    place: { row: taxa, column: nitrate, half: 'below', i: 2, j: 0 },
    spec,
    content: 'points',
    cell: matrix.cell(taxa, nitrate),
    corners: true,
    levels: [0.05, 0.01, 0.001],
    commonN: 40,
    without: null,
    curved: null,
    byGroup: [],
    groups: [],
    fits: [],
    ...more,
  });

  it('is the coefficient with its interval, in one line or in two', () => {
    expect(panelModel(facts()).corner).toBe('r −.63 [−.77, −.42]');
    expect(panelModel(facts({ spec: { ...spec, width: 155 }, commonN: 41 })).corner).toBe('−.63 [−.77, −.42]');
    expect(panelModel(facts({ spec: { ...spec, width: 80 } }))).toMatchObject({ corner: 'r −.63', interval: '[−.77, −.42]' });
    expect(panelModel(facts()).interval).toBeNull();
    expect(panelModel(facts({ corners: false })).corner).toBe('');
    expect(panelModel(facts({ spec: { ...spec, width: 80 } })).values).toBe('r −.63 [−.77, −.42], 40 rows');
  });

  it('says the number of rows where it differs, and why there is no coefficient', () => {
    const fewer = panelModel(facts({ cell: matrix.cell(phosphate, nitrate) }));
    expect(fewer.remark).toBe('n 38');
    expect(panelModel(facts({ cell: matrix.cell(phosphate, taxa) })).corner).toBe('does not vary');
    expect(panelModel(facts({ cell: undefined })).corner).toBe('…');
  });

  it('is the coefficient with and without while rows are lit', () => {
    expect(panelModel(facts({ without: -0.5 })).corner).toBe('r −.63 → −.50');
    expect(panelModel(facts({ without: Number.NaN })).corner).toBe('r −.63 → …');
    expect(panelModel(facts({ without: -0.5, cell: matrix.cell(phosphate, nitrate) })).remark).toBeNull();
  });

  it('is the marked coefficient of all rows and of each group where coefficients are shown', () => {
    const { lines, tile, label } = panelModel(
      facts({
        content: 'coefficient',
        spec: null,
        byGroup: [
          { group: 0, coefficient: -0.4, p: 0.02, n: 20 },
          { group: 1, coefficient: Number.NaN, p: Number.NaN, n: 1 },
        ],
        groups: [
          { value: 0, label: 'Aster' },
          { value: 1, label: 'Birk' },
        ],
      }),
    );
    expect(lines.map(({ text }) => text)).toEqual(['−.63***', '−.40*', '– (n 1)']);
    expect(lines.map(({ shape }) => shape)).toEqual([null, 'circle', 'square']);
    expect(tile).toBe(-0.63);
    expect(label).toContain('Aster −.40');
  });

  it('is told in words to those who do not see it', () => {
    expect(panelModel(facts({ curved: true })).label).toBe('mayfly taxa against nitrate: r −.63 [−.77, −.42], 40 rows; falling, curved');
    expect(panelModel(facts({ content: 'ranks', curved: false })).label).toContain(', in ranks: ');
    expect(panelModel(facts({ place: { row: taxa, column: taxa, half: 'diagonal', i: 2, j: 2 } })).label).toBe(
      'mayfly taxa: its distribution',
    );
  });

  it('says nothing of straightness where that was not looked for', () => {
    const cell = matrix.cell(taxa, nitrate);
    expect(patternWords(cell, null)).toBe('falling');
    expect(patternWords(cell, false)).toBe('falling, about straight');
    expect(patternWords({ ...cell, coefficient: 0.04 }, false)).toBe('neither rising nor falling');
    const cautioned = {
      ...cell,
      cautions: [
        {
          code: 'one-point' as const,
          level: 'could-change' as const,
          values: {},
          found: { coefficient: 0.4, pValue: 0.01 },
          remedy: null,
        },
      ],
    };
    expect(patternWords(cautioned, false)).toBe('falling, about straight, carried by one outlying row');
    expect([isCurved(cell, false), isCurved(cell, true)]).toEqual([null, false]);
  });
});

test('groups and the rows that are left follow a pair by its own method', () => {
  const result = testResult();
  const own = buildMatrix(
    study,
    study.state.variables,
    [{ ...result, methods: result.methods.map((method, at) => (at === 6 ? 'spearman' : method)) }],
    correlation,
    undefined,
  );
  const matrixOf = (value: number) => ({
    variables: ['v1', 'v2', 'v3'],
    coefficient: new Float64Array(9).fill(value),
    pValue: new Float64Array(9).fill(0.5),
    n: new Int32Array(9).fill(20),
  });
  const coefficients = new Map([
    ['pearson', matrixOf(0.1)],
    ['spearman', matrixOf(0.2)],
  ] as const);
  const facts = {
    rows: 40,
    settings: { ...settings, below: 'coefficient' as const },
    correlation,
    matrix: own,
    rankMethod: 'spearman' as const,
    byGroup: [{ group: 0, coefficients }],
    groups: [{ value: 0, label: 'Aster' }],
    fits: new Map(),
    cautionsKnown: false,
    curvedRanks: new Map(),
    without: coefficients,
  };
  const place = { row: taxa, column: nitrate, half: 'below' as const, i: 2, j: 0 };
  expect(modelAt(facts, place, null).lines.map(({ text }) => text)).toEqual(['−.63***', '.20']);
  const spec = { id: 's', x: 'v1', y: 'v3', scale: 'values', style: 'points', width: 200, height: 80 } as const;
  expect(modelAt({ ...facts, settings }, place, spec).corner).toBe('ρ −.63 → .20');
  const other = { row: phosphate, column: nitrate, half: 'below' as const, i: 1, j: 0 };
  expect(modelAt(facts, other, null).lines.map(({ text }) => text)).toEqual(['.15*', '.10']);
});

describe('the methods line', () => {
  const facts = { variables: 6, rows: 'all 248 rows', grouping: undefined, taking: null, rectangle: null, canJitter: true, binned: false };
  const sentence = (more: Partial<ScatterplotSettings> = {}, other: Partial<typeof facts> = {}) =>
    sentenceOf(scatterplotSentence({ ...settings, ...more }, correlation, { ...facts, ...other }));

  it('says all that the panels show', () => {
    expect(sentence()).toBe(
      'Scatterplots of 6 variables in all 248 rows, all rows together, values below the diagonal, ranks above, histograms on it; Pearson’s r with 95 % intervals, every complete pair; nothing laid over, no jitter.',
    );
    expect(sentence({ line: true, ellipse: true, share: 0.9, jitter: true, corners: false })).toContain(
      'Pearson’s r, every complete pair; a line with band and a 90 % ellipse laid over, jittered.',
    );
    expect(sentence({}, { binned: true, canJitter: false })).toContain('nothing laid over; so many rows are counted in bins.');
  });

  it('lists what is laid over as people do', () => {
    expect(overlaysInWords({ line: true, curve: true, ellipse: true, share: 0.95 })).toBe(
      'a line with band, a smooth curve and a 95 % ellipse',
    );
  });
});

describe('the legend of groups', () => {
  const groups = ['Aster', 'Birk', 'Corrin'].map((label, value) => ({ label, value, style: value }));
  const legend = (hidden: readonly number[]) => {
    const onChange = vi.fn();
    render(<GroupLegend by="catchment" groups={groups} hidden={hidden} onChange={onChange} />);
    return { onChange, user: userEvent.setup() };
  };

  it('hides a group, shows it alone, and shows all again', async () => {
    const { onChange, user } = legend([]);
    await user.click(screen.getByRole('button', { name: 'Birk' }));
    expect(onChange).toHaveBeenLastCalledWith([1]);
    await user.click(screen.getByRole('button', { name: 'Only Corrin' }));
    expect(onChange).toHaveBeenLastCalledWith([0, 1]);
  });

  it('says that hidden groups still count', async () => {
    const { onChange, user } = legend([1]);
    expect(screen.getByText(/still count in the coefficients/)).toBeDefined();
    expect(screen.getByRole('button', { name: 'Birk' }).getAttribute('aria-pressed')).toBe('false');
    await user.click(screen.getByRole('button', { name: 'Birk' }));
    expect(onChange).toHaveBeenLastCalledWith([]);
    await user.click(screen.getByRole('button', { name: 'show all' }));
    expect(onChange).toHaveBeenLastCalledWith([]);
  });
});

test('squeezed axes are offered to be zoomed, one by one or all', async () => {
  const axis = (beyond: readonly number[]): Axis => ({ all: [0, 74], bulk: { domain: [0, 8], beyond }, jitter: 0 });
  const axes = new Map([
    ['v1', axis([74])],
    ['v2', axis([60, 61, 62, 63])],
  ]);
  const onChange = vi.fn();
  render(<BulkNotice variables={[nitrate, phosphate, taxa]} axes={axes} bulk={['v2']} onChange={onChange} />);
  const user = userEvent.setup();
  await user.click(screen.getByRole('button', { name: '1 axis squeezed by outlying values, 1 axis zoomed to the bulk …' }));
  expect(screen.getByText('60, 61, 62 and 1 more')).toBeDefined();
  await user.click(screen.getByRole('checkbox', { name: 'Zoom nitrate to the bulk' }));
  expect(onChange).toHaveBeenLastCalledWith(['v2', 'v1']);
  await user.click(screen.getByRole('button', { name: 'Whole axes' }));
  expect(onChange).toHaveBeenLastCalledWith([]);
});

describe('lit rows', () => {
  const bar = (rows: readonly number[]) => {
    const sent = serve({ 'POST /changes': study, 'GET /trail': { decisions: [], undone: [] } });
    const onClear = vi.fn();
    const { user } = show(
      <LitBar
        study={study}
        count={rows.length}
        rowsLit={() => rows}
        pair={{ x: nitrate, y: taxa }}
        values={['pearson', 'spearman', 'kendall'].map(() => ({
          all: { coefficient: -0.63, pValue: 1e-9, n: 40 },
          without: { coefficient: -0.5, pValue: 0.004, n: 38 },
        }))}
        levels={[0.05, 0.01, 0.001]}
        asideOpen={false}
        onAsideOpen={vi.fn()}
        onClear={onClear}
      />,
    );
    const changes = () => sent.filter(({ what }) => what === 'POST /changes').map(({ body }) => (body as { change: object }).change);
    return { user, onClear, changes };
  };

  it('shows the pair with and without them', () => {
    bar([3, 4]);
    expect(screen.getByTestId('lit-count').textContent).toBe('2 rows selected');
    expect(screen.getByTestId('lit-values').textContent).toBe(
      'n40 → 38r−.630 → −.500, p < .001 → .004ρ−.630 → −.500, p < .001 → .004τ−.630 → −.500, p < .001 → .004',
    );
  });

  it('become the subset by their numbers where these are few ranges', async () => {
    const { user, changes, onClear } = bar([3, 4, 9]);
    await user.click(screen.getByRole('button', { name: 'Use only these' }));
    await waitFor(() => expect(onClear).toHaveBeenCalled());
    expect(changes()).toEqual([
      {
        type: 'set-subset',
        subset: {
          join: 'any',
          rules: [
            { type: 'rows', from: 3, to: 4, not: false },
            { type: 'rows', from: 9, to: 9, not: false },
          ],
        },
      },
    ]);
  });

  it('become a variable and the subset by it where they are scattered', async () => {
    const { user, changes, onClear } = bar(Array.from({ length: 40 }, (_, i) => 2 * i + 1));
    await user.click(screen.getByRole('button', { name: 'Use only these' }));
    expect(screen.getByText(/too scattered for a rule by row numbers/)).toBeDefined();
    await user.clear(screen.getByLabelText('Name of the variable'));
    await user.type(screen.getByLabelText('Name of the variable'), 'odd_rows');
    await user.click(screen.getByRole('button', { name: 'Keep and use only these' }));
    await waitFor(() => expect(onClear).toHaveBeenCalled());
    expect(changes()[0]).toMatchObject({ type: 'keep-selection', name: 'odd_rows', chosen: 'selected', others: 'other', useOnly: true });
  });

  it('are handed to the rows of the table, and read there', () => {
    expect([...selectedIn({ selected: [[3, 5]] })]).toEqual([3, 4, 5]);
    expect(selectedIn(null).size).toBe(0);
    expect(selectedIn({ selected: 'all' }).size).toBe(0);
  });

  it('are found by values as well, and what is no number is refused', async () => {
    const data: PlotData = {
      columns: new Map([
        ['v1', Float64Array.of(1, 5, 9, Number.NaN)],
        ['v2', Float64Array.of(4, 4, 8, 4)],
      ]),
      rows: Uint32Array.of(0, 1, 2, 3),
      groups: null,
    };
    const onSelect = vi.fn<(selection: Selection) => void>();
    render(<SelectByValues variables={[nitrate, phosphate]} data={data} onSelect={onSelect} />);
    const user = userEvent.setup();
    await user.click(screen.getByRole('button', { name: 'Select by values …' }));
    await user.type(screen.getByLabelText('nitrate from'), 'much');
    await user.click(screen.getByRole('button', { name: 'Select them' }));
    expect(screen.getByRole('alert').textContent).toContain('Write numbers');
    await user.clear(screen.getByLabelText('nitrate from'));
    await user.type(screen.getByLabelText('nitrate from'), '4,5');
    await user.type(screen.getByLabelText('phosphate to'), '6');
    await user.click(screen.getByRole('button', { name: 'Select them' }));
    const [selection] = onSelect.mock.calls[0] ?? [];
    expect([...(selection?.mask ?? [])]).toEqual([0, 1, 0, 0]);
    expect(selection).toMatchObject({ count: 1, x: 'v1', y: 'v2' });
  });
});

describe('a figure for a file', () => {
  it('has the size on paper that was asked for', () => {
    expect(pixelsOf(25.4, 300)).toBe(300);
    // 170 mm at 8 points for words of 11 units: 481.9 points wide, 1.375 units a point.
    expect(drawingWidth(FIGURE_DEFAULTS, 11)).toBeCloseTo((170 / 25.4) * 72 * (11 / 8), 10);
    expect(problemWith(FIGURE_DEFAULTS)).toBeNull();
    expect(problemWith({ ...FIGURE_DEFAULTS, width: 10 })).toContain('between 40 and 600 mm');
    expect(problemWith({ ...FIGURE_DEFAULTS, font: Number.NaN })).toContain('font size');
    expect(problemWith({ ...FIGURE_DEFAULTS, width: 600, resolution: 1200 })).toContain('16,000 pixels');
  });

  it('is on white by day, whatever the screen; without colour, groups are alike', () => {
    expect(dayToken('--ink')).toBe('#22252b');
    expect(filePalette(true).paper).toBe('white');
    expect(filePalette(true).group(0)).not.toBe(filePalette(true).group(1));
    expect(filePalette(false).group(0)).toBe(filePalette(false).group(1));
  });
});

describe('one large plot', () => {
  const palette = filePalette(true);
  const values = Float64Array.of(0, 50, 100, Number.NaN);
  const third = { type: 'size', variable: phosphate, values, domain: [0, 100] } as const;

  it('tells a third variable by the area of points, or by colour; a point without it is hollow', () => {
    const styles = [0, 1, 2, 3].map(pointStyles(third, null, palette, 2));
    const areas = styles.map(({ radius }) => radius ** 2);
    expect((areas[1] ?? 0) - (areas[0] ?? 0)).toBeCloseTo((areas[2] ?? 0) - (areas[1] ?? 0), 10);
    expect(styles[3]?.colour).toBeNull();
    const coloured = [0, 1, 2].map(pointStyles({ ...third, type: 'colour' }, null, palette, 2));
    expect(new Set(coloured.map(({ colour }) => colour)).size).toBe(3);
    expect([...classesOf(values, [0, 100])]).toEqual([0, 12, 23, 255]);
  });

  it('writes the equation of its line, and none where there is no line', () => {
    const model = { slope: { value: -1.6244 }, intercept: { value: 12.92 }, r2: 0.4 } as Parameters<typeof equationOf>[0];
    const digits = (value: number) => value.toFixed(2);
    expect(equationOf(model, 'nitrate', 'taxa', digits, () => '.40')).toBe('taxa = 12.92 − 1.62 · nitrate, r² = .40');
    expect(equationOf(undefined, 'nitrate', 'taxa', digits, digits)).toBeNull();
  });
});

test('of requests that come faster than answers, only the newest is asked for', async () => {
  const asked: number[] = [];
  const waiting: (() => void)[] = [];
  const ask = (request: number) => {
    asked.push(request);
    return new Promise<string>((resolve) => {
      waiting.push(() => resolve(`answer ${request}`));
    });
  };
  const { result, rerender } = renderHook(({ request }: { request: number | null }) => useLatest(request, ask), {
    initialProps: { request: 1 as number | null },
  });
  for (const request of [2, 3, 4]) rerender({ request });
  await act(async () => waiting.shift()?.());
  expect(asked).toEqual([1, 4]);
  await act(async () => waiting.shift()?.());
  expect(result.current).toEqual({ request: 4, result: 'answer 4' });
  rerender({ request: null });
  expect(result.current).toBeNull();
});
