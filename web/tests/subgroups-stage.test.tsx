import {
  type CorrelationSettings,
  correlationSettingsSchema,
  dependentResultSchema,
  equalMatricesResultSchema,
  groupedPairSchema,
  type Study,
  subgroupDescriptivesResultSchema,
  subgroupPairResultSchema,
  subgroupsResultSchema,
  variableSchema,
} from '@ivlen/contract';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { permutedInWords } from '../src/groups/permutation-of-groups';
import { correctedInWords, restrictedGroups } from '../src/groups/range-restriction';
import { MoreClosely, sharedVariables } from '../src/stages/correlations/questions/more-closely';
import { matricesInWords } from '../src/stages/subgroups/pairs/whole-matrices';
import { SubgroupsStage } from '../src/stages/subgroups/subgroups-stage';
import { serve, show } from './served';
import { testStudy } from './test-study';

const plain = testStudy();
const catchment = variableSchema.parse({ ...plain.state.variables[0], id: 'v9', name: 'catchment', kind: 'nominal', storage: 'code' });
const bank = variableSchema.parse({ ...catchment, id: 'v8', name: 'bank', kind: 'ordinal', storage: 'number' });
const study: Study = { ...plain, state: { ...plain.state, variables: [...plain.state.variables, catchment, bank] } };
const LABELS = ['Aster', 'Birk', 'Corrin'];
const groups = LABELS.map((_, value) => ({ is: 'group' as const, value, rows: 20 }));

const cell = (coefficient: number) => ({
  coefficient,
  n: 20,
  pValue: 0.03,
  log10P: -1.5,
  low: coefficient - 0.3,
  high: coefficient + 0.3,
  zVariance: 1 / 17,
  because: null,
});
const inside = { coefficient: -0.4, low: -0.6, high: -0.1, pValue: 0.01, log10P: -2 };
const pair = (a: string, b: string, rs: readonly number[], more: object = {}) =>
  groupedPairSchema.parse({
    a,
    b,
    method: 'pearson',
    pooled: cell(0.3),
    groups: rs.map(cell),
    untested: [],
    within: { ...inside, n: 60, df: 56, spreadRatio: 1.1, meanOfZ: null },
    homogeneity: { q: 7.1, df: 2, pValue: 0.029, log10P: -1.54 },
    random: { iSquared: 0.7, tauSquared: 0.05, coefficient: -0.3, low: -0.8, high: 0.5 },
    two: null,
    reversed: false,
    hidden: false,
    ...more,
  });
const subgroups = (analysis: { groups: { only: number[] | null; against: number | null } }) => {
  const { only, against } = analysis.groups;
  const taking =
    against !== null
      ? [groups[0], { is: 'rest', value: null, rows: 40 }]
      : groups.filter(({ value }) => only === null || only.includes(value));
  const two = taking.length === 2 ? { two: { difference: 0.4, z: 1.9, cohensQ: 0.45, low: -0.02, high: 0.8 }, random: null } : {};
  const of = (a: string, b: string, rs: readonly number[], more: object = {}) =>
    pair(a, b, rs.slice(0, taking.length), { ...two, ...more });
  return subgroupsResultSchema.parse({
    kind: 'subgroups',
    groups: taking,
    rowsWithout: 2,
    pairs: [
      of('v1', 'v2', [-0.5, -0.3, -0.4], { reversed: taking.length === 3 }),
      of('v1', 'v3', [0.6, 0.2, -0.4]),
      of('v2', 'v3', [0.1, 0.2, 0.3]),
    ],
  });
};
const slope = { slope: -0.5, intercept: 3, low: -0.9, high: -0.1 };
const spread = { n: 20, meanX: 3, meanY: 9, sdX: 1.5, sdY: 2 };
const closer = subgroupPairResultSchema.parse({
  kind: 'subgroup-pair',
  groups,
  everyTwo: [],
  slopes: {
    groups: [slope, slope, slope],
    common: -0.5,
    pooled: { slope: 0.4, intercept: 1 },
    f: 0.4,
    df: 2,
    dfResidual: 54,
    pValue: 0.67,
    because: null,
  },
  whole: { ...spread, n: 60, sdX: 3 },
  spreads: [spread, { ...spread, sdX: 2.9, sdY: 1 }, { ...spread, sdY: 0.9 }],
  between: { coefficient: 0.9, df: 1, pValue: 0.2 },
});
const d = (sd: number) => ({ n: 20, missing: 0, mean: 5, sd, skewness: 0.1, skewnessSe: 0.5, excessKurtosis: 8, excessKurtosisSe: 1 });

function open(path = '/studies/x/subgroups', more: Record<string, object> = {}, of = study, settings: Partial<CorrelationSettings> = {}) {
  const stored = (value: object | null) => ({ version: 1, settings: value });
  const sent = serve({
    'GET /settings/working-set': stored({ variables: ['v1', 'v2', 'v3'] }),
    'GET /settings/correlations': stored(correlationSettingsSchema.parse(settings)),
    'GET /settings/subgroups': stored(null),
    'GET /settings/shape': stored(null),
    'GET /settings/grouping': stored({ variable: 'v9' }),
    'PUT /settings/grouping': (body: { settings: object }) => ({ version: 2, settings: body.settings }),
    'PUT /settings/subgroups': (body: { settings: object }) => ({ version: 2, settings: body.settings }),
    'GET /variables/v9/categories': { categories: LABELS.map((text, value) => ({ text, value, rows: 20 })) },
    'GET /variables/v8/categories': { categories: null },
    'GET /variables/v1/values': Float64Array.of(1, 2, 3, 4, 5, 6),
    'GET /variables/v2/values': Float64Array.of(3, 2, 1, 6, 5, 4),
    'GET /variables/v9/values': Float64Array.of(0, 0, 1, 1, 2, 2),
    'POST /analyses': ({ analysis }: { analysis: { kind: string } & Parameters<typeof subgroups>[0] }) => {
      const answers: Record<string, object> = {
        summary: { kind: 'summary', variables: [] },
        'subgroup-pair': closer,
        'equal-matrices': equalMatricesResultSchema.parse({
          kind: 'equal-matrices',
          n: [20, 20, 20],
          statistic: 9.3,
          df: 6,
          pValue: 0.157,
          rejectsTooOften: false,
          because: null,
        }),
        'subgroup-descriptives': subgroupDescriptivesResultSchema.parse({
          kind: 'subgroup-descriptives',
          groups,
          variables: ['v1', 'v2', 'v3'].map((id) => ({ id, whole: { ...d(3), n: 60 }, groups: [d(1), d(2.5), d(2.6)], restricted: [0] })),
        }),
        dependent: dependentResultSchema.parse({
          kind: 'dependent',
          n: 60,
          first: 0.5,
          second: -0.4,
          across: [],
          tests: [{ by: 'williams', statistic: 5, df: 57, pValue: 1e-5, log10P: -5 }],
          interval: { low: 0.6, high: 1.2, level: 0.95, method: 'zou' },
          because: null,
          shared: [],
        }),
      };
      return analysis.kind === 'subgroups' ? subgroups(analysis) : (answers[analysis.kind] ?? {});
    },
    ...more,
  });
  return { ...show(<SubgroupsStage study={of} />, path), sent };
}

describe('the Subgroups stage', () => {
  it('says how many pairs differ, whether whole matrices do, what reverses, and what is left out', async () => {
    const { user } = open();
    expect((await screen.findByTestId('whole-sentence')).textContent).toBe(
      '3 of 3 pairs differed between groups of catchment at .05; 0.2 expected if no groups differed. The clearest: nitrate × phosphate, Q(2) = 7.10, p = .029.',
    );
    expect((await screen.findByTestId('whole-matrices')).textContent).toBe(
      'Whole matrices do not detectably differ: Jennrich’s χ²(6) = 9.3, p = .157, 20 complete rows a group.',
    );
    expect(screen.getByText('2 rows have no catchment and are left out.')).toBeTruthy();
    const stories = screen.getByTestId('other-stories');
    expect(within(stories).getAllByRole('listitem')).toHaveLength(1);
    expect(stories.textContent).toContain(
      'nitrate × phosphate, a reversal: r = .30 over all rows of these groups, but −.50 to −.30 inside them',
    );
    await user.click(within(stories).getByRole('button', { name: 'Show why' }));
    expect(within(stories).getByRole('button', { name: 'Hide the plot' })).toBeTruthy();
  });

  it('side by side has a grid for each group with its n, and marks the same pair in all', async () => {
    const { user } = open('/studies/x/subgroups?view=side');
    const grids = await screen.findAllByRole('grid');
    expect(grids.map((grid) => grid.getAttribute('aria-label'))).toEqual([
      'Correlations in Aster',
      'Correlations in Birk',
      'Correlations in Corrin',
      'Correlations in all groups',
    ]);
    const [birk] = [grids[1] as HTMLElement];
    expect(within(birk).getByRole('gridcell', { name: 'nitrate × mayfly taxa: .20*' })).toBeTruthy();
    await user.hover(within(birk).getByRole('gridcell', { name: /^nitrate × mayfly taxa/ }));
    expect(document.querySelectorAll('[data-lit]')).toHaveLength(4);
    expect(screen.getByTestId('side-readout').textContent).toContain('nitrate × mayfly taxa: Aster .600 [.300, .900] n 20 · Birk .200');
    // Arrow keys go from tile to tile, below the diagonal alone.
    within(birk)
      .getByRole('gridcell', { name: /^nitrate × phosphate/ })
      .focus();
    await user.keyboard('{ArrowDown}{ArrowRight}{ArrowUp}');
    expect(document.activeElement?.getAttribute('aria-label')).toBe('phosphate × mayfly taxa: .20*');
  });

  it('the difference asks for the two groups, outlines opposite signs, and shows what is chosen in the other half', async () => {
    const { user, sent } = open('/studies/x/subgroups?view=difference');
    const asked = () =>
      sent
        .flatMap(({ what, body }) => (what === 'POST /analyses' ? [(body as { analysis: { kind: string; groups: object } }).analysis] : []))
        .filter(({ kind }) => kind === 'subgroups');
    const tile = await screen.findByRole('gridcell', { name: 'nitrate × mayfly taxa: .40*' });
    expect(asked().at(-1)?.groups).toMatchObject({ only: [0, 1], against: null });
    await user.hover(tile);
    expect(screen.getByTestId('difference-readout').textContent).toBe(
      'nitrate × mayfly taxa: Aster .60 (n 20), Birk .20 (n 20); difference .40, 95 % interval [−.02, .80], q 0.45, z = 1.90, p = .029.',
    );
    await user.selectOptions(screen.getByRole('combobox', { name: 'Second group' }), 'Corrin');
    expect(await screen.findByRole('gridcell', { name: 'nitrate × mayfly taxa: .40*' })).toBeTruthy();
    await waitFor(() => expect(asked().at(-1)?.groups).toMatchObject({ only: [0, 2] }));
    await user.selectOptions(screen.getByRole('combobox', { name: 'Second group' }), 'all others together');
    await waitFor(() => expect(asked().at(-1)?.groups).toMatchObject({ only: null, against: 0 }));
    expect(await screen.findByText(/pairs differ between Aster and all others at/)).toBeTruthy();
    await user.selectOptions(screen.getByRole('combobox', { name: 'other half' }), 'Cohen’s q');
    expect(await screen.findAllByText('0.45')).toHaveLength(3);
  });

  it('descriptives name narrow ranges and marked shapes', async () => {
    open('/studies/x/subgroups?view=descriptives');
    expect((await screen.findByTestId('narrow-groups')).textContent).toContain('nitrate (Aster), phosphate (Aster), mayfly taxa (Aster)');
    const rows = within(screen.getByTestId('group-descriptives')).getAllByRole('row').slice(1);
    expect(rows).toHaveLength(12);
    expect(rows[0]?.textContent).toContain('1.00 ‹');
    expect(rows[0]?.textContent).toContain('8.00 °');
    expect(rows[3]?.textContent).toContain('all of them');
  });

  it('dependent comparisons of opposite signs offer to compare strengths', async () => {
    const { user, sent } = open('/studies/x/subgroups?view=dependent');
    expect(
      await screen.findByText('They differ, and in sign: this tests whether the coefficients are the same, not which is stronger.'),
    ).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Compare strengths: turn the sign of the second' }));
    await waitFor(() => expect(sent.at(-1)?.body).toMatchObject({ analysis: { kind: 'dependent', turned: true } }));
    await user.selectOptions(screen.getByRole('combobox', { name: 'Second variable of the first pair' }), 'mayfly taxa');
    expect(screen.getByRole('alert').textContent).toBe('A variable with itself has no coefficient to compare. Choose another.');
  });

  it('a coefficient that was turned is so after a reload, until other pairs are chosen', async () => {
    const { user, sent } = open('/studies/x/subgroups?view=dependent&turned=');
    const turn = await screen.findByRole('button', { name: 'Compare with their signs' });
    const asked = () => sent.flatMap(({ body }) => (body as { analysis?: { kind: string; turned?: boolean } })?.analysis ?? []).at(-1);
    expect(asked()).toMatchObject({ kind: 'dependent', turned: true });
    await user.click(turn);
    await waitFor(() => expect(asked()).toMatchObject({ kind: 'dependent', turned: false }));
    await user.click(await screen.findByRole('button', { name: 'Compare strengths: turn the sign of the second' }));
    await screen.findByRole('button', { name: 'Compare with their signs' });
    const before = sent.length;
    await user.selectOptions(screen.getByRole('combobox', { name: 'First variable of the second pair' }), 'nitrate');
    await waitFor(() => expect(sent.length).toBeGreaterThan(before));
    expect(asked()).toMatchObject({ kind: 'dependent', turned: false });
  });

  it('chooses groups where they are said: of another variable, only some, with those that have none', async () => {
    const { user, sent } = open();
    await screen.findByTestId('whole-sentence');
    await user.click(screen.getByRole('button', { name: /change the groups/ }));
    const taking = await screen.findByRole('group', { name: 'Groups that take part' });
    await user.click(within(taking).getByLabelText(/^Birk/));
    await waitFor(() => expect(screen.getByTestId('methods-line').textContent).toContain('2 of 3 groups of catchment (Aster and Corrin)'));
    // Two are the fewest.
    expect(within(screen.getByRole('group', { name: 'Groups that take part' })).getByLabelText(/^Aster/)).toHaveProperty('disabled', true);
    await user.click(screen.getByLabelText('Rows without catchment are a group of their own'));
    expect(sent.filter(({ what }) => what === 'PUT /settings/grouping').at(-1)?.body).toMatchObject({
      settings: { variable: 'v9', groups: [0, 2], withoutOne: true },
    });
    await user.selectOptions(screen.getByRole('combobox', { name: 'Groups of' }), 'bank');
    expect(await screen.findByText('bank has too many different values to be listed as groups.')).toBeTruthy();
    expect(screen.getByTestId('methods-line').textContent).toContain('across groups of bank');
  });

  it.each([
    ['no variable makes groups', { ...study, state: { ...study.state, variables: plain.state.variables } }, {}, 'No variable makes groups'],
    [
      'one variable ticked',
      study,
      { 'GET /settings/working-set': { version: 1, settings: { variables: ['v1'] } } },
      'Tick two or more variables on the left',
    ],
    [
      'one group',
      study,
      { 'GET /variables/v9/categories': { categories: [{ text: 'Aster', value: 0, rows: 60 }] } },
      'catchment has one group only.',
    ],
  ] as const)('says what to do with %s', async (_, of, more, words) => {
    open('/studies/x/subgroups', more, of);
    expect(await screen.findByText(new RegExp(words))).toBeTruthy();
  });

  it('leaves the grouping variable out of the pairs', async () => {
    const { sent } = open('/studies/x/subgroups', {
      'GET /settings/working-set': { version: 1, settings: { variables: ['v1', 'v2', 'v8'] } },
      'GET /settings/grouping': { version: 1, settings: { variable: 'v8' } },
      'GET /variables/v8/categories': { categories: LABELS.map((text, value) => ({ text, value, rows: 20 })) },
    });
    await screen.findByTestId('whole-sentence');
    const analyses = sent.flatMap(({ body }) =>
      body && typeof body === 'object' && 'analysis' in body ? [body.analysis as { kind: string; variables: string[] }] : [],
    );
    expect(analyses.find(({ kind }) => kind === 'subgroups')?.variables).toEqual(['v1', 'v2']);
  });
});

describe('said beside the numbers', () => {
  it.each([
    [
      { because: 'too-few-cases' as const },
      'Whole matrices are not compared: each group needs more complete rows than there are variables.',
    ],
    [
      { pValue: 0.01, rejectsTooOften: true },
      'Whole matrices differ: Jennrich’s χ²(6) = 9.3, p = .010, 15 to 20 complete rows a group; with groups this small it rejects too often.',
    ],
  ])('%j', (part, words) => {
    const given = {
      kind: 'equal-matrices' as const,
      n: [20, 15],
      statistic: 9.3,
      df: 6,
      pValue: 0.157,
      rejectsTooOften: false,
      because: null,
    };
    expect(matricesInWords({ ...given, ...part }, [0.05])).toBe(words);
  });

  it('a permutation test with what it rests on; none where groups are too few', () => {
    const given = { kind: 'group-permutation' as const, q: 5.25, pValue: 0.021, asExtreme: 20, times: 999, seed: 7, untested: 1 };
    expect(permutedInWords(given, [0.05])).toBe(
      'Permutation test that the groups do not differ: p = .021; 20 of 999 permutations (seed 7) were at least as extreme as Q = 5.25, with weights by n alone. 1 group takes no part: fewer than five rows, constant, or exactly linear.',
    );
    expect(permutedInWords({ ...given, pValue: null, q: null, untested: 0 }, [0.05])).toBe(
      'No permutation test: fewer than two groups can take part.',
    );
  });

  it('narrow ranges are those below two thirds of the pair’s own SD; the correction has u and both figures', () => {
    const shown = groups.map((group, style) => ({ ...group, label: LABELS[style] ?? '', style }));
    const found = restrictedGroups(closer, shown);
    expect(found.map(({ group, x, y }) => [group.label, x.is, y.is])).toEqual([
      ['Aster', true, false],
      ['Birk', false, true],
      ['Corrin', true, true],
    ]);
    const compared = { cells: [{ ...cell(0.3), adjustedP: null }] } as never;
    expect(correctedInWords(compared, { group: shown[0] as never, place: 0 }, 2)).toBe(
      'Aster: r = .30; corrected for the range (u = 2.00) r = .53 [.00, .83].',
    );
  });
});

describe('hypotheses that share a variable', () => {
  const hypothesis = (x: string, y: string, shown = true) => ({ id: `${x}${y}`, x, y, shown }) as never;
  it('are offered to be compared once both are shown', () => {
    const names = (list: ReturnType<typeof sharedVariables>) =>
      list.map(({ shared, first, second }) => `${shared.name}: ${first.name}, ${second.name}`);
    expect(
      names(sharedVariables(study, { hypotheses: [hypothesis('v1', 'v3'), hypothesis('v3', 'v2'), hypothesis('v1', 'v2', false)] })),
    ).toEqual(['mayfly_taxa: nitrate, phosphate']);
    expect(sharedVariables(study, { hypotheses: [hypothesis('v1', 'v3'), hypothesis('v3', 'v1')] })).toEqual([]);
    show(<MoreClosely study={study} question={{ hypotheses: [hypothesis('v1', 'v3'), hypothesis('v2', 'v3')] } as never} />);
    expect(
      screen.getByRole('link', { name: 'is mayfly taxa tied more closely to nitrate than to phosphate?' }).getAttribute('href'),
    ).toContain('subgroups?view=dependent&first=v3%7Ev1&second=v3%7Ev2');
  });
});
