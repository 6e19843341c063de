import {
  type Change,
  type CorrelationSettings,
  cautionsResultSchema,
  correlationSettingsSchema,
  type PairCaution,
  pairKey,
  type Study,
  type TakenRemedy,
  type Variable,
} from '@ivlen/contract';
import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { CAUTION_WORDS, remedyInWords } from '../src/coefficients/caution-words';
import { cellLines } from '../src/coefficients/cell-data';
import { buildMatrix } from '../src/coefficients/matrix';
import { matrixRequest } from '../src/coefficients/requests';
import { sentenceOf } from '../src/methods-line/methods-parts';
import { attenuationInWords, reliabilityInWords } from '../src/pair-card/attenuation-words';
import { dependenceInWords, unseenInWords } from '../src/pair-card/dependence-words';
import { PairCautions } from '../src/pair-card/pair-cautions';
import { pairContext, pinnedPair } from '../src/pair-card/pair-request';
import { advisedRemedy, isForAll, isSettled, rowToDoWithout } from '../src/remedies/advised-remedy';
import { RemediesEditor } from '../src/remedies/remedies-editor';
import { askedRemedies, remediesForAll, remedyOfMethods, remedyPhrase, takenInWords } from '../src/remedies/remedy-words';
import { GridLegend } from '../src/stages/correlations/grid-legend';
import { MissingEditor } from '../src/stages/correlations/missing-editor';
import { hypothesisRequest } from '../src/stages/correlations/questions/use-decisions';
import { sentence } from '../src/stages/correlations/sentence';
import { heldInWays, jointInWords } from '../src/sturdiness/joint-words';
import { sourcesOfRemedies } from '../src/telling/sources-of';
import { serve, show } from './served';
import { testResult, testStudy } from './test-study';

const plain = testStudy();
const station: Variable = {
  ...(plain.state.variables[0] as Variable),
  id: 'v9',
  name: 'station',
  label: null,
  kind: 'identifier',
  storage: 'code',
};
const catchment: Variable = { ...station, id: 'v8', name: 'catchment', kind: 'nominal' };
const withCases: Study = { ...plain, state: { ...plain.state, variables: [...plain.state.variables, station, catchment] } };
const [nitrate, phosphate, taxa] = plain.state.variables as [Variable, Variable, Variable];
const settings = correlationSettingsSchema.parse({});
const context = { identifier: 'v9', groupBy: 'v8' };

const decided = (every: TakenRemedy | null, pairs: Record<string, TakenRemedy> = {}, of = withCases): Study => ({
  ...of,
  state: { ...of.state, remedies: { every, pairs } },
});
const caution = (code: PairCaution['code'], remedy: Partial<NonNullable<PairCaution['remedy']>> | null, values = {}): PairCaution => ({
  code,
  level: 'could-change',
  values,
  found: { coefficient: 0.4, pValue: 0.01 },
  remedy: remedy && {
    kind: 'ranks',
    coefficient: 0.1,
    pValue: 0.3,
    n: 40,
    low: -0.2,
    high: 0.4,
    row: null,
    name: null,
    held: [],
    ...remedy,
  },
});
const WITHIN: TakenRemedy = { kind: 'within', by: 'v9' };

describe('what a caution advises', () => {
  it.each<[PairCaution['code'], Partial<NonNullable<PairCaution['remedy']>>, TakenRemedy | null]>([
    ['shape', { kind: 'ranks' }, { kind: 'method', method: 'spearman' }],
    ['fan-shaped', { kind: 'distribution-free' }, { kind: 'distribution-free' }],
    ['few-cases', { kind: 'permutation' }, { kind: 'permutation' }],
    ['many-missing', { kind: 'maximum-likelihood' }, { kind: 'maximum-likelihood', among: [] }],
    ['rows-not-independent', { kind: 'within-cases' }, WITHIN],
    ['groups-reverse', { kind: 'within-groups' }, { kind: 'within', by: 'v8' }],
    ['ordinal', { kind: 'behind-steps' }, { kind: 'behind-steps' }],
    ['shares-a-component', { kind: 'component-constant', held: ['v2'] }, { kind: 'constant', held: ['v2'] }],
    ['shares-a-component', { kind: 'component-constant' }, null],
    // No coefficient of this pair.
    ['curved', { kind: 'parabola' }, null],
    ['shares-a-component', { kind: 'remaining-part' }, null],
  ])('of %s by %o is %o', (code, remedy, wanted) => {
    expect(advisedRemedy(caution(code, remedy), context)).toEqual(wanted);
  });

  it('without an identifier or groups there is nothing to be inside of', () => {
    expect(advisedRemedy(caution('rows-not-independent', { kind: 'within-cases' }), { identifier: null, groupBy: null })).toBeNull();
    expect(advisedRemedy(caution('groups-differ', { kind: 'within-groups' }), { identifier: 'v9', groupBy: null })).toBeNull();
    expect(advisedRemedy(caution('ties', null), context)).toBeNull();
  });

  it('below a limit is on logarithms where these were judged', () => {
    expect(advisedRemedy(caution('below-limit', { kind: 'below-limit' }, { logs: 1 }), context)).toEqual({
      kind: 'below-limit',
      logs: true,
    });
    expect(advisedRemedy(caution('below-limit', { kind: 'below-limit' }, { logs: 0 }), context)).toEqual({
      kind: 'below-limit',
      logs: false,
    });
  });

  it('a row that carries it is set aside by its number, and no other caution names one', () => {
    expect(rowToDoWithout(caution('one-point', { kind: 'without-row', row: 31 }))).toBe(31);
    expect(rowToDoWithout(caution('one-point', null))).toBeNull();
    expect(rowToDoWithout(caution('shape', { kind: 'ranks', row: 31 }))).toBeNull();
  });

  it('is settled by what was decided, and by nothing else', () => {
    const repeated = caution('rows-not-independent', null);
    for (const kind of ['within', 'between', 'cases-drawn'] as const) expect(isSettled(repeated, { kind, by: 'v9' }, context)).toBe(true);
    expect(isSettled(repeated, { kind: 'within', by: 'v8' }, context)).toBe(false);
    expect(isSettled(repeated, null, context)).toBe(false);
    expect(isSettled(caution('many-missing', null), { kind: 'maximum-likelihood', among: ['v1'] }, context)).toBe(true);
    expect(isSettled(caution('ordinal', { kind: 'ranks' }), { kind: 'behind-steps' }, context)).toBe(true);
    const groups = caution('groups-differ', { kind: 'within-groups' });
    expect([isSettled(groups, { kind: 'within', by: 'v8' }, context), isSettled(groups, WITHIN, context)]).toEqual([true, false]);
    expect(isSettled(caution('fan-shaped', { kind: 'distribution-free' }), WITHIN, context)).toBe(false);
  });

  it('about rows or variables is one rule for all pairs; about a shape it is not', () => {
    expect((['within', 'between'] as const).map((kind) => isForAll({ kind, by: 'v9' }))).toEqual([true, false]);
    expect([isForAll({ kind: 'behind-steps' }), isForAll({ kind: 'method', method: 'spearman' })]).toEqual([true, false]);
  });

  it('says which pairs of levels hold no row, and that one of two by two counts as half of one', () => {
    const said = (values: object) =>
      CAUTION_WORDS.ordinal.sentence(values as PairCaution['values'], { x: 'bank', y: 'bed', method: 'pearson' }, null);
    expect(said({ emptyCells: 6, cells: 25 })).toMatch(/ 6 of 25 pairs of levels hold no row\.$/);
    expect(said({ emptyCells: 1, cells: 4 })).toMatch(
      / 1 of 4 pairs of levels holds no row, which counts as half a row behind the steps\.$/,
    );
    expect([said({ emptyCells: 0, cells: 9 }), said({})].every((words) => words.endsWith('as equal.'))).toBe(true);
  });

  it('is told with the coefficient on both sides', () => {
    const subject = { x: 'nitrate', y: 'taxa', method: 'pearson' as const, identifier: 'station' };
    expect(remedyInWords(caution('ordinal', { kind: 'behind-steps', coefficient: 0.52, pValue: 0.001 }), subject, 0.05)).toBe(
      'If normal variables were behind the steps r = .52 [−.20, .40], of the steps as numbers .40.',
    );
    const limits = caution(
      'below-limit',
      { kind: 'below-limit', coefficient: 0.6, pValue: 0.001 },
      { logs: 1, belowX: 3, belowY: 0, n: 40 },
    );
    expect(remedyInWords(limits, subject, 0.05)).toBe(
      'With what lies below its limit as such r = .60 [−.20, .40], of logarithms, as it stands .40.',
    );
  });
});

describe('a remedy in words', () => {
  it.each<[TakenRemedy, string]>([
    [WITHIN, 'within each station'],
    [{ kind: 'between', by: 'v9' }, 'of the means of each station'],
    [{ kind: 'cases-drawn', by: 'v9' }, 'with intervals from whole cases of station'],
    [{ kind: 'maximum-likelihood', among: [] }, 'by maximum likelihood, gaps included'],
    [{ kind: 'constant', held: ['v1', 'v2'] }, 'holding nitrate and phosphate constant'],
    [{ kind: 'below-limit', logs: true }, 'with values below their limits as such, on logarithms'],
    [{ kind: 'method', method: 'kendall' }, 'by Kendall’s τ'],
  ])('%o: %s', (remedy, words) => expect(remedyPhrase(remedy, withCases)).toBe(words));

  it('beside coefficients of ranks, what it takes of r alone is said to be of r', () => {
    expect(remedyOfMethods({ kind: 'behind-steps' }, ['pearson', 'spearman'], withCases)).toBe(
      '(r of the normal variables behind the steps)',
    );
    expect(remedyOfMethods({ kind: 'behind-steps' }, ['kendall'], withCases)).toBe(
      '(r would be taken of the normal variables behind the steps)',
    );
    expect(remedyOfMethods(WITHIN, ['pearson', 'spearman'], withCases)).toBe('within each station');
  });

  it('stands in the methods line, and among the sources', () => {
    const facts = (of: Study) => ({ variables: plain.state.variables, candidates: of.state.variables, rows: 'all 40 rows' });
    const line = (of: Study, more: Partial<CorrelationSettings> = {}) => sentenceOf(sentence(of, { ...settings, ...more }, facts(of)));
    expect(line(decided(WITHIN))).toContain('Pearson’s r within each station among 3 variables');
    expect(line(decided({ kind: 'maximum-likelihood', among: [] }))).toContain('using maximum likelihood, gaps included, marked');
    expect(line(decided(null, { [pairKey('v1', 'v2')]: { kind: 'permutation' } }))).toMatch(/, 1 pair otherwise, as decided\.$/);
    // Held constant for all pairs goes before.
    const held = line(decided(WITHIN), { control: ['v2'] });
    expect(held).not.toContain('within each station');
    expect(line(withCases)).not.toContain('otherwise');
    expect(sourcesOfRemedies(decided(WITHIN), [])).toEqual(['bland-altman-1995', 'bakdash-marusich-2017', 'davison-hinkley-1997']);
    expect(sourcesOfRemedies(decided(null, { 'v1~v2': { kind: 'behind-steps' } }), ['v1~v2'])).toContain('olsson-1979');
    expect(sourcesOfRemedies(withCases, ['v1~v2'])).toEqual([]);
  });

  it('is said of a pair only where it was carried out', () => {
    const of = decided({ kind: 'behind-steps' });
    const asked = { x: nitrate, y: taxa, method: 'pearson' as const };
    expect(takenInWords(of, asked, { without: {} })).toBeNull();
    const test = {
      coefficient: 0.3,
      n: 40,
      pValue: 0.1,
      log10P: -1,
      pMethod: 't' as const,
      statistic: null,
      interval: null,
      degenerate: false,
      undefinedBecause: null,
    };
    expect(takenInWords(of, asked, { without: { pearson: test } })).toBe('of the normal variables behind the steps');
  });
});

describe('requests', () => {
  it('carry what was decided; maximum likelihood for all is joint over what is on screen', () => {
    const study = decided({ kind: 'maximum-likelihood', among: [] }, { 'v1~v2': { kind: 'method', method: 'spearman' } });
    const variables = plain.state.variables;
    const request = matrixRequest(study, variables, settings, 'pearson');
    expect(request.remedies.every).toEqual({ kind: 'maximum-likelihood', among: ['v1', 'v2', 'v3'] });
    expect(request.byVariable).toEqual({ 'v1~v2': 'spearman' });
    expect(matrixRequest(study, variables, { ...settings, methods: ['pearson', 'kendall'] }, 'kendall').byVariable).toEqual({});
    expect(askedRemedies(study.state.remedies, []).pairs).toEqual(study.state.remedies.pairs);
    const pair = pairContext(study, { x: nitrate, y: taxa }, settings, variables, null);
    expect(pinnedPair(pair).request).toMatchObject({ remedy: { kind: 'maximum-likelihood', among: ['v1', 'v2', 'v3'] } });
    // The pair's own method goes before that of all.
    expect(pairContext(study, { x: nitrate, y: phosphate }, settings, variables, null).method).toBe('spearman');
    const hypothesis = { x: 'v1', y: 'v3', expectation: 'either' as const };
    expect(hypothesisRequest(decided(WITHIN), hypothesis, settings, variables).remedy).toEqual(WITHIN);
  });
});

describe('the matrix', () => {
  const result = { ...testResult(), remedied: Array.from({ length: 9 }, (_, at) => at === 1 || at === 3) };
  const matrixOf = (study: Study) => buildMatrix(study, plain.state.variables, [result], settings, undefined);

  it('marks a pair decided on by itself, not one that goes as all', () => {
    const own = decided(null, { 'v1~v2': { kind: 'permutation' } });
    expect(matrixOf(own).cell(nitrate, phosphate).remedied).toBe('by-itself');
    expect(matrixOf(own).cell(nitrate, taxa).remedied).toBeNull();
    expect(matrixOf(decided(WITHIN)).cell(phosphate, nitrate).remedied).toBe('as-all');
  });

  it('says why a remedy leaves no coefficient: a variable may vary among the rows, and not inside cases', () => {
    const none = {
      ...result,
      undefinedBecause: Array.from({ length: 9 }, (_, at) =>
        at === 3 ? ('constant-x' as const) : at === 1 ? ('too-few-cases' as const) : null,
      ),
    };
    const matrix = buildMatrix(decided(WITHIN), plain.state.variables, [none], settings, undefined);
    const lines = (row: Variable, column: Variable) => cellLines(matrix.cell(row, column), { levels: [0.05], level: 0.95 });
    expect(lines(phosphate, nitrate)).toEqual(['no coefficient: phosphate does not vary as it was decided']);
    expect(lines(nitrate, phosphate)).toEqual(['no coefficient: too few rows or cases are left as it was decided']);
  });

  it('says under it how many pairs are got otherwise', () => {
    const study = decided(null, { 'v1~v2': { kind: 'permutation' } });
    show(
      <GridLegend
        matrix={matrixOf(study)}
        settings={settings}
        marks={{ marked: new Map(), rule: '', known: true }}
        pairMethods={{}}
        identifier={undefined}
        cautionsNotSought={null}
      />,
    );
    expect(screen.getByTestId('legend').textContent).toContain('† 1 pair is got otherwise, as decided by itself; the trail says why.');
  });

  it('says where its coefficients are those of no data, with the nearest on request', async () => {
    const impossible = {
      ...result,
      coefficient: [1, 0.9, 0.9, 0.9, 1, -0.9, 0.9, -0.9, 1],
      undefinedBecause: Array.from({ length: 9 }, () => null),
    };
    const matrix = buildMatrix(withCases, plain.state.variables, [impossible], settings, undefined);
    const { user } = show(
      <GridLegend
        matrix={matrix}
        settings={settings}
        marks={{ marked: new Map(), rule: '', known: true }}
        pairMethods={{}}
        identifier={undefined}
        cautionsNotSought={null}
      />,
    );
    // Eigenvalues 1.9, 1.9, −.8.
    expect(screen.getByTestId('no-data-have-it').textContent).toContain('the smallest eigenvalue is −.80');
    await user.click(screen.getByRole('button', { name: 'Show the nearest matrix that is' }));
    const table = screen.getByRole('table', { name: /^The nearest correlation matrix \(Higham 2002\); the largest change is \.40/ });
    // By symmetry all are ½ in size.
    expect(within(table).getAllByText('.50')).toHaveLength(4);
    expect(within(table).getAllByText('−.50')).toHaveLength(2);
  });
});

describe('deciding', () => {
  const cautioned = (...cautions: PairCaution[]) =>
    cautionsResultSchema.parse({
      kind: 'cautions',
      identifier: 'v9',
      pairs: [
        { a: 'v1', b: 'v3', cautions, checks: [] },
        { a: 'v1', b: 'v2', cautions: cautions.filter(({ code }) => code !== 'many-missing'), checks: [] },
      ],
    });
  function card(study: Study, ...cautions: PairCaution[]) {
    const sent = serve({
      'GET /settings/shape': { version: 0, settings: null },
      'GET /settings/grouping': { version: 0, settings: null },
      'POST /changes': study,
      'POST /analyses': ({ analysis }: { analysis: { kind: string } }) =>
        analysis.kind === 'cautions' ? cautioned(...cautions) : { kind: 'summary', variables: [] },
    });
    const asked = pairContext(study, { x: nitrate, y: taxa }, settings, plain.state.variables, null);
    const changes = () => sent.flatMap(({ what, body }) => (what === 'POST /changes' ? [body as { change: Change; reason?: string }] : []));
    return { ...show(<PairCautions context={asked} />), changes };
  }

  it('a caution about one pair is heeded for it, or for all pairs that have it, with its words as the reason', async () => {
    const { user, changes } = card(withCases, caution('fan-shaped', { kind: 'distribution-free' }, { pValue: 0.001 }));
    await user.click(await screen.findByRole('button', { name: 'Take it with the distribution-free interval' }));
    expect(changes()[0]).toMatchObject({
      change: { type: 'take-remedy', remedy: { kind: 'distribution-free' }, pairs: [['v1', 'v3']] },
      reason: expect.stringContaining('The points spread wider at one end'),
    });
    await user.click(await screen.findByRole('button', { name: 'For all 2 pairs with “fan-shaped”' }));
    expect(changes()[1]?.change).toMatchObject({
      pairs: [
        ['v1', 'v3'],
        ['v1', 'v2'],
      ],
    });
  });

  it('one about the rows is one rule for all', async () => {
    const { user, changes } = card(withCases, caution('rows-not-independent', { kind: 'within-cases' }, { repeatedRows: 24 }));
    await user.click(await screen.findByRole('button', { name: 'For all pairs' }));
    expect(changes()[0]?.change).toEqual({ type: 'take-remedy', remedy: WITHIN, pairs: 'every' });
  });

  it('what was decided is said, and taken back from there', async () => {
    const { user, changes } = card(decided(WITHIN), caution('rows-not-independent', { kind: 'within-cases' }, { repeatedRows: 24 }));
    expect(await screen.findByText('Done, as decided; the trail says why.')).toBeTruthy();
    expect(screen.getByText(/These are about r without what was decided for it: it is taken within each station\./)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'All pairs as without it' }));
    expect(changes()[0]?.change).toEqual({ type: 'take-remedy', remedy: null, pairs: 'every' });
  });

  it('a row that carries it is set aside for a reason that is asked for', async () => {
    const { user, changes } = card(withCases, caution('one-point', { kind: 'without-row', row: 31 }));
    await user.click(await screen.findByRole('button', { name: 'Set row 31 aside …' }));
    expect(changes()).toEqual([]);
    await user.type(screen.getByLabelText('More words for the trail; can follow later'), 'upstream of the weir');
    await user.click(screen.getByRole('button', { name: 'other population' }));
    expect(changes()[0]).toMatchObject({
      change: { type: 'set-aside', choice: { rows: [[31, 31]] }, because: 'other population' },
      reason: 'upstream of the weir',
    });
  });

  it('the popover offers what the study has, and lists pairs decided on by themselves', async () => {
    const sent = serve({ 'GET /settings/grouping': { version: 0, settings: null }, 'POST /changes': withCases });
    const { user } = show(<RemediesEditor study={decided(null, { 'v1~v2': { kind: 'permutation' } })} />);
    const names = screen.getAllByRole('radio').map((radio) => radio.textContent?.split('.')[0] ?? '');
    expect(names[0]).toContain('Each row for itself');
    expect(names.some((name) => name.startsWith('Within each station'))).toBe(true);
    // No variable of this study is ordered or has a limit.
    expect(names.some((name) => name.includes('behind the steps') || name.includes('limits'))).toBe(false);
    await user.click(screen.getByRole('radio', { name: /^Of the means of each station/ }));
    expect(sent.at(-1)?.body).toMatchObject({ change: { type: 'take-remedy', remedy: { kind: 'between', by: 'v9' }, pairs: 'every' } });
    await user.click(screen.getByRole('button', { name: 'nitrate × phosphate as all others' }));
    expect(sent.at(-1)?.body).toMatchObject({ change: { remedy: null, pairs: [['v1', 'v2']] } });
    const limited = {
      ...withCases,
      state: {
        ...withCases.state,
        variables: withCases.state.variables.map((v) => ({ ...v, detectionLimit: v.id === 'v1' ? 0.5 : null })),
      },
    };
    expect(remediesForAll(limited, null).filter(({ kind }) => kind === 'below-limit')).toHaveLength(2);
  });

  it('maximum likelihood is chosen and left beside pairwise and listwise', async () => {
    const sent = serve({ 'POST /changes': withCases });
    const patches: Partial<CorrelationSettings>[] = [];
    const editor = (study: Study) => (
      <MissingEditor study={study} settings={settings} change={(patch) => patches.push(patch)} close={() => {}} />
    );
    const { user } = show(
      <>
        {editor(withCases)}
        {editor(decided({ kind: 'maximum-likelihood', among: [] }))}
      </>,
    );
    const [usual, likely] = screen.getAllByRole('radiogroup') as [HTMLElement, HTMLElement];
    await user.click(within(usual).getByRole('radio', { name: /^Maximum likelihood/ }));
    expect(sent.at(-1)?.body).toMatchObject({ change: { type: 'take-remedy', remedy: { kind: 'maximum-likelihood' }, pairs: 'every' } });
    expect(patches).toEqual([]);
    await user.click(within(likely).getByRole('radio', { name: /^Only rows complete for all/ }));
    expect(patches).toEqual([{ missing: 'listwise' }]);
    expect(sent.at(-1)?.body).toMatchObject({ change: { remedy: null, pairs: 'every' } });
  });
});

describe('all ways tested together, in words', () => {
  const found = {
    kind: 'ways-test' as const,
    median: 0.4,
    significant: 12,
    asExtreme: 3,
    asMany: 0,
    medianP: 0.008,
    significantP: 0.002,
    permutations: 499,
    seed: 1,
  };
  const subject = { x: 'nitrate', y: 'taxa', held: [], cases: null, alpha: 0.05 };
  it('says what was shuffled, what came of it, and what hypothesis that is', () => {
    expect(jointInWords(found, subject)).toEqual([
      '499 times nitrate was shuffled against all else (seed 1), and every way computed again.',
      '3 of them had as extreme a median: p = .008.',
      'None of them had as many as the 12 ways with p ≤ .05 in one direction: p = .002.',
      'The hypothesis is that nitrate is independent of taxa.',
    ]);
    const more = jointInWords({ ...found, asExtreme: 1, significant: 0 }, { ...subject, held: ['catchment'], cases: 'station' });
    expect(more[0]).toContain('against all else, each station with all its rows, among those of as many (seed 1)');
    expect(more[1]).toContain('One of them had as extreme');
    expect(more[2]).toContain('nothing is left to be counted');
    expect(more[3]).toBe('The hypothesis is that nitrate is independent of taxa and of catchment, which some ways hold constant.');
    expect(jointInWords({ ...found, medianP: null, significantP: null }, subject)).toHaveLength(1);
  });

  it('names what the ticked ways hold constant', () => {
    const option = (key: string, label: string) => ({ key, label, inWords: label, because: null });
    const held = {
      key: 'held',
      title: 'held constant',
      options: [option('nothing', 'nothing'), option('groups:v8', 'catchment')],
      places: [0, 1],
    };
    expect(heldInWays([held as never])).toEqual(['catchment']);
    expect(heldInWays([{ ...held, places: [0] } as never])).toEqual([]);
  });
});

describe('whether anything is there at all, in words', () => {
  const found = {
    kind: 'dependence' as const,
    n: 248,
    distance: { coefficient: 0.31, corrected: 0.052, correctedUndefined: null, pValue: 0.001, pMethod: 'permutation' as const },
    ranks: { yOnX: 0.27, xOnY: -0.03, pValue: 0.2, pMethod: 'normal' as const },
    anyP: 0.002,
    undefinedBecause: null,
    permutations: 999,
    seed: 1,
  };
  const names = { x: 'nitrate', y: 'taxa' };
  it('says both with their p, and of the two together', () => {
    expect(dependenceInWords(found, names, 0.05)).toEqual([
      'Something is there, of whatever form: p = .002 of the two together.',
      'Distance correlation .310 (bias-corrected square .052), p = .001 by 999 permutations (seed 1), n = 248.',
      'ξ .270 of taxa as a function of nitrate, −.030 the other way, p = .200.',
      'Neither has a sign, and neither is on the scale of r: they tell whether, not how.',
    ]);
  });

  it('nothing, a bound, and what cannot be said', () => {
    const none = {
      ...found,
      anyP: 0.4,
      distance: { ...found.distance, pValue: 0.4, pMethod: 'bound' as const },
      ranks: { ...found.ranks, pMethod: 'permutation' as const },
    };
    const words = dependenceInWords(none, names, 0.05);
    expect(words[0]).toBe('Nothing is seen, of whatever form: p = .400 of the two together.');
    expect(words[1]).toContain('by a bound, which is larger than p');
    expect(words[2]).toContain('by permutation');
    const exact = { ...found, distance: { ...found.distance, pMethod: 'exact' as const } };
    expect(dependenceInWords(exact, names, 0.05)[1]).toContain('p = .001 over all orders of the rows, n = 248.');
    // A column with a single other value: ξ is left, and the two are not spoken of.
    const single = {
      ...found,
      anyP: 0.02,
      distance: { ...found.distance, corrected: null, correctedUndefined: 'no-distance-variance' as const, pValue: null },
    };
    expect(dependenceInWords(single, names, 0.05).slice(0, 2)).toEqual([
      'Something is there, of whatever form: p = .020 of ξ.',
      'Distance correlation .310 (no bias-corrected square: all rows but one share a value, or nearly), without a p, n = 248.',
    ]);
    expect(dependenceInWords({ ...found, undefinedBecause: 'constant-x' }, names, 0.05)[0]).toContain('does not vary');
  });

  it('of a search, how many were looked at and found', () => {
    const searched = { kind: 'unseen' as const, looked: 66, pairs: [], permutations: 999, seed: 1 };
    expect(unseenInWords(searched, 0.05)).toBe('Of 66 pairs none has something that neither r nor ρ sees at .05.');
    const pair = { x: 'v1', y: 'v2', n: 40, r: 0.01, rho: 0.02, distance: 0.4, xi: 0.3, anyP: 0.01 };
    expect(unseenInWords({ ...searched, pairs: [pair] }, 0.05)).toBe(
      'Of 66 pairs 1 has something that neither r nor ρ sees at .05; p of any dependence is a bound, or by permutation in fewer than 30 rows (distance correlation) or 50 (ξ), adjusted after Holm.',
    );
  });
});

describe('measured with error, in words', () => {
  const found = {
    kind: 'attenuation' as const,
    n: 100,
    observed: 0.5,
    reliabilities: [0.8, 0.7] as [number, number],
    corrected: 0.6681531,
    low: 0.4498585,
    high: 0.847405,
    method: 'known' as const,
    replicates: 2000,
    seed: 1,
  };
  const known = (name: string) => ({ name, reliability: { kind: 'known' as const, value: 0.8 } });
  it('the observed one first, what is known, and the corrected one with its limits', () => {
    expect(attenuationInWords(found, [known('nitrate'), known('taxa')])).toEqual([
      'Observed r = .500 (n = 100).',
      'nitrate has a reliability of .800, taxa has a reliability of .700.',
      'Without errors of measurement r would be .668 [.450, .847].',
      'The limits are those of r, divided likewise; the reliabilities are taken as known.',
    ]);
  });

  it('beyond 1 is written as it is, and said', () => {
    const beyond = attenuationInWords({ ...found, corrected: 1.12, high: 1.4, method: 'bootstrap' }, [
      known('nitrate'),
      { name: 'taxa', reliability: null },
    ]);
    expect(beyond[1]).toContain('taxa counts as measured without error');
    expect(beyond[2]).toBe('Without errors of measurement r would be 1.120 [.450, 1.400].');
    expect(beyond[3]).toContain('2,000 samples of the rows');
    expect(beyond[4]).toContain('the reliabilities are too low for these rows');
  });

  it('where nothing can be said, says why', () => {
    expect(attenuationInWords({ ...found, corrected: null }, [known('a'), known('b')]).at(-1)).toContain('not above zero');
    expect(attenuationInWords({ ...found, observed: null }, [known('a'), known('b')])).toEqual([
      'No r: too few rows are complete, or a variable does not vary.',
    ]);
    expect(reliabilityInWords({ kind: 'repeated', columns: ['v1', 'v2'], form: 'alpha' })).toBe('ICC(3,k), Cronbach’s α of 2 columns');
    expect(reliabilityInWords({ kind: 'known', value: 0.8 })).toBe('known, .800');
  });
});
