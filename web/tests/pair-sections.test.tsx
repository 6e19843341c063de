import {
  type CorrelationSettings,
  correlationSettingsSchema,
  dependentResultSchema,
  influenceResultSchema,
  pairResultSchema,
  pairTestSchema,
  pinnedSchema,
  reportSettingsSchema,
  resampleResultSchema,
  type Study,
  subgroupPairResultSchema,
  subgroupsResultSchema,
  type Variable,
  variableSchema,
} from '@ivlen/contract';
import { byMethod, pearson, smallestDetectable, testPair } from '@ivlen/core';
import { QueryClient } from '@tanstack/react-query';
import { screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { ByGroupSection } from '../src/pair-card/by-group-section';
import { CompareSection } from '../src/pair-card/compare-section';
import { MethodChoice } from '../src/pair-card/method-choice';
import { PairNote } from '../src/pair-card/pair-note';
import { pairContext, pinnedSection } from '../src/pair-card/pair-request';
import { PairValues } from '../src/pair-card/pair-values';
import { PointsSection } from '../src/pair-card/points-section';
import { ReportedSection } from '../src/pair-card/reported-section';
import { ResampleSection } from '../src/pair-card/resample-section';
import { WorkingSection } from '../src/pair-card/working-section';
import { tell } from '../src/stages/correlations/tell/tell';
import { ReadOnly } from '../src/study/read-only';
import { askingOf } from '../src/telling/asking';
import { serve, show } from './served';
import { testStudy } from './test-study';

const plain = testStudy();
const [nitrate, phosphate, taxa] = plain.state.variables as [Variable, Variable, Variable];
const catchment = variableSchema.parse({
  ...nitrate,
  id: 'v4',
  name: 'catchment',
  kind: 'nominal',
  storage: 'code',
  valueLabels: { a: 'Aster' },
});
const study: Study = { ...plain, state: { ...plain.state, variables: [...plain.state.variables, catchment] } };
const settings = correlationSettingsSchema.parse({});
const contextOf = (part: Partial<CorrelationSettings> = {}, of = study) =>
  pairContext(of, { x: nitrate, y: taxa }, { ...settings, ...part }, [nitrate, phosphate, taxa], null);

const n = 30;
const x = Float64Array.from({ length: n }, (_, i) => (i * 7) % n);
const y = Float64Array.from({ length: n }, (_, i) => ((i * 7) % n) * 0.5 + 9 * Math.sin(i));
const asSent = (test: ReturnType<typeof pearson>) =>
  pairTestSchema.parse({ degenerate: false, undefinedBecause: null, ...test, log10P: Number.isFinite(test.log10P) ? test.log10P : null });
const result = pairResultSchema.parse({
  kind: 'pair',
  n,
  tests: byMethod((method) => asSent(testPair(method, x, y))),
  line: { slope: 0.5, intercept: 0 },
  swappedLine: { slope: 0.5, intercept: 0 },
  x: { n, mean: 14.5, sd: 8.8 },
  y: { n, mean: 7, sd: 7.7 },
});
const empty = { version: 0, settings: null };
type Asked = { analysis: { kind: string } & Record<string, unknown> };
/** Answers analyses by their kind, and the settings that sections look at. */
const serving = (
  answers: Record<string, object | ((analysis: Asked['analysis']) => object)>,
  grouping: object = { version: 1, settings: { variable: 'v4' } },
) =>
  serve({
    'GET /settings/grouping': grouping,
    'GET /settings/shape': empty,
    'PUT /settings/grouping': { version: 2, settings: null },
    'POST /changes': { ...study, head: 2 },
    'GET /variables/v4/categories': {
      categories: [
        { text: 'a', value: 0, rows: 15 },
        { text: 'b', value: 1, rows: 15 },
      ],
    },
    'POST /analyses': ({ analysis }: Asked) => {
      const answer = answers[analysis.kind] ?? (analysis.kind === 'summary' ? { kind: 'summary', variables: [] } : null);
      if (!answer) throw new Error(`no answer for ${analysis.kind}`);
      return typeof answer === 'function' ? answer(analysis) : answer;
    },
  });

describe('by group', () => {
  const cell = (coefficient: number, pValue: number) => ({
    coefficient,
    n: 15,
    pValue,
    log10P: Math.log10(pValue),
    low: coefficient - 0.3,
    high: coefficient + 0.3,
    zVariance: 1 / 12,
    because: null,
  });
  const inside = { coefficient: -0.12, low: -0.4, high: 0.2, pValue: 0.4, log10P: -0.4 };
  const grouped = (part: object = {}) =>
    subgroupsResultSchema.parse({
      kind: 'subgroups',
      groups: [
        { is: 'group', value: 0, rows: 15 },
        { is: 'group', value: 1, rows: 15 },
      ],
      rowsWithout: 0,
      pairs: [
        {
          a: 'v1',
          b: 'v3',
          method: 'pearson',
          pooled: cell(-0.63, 1e-9),
          groups: [cell(-0.51, 0.012), cell(0.42, 0.2)],
          untested: [],
          within: { ...inside, n: 30, df: 27, spreadRatio: 1.2, meanOfZ: null },
          homogeneity: { q: 5.213, df: 1, pValue: 0.0224, log10P: -1.65 },
          random: null,
          two: { difference: -0.93, z: -2.283, cohensQ: -1.0103, low: -1.4, high: -0.2 },
          reversed: false,
          hidden: false,
          ...part,
        },
      ],
    });
  const slope = { slope: -0.2, intercept: 12, low: -0.4, high: -0.02 };
  const spread = { n: 15, meanX: 3, meanY: 9, sdX: 1.1, sdY: 2.2 };
  const closer = (part: object = {}) =>
    subgroupPairResultSchema.parse({
      kind: 'subgroup-pair',
      groups: grouped().groups,
      everyTwo: [
        { first: 0, second: 1, difference: -0.93, low: -1.4, high: -0.2, z: -2.283, cohensQ: -1.0103, pValue: 0.0224, adjustedP: 0.0224 },
      ],
      slopes: {
        groups: [slope, slope],
        common: -0.2,
        pooled: { slope: -0.3, intercept: 12.5 },
        f: 0.5,
        df: 1,
        dfResidual: 26,
        pValue: 0.486,
        because: null,
      },
      whole: { ...spread, n: 30 },
      spreads: [spread, spread],
      between: { coefficient: null, df: 0, pValue: null },
      ...part,
    });
  const answers = (part: object = {}, more: object = {}) => ({ subgroups: grouped(part), 'subgroup-pair': closer(more) });

  it('has each group by its label, all of them last, and says what the test of their difference found', async () => {
    serving(answers());
    show(<ByGroupSection {...contextOf()} />);
    const table = await screen.findByRole('table', { name: 'nitrate × mayfly taxa by catchment' });
    const rows = within(table).getAllByRole('row').slice(1);
    expect(rows.map((row) => row.querySelector('th')?.textContent)).toEqual(['Aster', 'b', 'all of them']);
    expect(rows[0]?.textContent).toContain('15−.51*[−.81, −.21].012');
    const words = screen.getByTestId('by-group').textContent ?? '';
    expect(words).toContain(
      'The association of nitrate with mayfly taxa differed between groups of catchment, z = −2.28, p = .022; difference −.93, 95 % CI [−1.40, −.20]; Cohen’s q = −1.01; r: Aster −.51, b .42.',
    );
    expect(words).toContain('Within groups, their means taken out: r = −.12 [−.40, .20].');
    expect(words).toContain('Skewed variables make equal groups seem to differ');
    // Closeness and steepness are told apart.
    expect((await screen.findByTestId('slopes')).textContent).toBe(
      'Slopes of mayfly taxa on nitrate do not detectably differ between the groups, F(1, 26) = 0.50, p = .486; common slope −0.200. The groups differ in how close the points lie to the lines (Pearson’s r), not detectably in how steep these are.',
    );
  });

  it.each([
    [
      { homogeneity: { q: 1, df: 1, pValue: 0.3173, log10P: -0.5 }, two: null },
      'did not detectably differ between groups of catchment, Q(1) = 1.00, p = .317',
    ],
    [
      { homogeneity: { q: null, df: 0, pValue: null, log10P: null }, two: null, untested: [1] },
      'was not compared between groups of catchment: fewer than two groups could be tested.',
    ],
    [{ reversed: true, pooled: cell(0.63, 1e-9) }, 'The sign reverses inside the groups.'],
    [{ hidden: true }, 'The groups hide an association.'],
    [
      {
        within: {
          ...inside,
          coefficient: -0.1,
          low: null,
          high: null,
          n: 30,
          df: 27,
          spreadRatio: 2.5,
          meanOfZ: { ...inside, coefficient: 0.3, low: 0.1, high: 0.5 },
        },
      },
      'The groups’ spreads differ (up to 2.5 : 1), which upsets the test of that one: the weighted mean of the groups’ z, r = .30 [.10, .50], decides.',
    ],
  ])('of %j says: %s', async (part, words) => {
    serving(answers(part));
    show(<ByGroupSection {...contextOf()} />);
    expect((await screen.findByTestId('by-group')).textContent).toContain(words);
  });

  it('without a grouping variable says so, and lets one be chosen', async () => {
    const sent = serving(answers(), empty);
    const { user } = show(<ByGroupSection {...contextOf()} />);
    expect(await screen.findByText('No grouping variable is chosen.')).toBeTruthy();
    await user.selectOptions(screen.getByRole('combobox', { name: 'Groups of' }), 'catchment');
    expect(sent.find(({ what }) => what === 'PUT /settings/grouping')?.body).toMatchObject({ settings: { variable: 'v4', groups: null } });
    expect((await screen.findByTestId('by-group')).textContent).toContain('Aster');
  });

  it('compares every two groups on request, p adjusted for their number', async () => {
    serving(answers());
    const { user } = show(<ByGroupSection {...contextOf()} />);
    await user.click(await screen.findByRole('button', { name: 'Every two groups' }));
    const table = await screen.findByRole('table', { name: 'nitrate × mayfly taxa: every two groups' });
    expect(within(table).getAllByRole('row')[1]?.textContent).toBe('Aster − b−.93[−1.40, −.20]−1.01−2.28.022.022');
    expect(screen.getByTestId('by-group').textContent).toContain('adjusted after Holm for the one comparison');
  });
});

describe('more closely than to another', () => {
  const compared =
    (part: object = {}) =>
    (analysis: Asked['analysis']) =>
      dependentResultSchema.parse({
        kind: 'dependent',
        n: 28,
        first: -0.63,
        second: -0.2,
        across: [{ a: 'v3', b: 'v2', coefficient: 0.15 }],
        tests: [WILLIAMS, MENG],
        interval: { low: -0.8, high: -0.1, level: 0.95, method: 'zou' },
        because: null,
        shared: [],
        ...(analysis.turned ? { second: 0.2 } : {}),
        ...part,
      });
  const WILLIAMS = { by: 'williams', statistic: -2.513, df: 25, pValue: 0.0188, log10P: -1.73 };
  const MENG = { by: 'meng', statistic: -2.41, df: null, pValue: 0.016, log10P: -1.8 };
  const section = (variables: readonly Variable[] = [nitrate, phosphate, taxa]) => (
    <CompareSection context={contextOf()} variables={variables} second={null} />
  );

  it('says which is closer with the tests it rests on, and compares the other way on request', async () => {
    const sent = serving({ dependent: compared() });
    const { user } = show(section());
    expect(await screen.findByText('Yes, they differ: nitrate is tied more closely to mayfly taxa than to phosphate.')).toBeTruthy();
    const words = screen.getByTestId('dependent-comparison').textContent ?? '';
    expect(words).toContain(
      'r of nitrate and mayfly taxa −.63, of nitrate and phosphate −.20, n = 28: difference −.43, 95 % interval [−.80, −.10] (Zou); Williams: t(25) = −2.513, p = .019; Meng, Rosenthal and Rubin: z = −2.410, p = .016.',
    );
    expect(words).toContain('Across the two: mayfly taxa with phosphate .15.');
    await user.selectOptions(screen.getByRole('combobox', { name: 'Shared variable' }), 'mayfly taxa');
    await vi.waitFor(() =>
      expect(sent.filter(({ what }) => what === 'POST /analyses').at(-1)?.body).toMatchObject({
        analysis: { first: { a: 'v3', b: 'v1' }, second: { a: 'v3', b: 'v2' } },
      }),
    );
  });

  it.each([
    [
      { tests: [{ ...WILLIAMS, pValue: 0.3 }], interval: { low: -0.8, high: 0.1, level: 0.95, method: 'zou' } },
      'No difference was detected.',
    ],
    // Ranks have the interval alone, which then decides.
    [{ tests: [] }, 'Yes, they differ'],
    [{ tests: [], interval: { low: -0.2, high: 0.1, level: 0.95, method: 'b' } }, 'No difference was detected.'],
    [{ tests: [], interval: null }, 'too many samples had no coefficient'],
    [{ second: 0.3 }, 'They differ, and in sign: this tests whether the coefficients are the same, not which is stronger.'],
    [{ first: null }, 'not defined over the 28 rows complete for all of them'],
    [{ because: 'impossible', tests: [], interval: null }, 'They cannot be compared: no data can have these coefficients together.'],
    [
      { shared: [{ a: 'v3', b: 'v2', source: 'v2' }] },
      'Shared component: mayfly taxa is computed from phosphate. Such variables go together by how they are made',
    ],
  ])('of %j says: %s', async (part, words) => {
    serving({ dependent: compared(part) });
    show(section());
    expect(await screen.findByText(new RegExp(words))).toBeTruthy();
  });

  it('of two variables asks for a third', () => {
    serving({});
    show(section([nitrate, taxa]));
    expect(screen.getByText('Tick a third variable to compare with.')).toBeTruthy();
  });
});

describe('against a reported value', () => {
  it('compares with a known value, with another sample, and says what is no coefficient', async () => {
    const { user } = show(<ReportedSection context={contextOf()} coefficient={-0.63} n={40} />);
    const value = screen.getByLabelText('reported r');
    const words = () => screen.getByTestId('against-reported').textContent ?? '';
    await user.type(value, '−.45');
    // z = (artanh(−.63) − artanh(−.45))·√37, by hand.
    const z = (Math.atanh(-0.63) - Math.atanh(-0.45)) * Math.sqrt(37);
    expect(words()).toContain(`Whether the population’s r is −.45, taken as a known value: z = −${Math.abs(z).toFixed(3)}`);
    await user.type(screen.getByLabelText('its n, if known'), '120');
    // Two independent coefficients: the difference of z over √(1/37 + 1/117).
    const two = (Math.atanh(-0.63) - Math.atanh(-0.45)) / Math.sqrt(1 / 37 + 1 / 117);
    expect(words()).toContain(`−.63 (n = 40) against −.45 (n = 120): z = −${Math.abs(two).toFixed(3)}`);
    expect(words()).toContain('Cohen’s q = −0.26');
    await user.clear(value);
    await user.type(value, '1.4');
    expect(screen.getByRole('alert').textContent).toContain('between −1 and 1');
    await user.clear(value);
    await user.type(value, '.3');
    await user.clear(screen.getByLabelText('its n, if known'));
    await user.type(screen.getByLabelText('its n, if known'), '3');
    expect(screen.getByRole('alert').textContent).toContain('at least 4');
  });
});

describe('bootstrap and permutation', () => {
  const drawn = (analysis: Asked['analysis'], part: object = {}) =>
    resampleResultSchema.parse({
      kind: 'resample',
      what: analysis.what,
      coefficient: -0.63,
      n: 30,
      times: analysis.times,
      seed: analysis.seed,
      interval: analysis.what === 'bootstrap' ? { low: -0.8123, high: -0.3001, level: 0.95, method: 'bca' } : null,
      intervalKind: analysis.what === 'bootstrap' ? 'bca' : null,
      pValue: analysis.what === 'permutation' ? 0.0123 : null,
      asExtreme: analysis.what === 'permutation' ? 122 : null,
      ...part,
    });

  it('draws as many samples from as the seed says, and tells all of it', async () => {
    const sent = serving({ resample: (analysis) => drawn(analysis) });
    const { user } = show(<ResampleSection {...contextOf()} />);
    await user.click(screen.getByRole('button', { name: 'Bootstrap interval' }));
    expect((await screen.findByTestId('resampled')).textContent).toBe(
      '95 % bootstrap interval (BCa) of r: [−.812, −.300]; 2,000 samples of the rows, seed 1, n = 30.',
    );
    await user.type(screen.getByLabelText('samples'), '500');
    await user.clear(screen.getByLabelText('seed'));
    await user.type(screen.getByLabelText('seed'), '7');
    await user.click(screen.getByRole('button', { name: 'Permutation test' }));
    expect(
      await screen.findByText(
        'Permutation test of independence: p = .012; 122 of 500 permutations, seed 7, n = 30 were at least as extreme as r.',
      ),
    ).toBeTruthy();
    const asked = sent.flatMap(({ body }) => ((body as Asked | null)?.analysis.kind === 'resample' ? [(body as Asked).analysis] : []));
    expect(asked).toMatchObject([
      { what: 'bootstrap', times: 2000, seed: 1, x: 'v1', y: 'v3' },
      { what: 'permutation', times: 500, seed: 7 },
    ]);
  });

  it('refuses what is no number of samples or no seed, and asks nothing', async () => {
    const sent = serving({});
    const { user } = show(<ResampleSection {...contextOf()} />);
    await user.type(screen.getByLabelText('samples'), '98');
    await user.click(screen.getByRole('button', { name: 'Permutation test' }));
    expect(screen.getByRole('alert').textContent).toBe('Samples: a whole number from 99 to 1,000,000.');
    await user.clear(screen.getByLabelText('samples'));
    await user.clear(screen.getByLabelText('seed'));
    await user.type(screen.getByLabelText('seed'), '-1');
    await user.click(screen.getByRole('button', { name: 'Bootstrap interval' }));
    expect(screen.getByRole('alert').textContent).toBe('A seed is a whole number from 0.');
    expect(sent).toEqual([]);
  });

  it('says where there is no interval, and no test', async () => {
    serving({ resample: (analysis) => drawn(analysis, { interval: null, pValue: null }) });
    const { user } = show(<ResampleSection {...contextOf()} />);
    await user.click(screen.getByRole('button', { name: 'Bootstrap interval' }));
    expect((await screen.findByTestId('resampled')).textContent).toContain('No interval: in too many samples a variable did not vary');
    await user.click(screen.getByRole('button', { name: 'Permutation test' }));
    expect(await screen.findByText('No test: a variable does not vary.')).toBeTruthy();
  });
});

describe('points that matter', () => {
  const points = influenceResultSchema.parse({
    kind: 'influence',
    coefficient: -0.5,
    n: 30,
    carrying: 12,
    points: [
      { row: 12, name: 'CO-018', x: 40, y: 1.25, without: -0.09 },
      { row: 3, name: null, x: 2, y: 10, without: -0.55 },
    ],
  });

  it('names the row that carries the coefficient, and gives each column one number of decimals', async () => {
    serving({ influence: points });
    show(<PointsSection {...contextOf()} />);
    const section = await screen.findByTestId('points-that-matter');
    expect(section.textContent).toContain('The coefficient is carried by row 12 (CO-018): r −.50 with it, −.09 without.');
    const cells = within(section)
      .getAllByRole('row')
      .map((row) => [...row.querySelectorAll('th, td')].map((cell) => cell.textContent));
    expect(cells).toEqual([
      ['try without', 'x', 'y', 'r without'],
      ['row 12 (CO-018)', '40', '1.25', '−.090'],
      ['row 3', '2', '10.00', '−.550'],
    ]);
    expect(section.textContent).toContain('r = −.500 with all 30 rows.');
  });

  it('has none where no row can be left out', async () => {
    serving({ influence: { ...points, carrying: null, points: [] } });
    show(<PointsSection {...contextOf()} />);
    expect(await screen.findByText(/No point can be left out/)).toBeTruthy();
  });
});

describe('the note', () => {
  const noted: Study = { ...study, state: { ...study.state, pairNotes: { 'v1~v3': 'looks curved' } } };

  it('is kept as a decision once it differs', async () => {
    const sent = serving({});
    const { user } = show(<PairNote context={contextOf({}, noted)} />);
    const keep = screen.getByRole('button', { name: 'Keep the note' });
    expect(keep.hasAttribute('disabled')).toBe(true);
    await user.type(screen.getByRole('textbox', { name: 'Note about the pair' }), ', see the log');
    await user.click(keep);
    expect(sent.find(({ what }) => what === 'POST /changes')?.body).toMatchObject({
      change: { type: 'note-pair', pair: ['v1', 'v3'], text: 'looks curved, see the log' },
    });
  });

  it('is read and not written in an earlier state', () => {
    const { router: _ } = show(
      <ReadOnly value={true}>
        <PairNote context={contextOf({}, noted)} />
      </ReadOnly>,
    );
    expect(screen.getByText('looks curved')).toBeTruthy();
    expect(screen.queryByRole('textbox')).toBeNull();
    expect(screen.queryByRole('button')).toBeNull();
  });

  it('that was never written says so there', () => {
    show(
      <ReadOnly value={true}>
        <PairNote context={contextOf()} />
      </ReadOnly>,
    );
    expect(screen.getByText('No note was written.')).toBeTruthy();
  });
});

describe('the working', () => {
  it('has the smallest coefficient that so many rows would find, by the alternative', () => {
    const found = (alternative: 'two-sided' | 'greater' | 'less') =>
      smallestDetectable({ n, power: 0.8, alternative }).toFixed(2).replace('0.', '.').replace('-', '');
    const { router: _ } = show(<WorkingSection context={contextOf()} result={result} />);
    expect(screen.getByTestId('working').textContent).toContain(
      `a population correlation of ±${found('two-sided')} or more would be found at .05 with a power of .80.`,
    );
  });

  it('of a one-sided test names one sign, and of τ says that it is computed for r', () => {
    const less = contextOf({ alternative: 'less', methods: ['kendall'] });
    show(<WorkingSection context={less} result={result} />);
    expect(screen.getByTestId('working').textContent).toMatch(
      /population correlation of −\.\d\d or less would be found at \.05 with a power of \.80 \(computed for r\)/,
    );
  });

  it('has t, df and p as the test has them', () => {
    show(<WorkingSection context={contextOf()} result={result} />);
    const { coefficient, statistic } = pearson(x, y);
    const words = screen.getByTestId('working').textContent ?? '';
    expect(words).toContain(`= ${statistic?.value.toFixed(3)}`);
    expect(words).toContain(`degrees of freedom${n - 2}`);
    expect(words).toContain(`r² = .${String(Math.round(1000 * coefficient ** 2)).padStart(3, '0')}`);
    expect(words).toContain('it compares no means');
  });
});

describe('what is pinned of the card', () => {
  const tellOf = async (section: string, of = study) => {
    const context = contextOf({}, of);
    serving({ pair: result });
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    return tell(
      pinnedSchema.parse({ ...pinnedSection(context, section, section), revision: null }),
      askingOf(client, of, reportSettingsSchema.parse({})),
    );
  };

  it('the working is told a step on each line, with every digit', async () => {
    const { heading, paragraphs, tests } = await tellOf('working');
    const lines = paragraphs.map(({ sentences }) => sentences.map(({ text }) => text).join(''));
    const { coefficient, statistic } = pearson(x, y);
    expect(heading).toBe('Working of r of nitrate and mayfly taxa');
    expect(lines[0]).toBe(`n = ${n}`);
    expect(lines[1]).toBe(`r = ${coefficient}`.replace('-', '−'));
    expect(lines[2]).toContain(`= ${statistic?.value}, ${n - 2} degrees of freedom`.replace('-', '−'));
    expect(lines.at(-1)).toMatch(/^Smallest r found at 0\.05 with a power of 0\.8 = 0\.\d+$/);
    expect(new Set(paragraphs.flatMap(({ sentences }) => sentences.map(({ id }) => id))).size).toBe(lines.length);
    expect(tests).toBe(1);
  });

  it('the note is told as it was written, and counts no test and no method', async () => {
    const noted: Study = { ...study, state: { ...study.state, pairNotes: { 'v1~v3': 'looks curved\nsee 12.5 mg/L' } } };
    const { heading, paragraphs, tests, methods } = await tellOf('note', noted);
    expect(heading).toBe('Note about nitrate and mayfly taxa');
    expect(paragraphs.flatMap(({ sentences }) => sentences)).toEqual([
      { id: 'line-0', text: 'looks curved', fixed: true },
      { id: 'line-1', text: 'see 12.5 mg/L', fixed: true },
    ]);
    expect([tests, methods]).toEqual([0, []]);
  });

  it('a note that was taken back is said to be gone', async () => {
    const { paragraphs } = await tellOf('note');
    expect(paragraphs[0]?.sentences[0]?.text).toBe('No note about it is kept any more.');
  });
});

describe('the values of the pair', () => {
  const values = (part: Partial<CorrelationSettings> = {}, adjustedP: number | null = null, tests = result.tests) => {
    show(
      <PairValues
        title="nitrate × mayfly taxa"
        result={{ ...result, tests }}
        method="pearson"
        settings={{ ...settings, ...part }}
        taken={null}
        adjustedP={adjustedP}
      />,
    );
    return within(screen.getByTestId('pair-values'))
      .getAllByRole('row')
      .map((row) => [...row.querySelectorAll('th, td')].map((cell) => cell.textContent ?? ''));
  };
  const { coefficient, interval, statistic } = pearson(x, y);
  const three = (value: number) =>
    value
      .toFixed(3)
      .replace(/^(-?)0\./, '$1.')
      .replace('-', '−');

  it('are the coefficient, its interval, p, n, t and its degrees of freedom, and the share of variance', () => {
    const rows = new Map(values().map(([name = '', value = '']) => [name, value]));
    expect(rows.get('Pearson’s r')).toBe(three(coefficient));
    expect(rows.get('95 % confidence interval')).toBe(`[${three(interval?.low ?? 0)}, ${three(interval?.high ?? 0)}]`);
    expect(rows.get('n, rows used')).toBe('30');
    expect(rows.get('t')).toBe(statistic?.value.toFixed(3));
    expect(rows.get('degrees of freedom')).toBe('28');
    expect(rows.get('r², variance shared')).toBe(three(coefficient ** 2));
    expect([...rows.keys()].some((name) => name.includes('adjusted'))).toBe(false);
  });

  it('say what is adjusted, and one-sided', () => {
    const rows = values({ adjust: 'holm', alternative: 'greater' }, 0.0321);
    expect(rows.map(([name]) => name)).toEqual(
      expect.arrayContaining(['p, one-sided (positive)', 'p, adjusted after Holm', '95 % confidence interval, one-sided']),
    );
    expect(rows.find(([name]) => name === 'p, adjusted after Holm')?.[1]).toBe('.032');
  });

  it('of points on a line have no interval and say why', () => {
    const exact = { ...result.tests.pearson, coefficient: 1, pValue: 0, log10P: null, interval: null, degenerate: true, statistic: null };
    const rows = new Map(values({}, null, { ...result.tests, pearson: exact }).map(([name = '', value = '']) => [name, value]));
    expect(rows.get('95 % confidence interval')).toBe('none: r is exactly ±1');
    expect(rows.get('t')).toBe('±∞');
    expect(rows.get('p, two-sided')).toContain('exactly 0: the points lie on a line');
  });
});

describe('the choice of a coefficient', () => {
  const cautions = { kind: 'cautions', identifier: null, pairs: [] };
  const shape = { kind: 'shape' };
  const described = (skewness: number) => ({
    kind: 'describe',
    variables: ['v1', 'v3'].map((id) => ({
      id,
      n: 60,
      missing: 0,
      bins: [],
      ...Object.fromEntries(
        ['mean', 'sd', 'se', 'variance', 'median', 'min', 'range', 'q1', 'q3', 'skewnessSe', 'excessKurtosis', 'excessKurtosisSe'].map(
          (name) => [name, 0.5],
        ),
      ),
      max: 9,
      skewness: id === 'v1' ? skewness : 0.1,
    })),
  });
  const many = { ...result, n: 60 };
  const summary = { kind: 'summary', variables: ['v1', 'v2', 'v3', 'v4'].map((id) => ({ id, n: 60, missing: 0, distinct: 55, bins: [] })) };

  it('shows all three, and recommends ranks for a marked shape, with the decision at hand', async () => {
    const sent = serving({ cautions, describe: described(3.2), summary, shape });
    const { user } = show(<MethodChoice context={contextOf()} result={many} />);
    const advice = screen.getByTestId('method-advice');
    await vi.waitFor(() => expect(advice.textContent).toContain('Recommended: Spearman’s ρ. Ranks do not mind that nitrate is'));
    expect(within(screen.getByRole('table', { name: /by each coefficient/ })).getAllByRole('row')).toHaveLength(4);
    await user.click(screen.getByRole('button', { name: 'Use ρ for the pairs of nitrate' }));
    expect(sent.find(({ what }) => what === 'POST /changes')?.body).toMatchObject({
      change: { type: 'set-pair-method', variable: 'v1', method: 'spearman' },
      reason: expect.stringContaining('Ranks do not mind'),
    });
  });

  it('finds r suitable where nothing speaks against it', async () => {
    serving({ cautions, describe: described(0.2), summary, shape });
    show(<MethodChoice context={contextOf()} result={many} />);
    await vi.waitFor(() => expect(screen.getByTestId('method-advice').textContent).toContain('Pearson’s r suits.'));
    expect(screen.queryByRole('button', { name: /for the pairs of/ })).toBeNull();
  });

  it('once decided says so, and can be taken back', async () => {
    const decided: Study = { ...study, state: { ...study.state, pairMethods: { v1: 'spearman' } } };
    const sent = serving({ cautions, describe: described(3.2), summary, shape });
    const { user } = show(<MethodChoice context={contextOf({}, decided)} result={many} />);
    expect(screen.getByTestId('method-advice').textContent).toContain('Spearman’s ρ, as decided for nitrate; the trail says why.');
    await user.click(screen.getByRole('button', { name: 'Treat nitrate as all others again' }));
    expect(sent.find(({ what }) => what === 'POST /changes')?.body).toMatchObject({ change: { variable: 'v1', method: null } });
  });
});
