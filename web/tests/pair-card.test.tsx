import {
  type CautionsResult,
  cautionsResultSchema,
  correlationSettingsSchema,
  lineResultSchema,
  type PredictionResult,
  pairTestSchema,
  type Variable,
} from '@ivlen/contract';
import { type Alternative, type Method, testPair } from '@ivlen/core';
import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { NO_CAUTIONS_REQUEST } from '../src/coefficients/cautions-request';
import { type CheckSubject, checkInWords, checksCounted, checksInSentences } from '../src/coefficients/check-words';
import { ofPair } from '../src/coefficients/use-pair-cautions';
import { intervalSteps } from '../src/pair-card/interval-steps';
import { predictionInWords } from '../src/pair-card/line-prediction';
import { LineSection } from '../src/pair-card/line-section';
import { PairCautions } from '../src/pair-card/pair-cautions';
import { pairContext } from '../src/pair-card/pair-request';
import { type WorkingFacts, workingAsText } from '../src/pair-card/working-text';
import { serve, show } from './served';
import { testStudy } from './test-study';

const study = testStudy();
const settings = correlationSettingsSchema.parse({});
const [nitrate, , taxa] = study.state.variables as [Variable, Variable, Variable];

const check = (
  code: CautionsResult['pairs'][number]['checks'][number]['code'],
  held: boolean | null,
  values: object = {},
  row?: number,
) => ({
  code,
  held,
  values,
  row: row ?? null,
  name: row === undefined ? null : 'AS-031',
});
const CHECKS = [
  check('kinds', true),
  check('shape-x', false, { skewness: 2.341, excessKurtosis: 6.2 }),
  check('straight', true, { gain: 0.0042, pValue: 0.31, rankAdvantage: -0.021 }),
  check('even-spread', null, { pValue: null }),
  check('one-row', true, { coefficient: -0.634, without: -0.598 }, 31),
  check('rows-independent', true, { repeatedRows: 0 }),
  check('few-missing', true, { n: 28, rowsInUse: 30 }),
];
const result = (extra: object = {}): CautionsResult =>
  cautionsResultSchema.parse({ kind: 'cautions', identifier: null, pairs: [{ a: 'v1', b: 'v3', cautions: [], checks: CHECKS, ...extra }] });
const subject: CheckSubject = {
  x: 'nitrate',
  y: 'mayfly taxa',
  kinds: ['continuous', 'discrete'],
  method: 'pearson',
  identifier: 'station',
  groups: null,
};

function card(found: CautionsResult) {
  const served = serve({
    'GET /settings/shape': { version: 0, settings: null },
    'GET /settings/grouping': { version: 0, settings: null },
    'POST /analyses': ({ analysis }: { analysis: { kind: string } }) =>
      analysis.kind === 'cautions' ? found : { kind: 'summary', variables: [] },
  });
  const context = pairContext(study, { x: taxa, y: nitrate }, settings, study.state.variables, null);
  return { ...show(<PairCautions context={context} />), served };
}

describe('checks in words', () => {
  it('carry the values they were judged by', () => {
    const words = result().pairs[0]?.checks.map((item) => checkInWords(item, subject));
    expect(words).toEqual([
      'kinds: continuous and discrete',
      'shape of nitrate: skewness 2.34, excess kurtosis 6.20',
      'straight: a parabola tells 0.4 % more (p = .310), |ρ| is .02 below |r|',
      'even spread about the line: not judged of fewer than 30 rows, or of an exact line',
      'no row carries it: without row 31 (AS-031), which moves it most, r = −.60, with it −.63',
      'rows independent: no station stands in two rows',
      'few missing: 28 of 30 rows have both values',
    ]);
  });

  it('are one sentence for what held, one for what did not, one for what could not be judged', () => {
    const { checks } = result().pairs[0] ?? { checks: [] };
    const sentences = checksInSentences(checks, subject).split(/(?<=\.) (?=Of)/);
    expect(sentences).toHaveLength(3);
    expect(sentences[0]).toMatch(/^Of the checks made for Pearson’s r of nitrate and mayfly taxa, these held: kinds \(continuous/);
    expect(sentences[1]).toContain('these did not hold: shape of nitrate (skewness 2.34, excess kurtosis 6.20).');
    expect(sentences[2]).toContain('these could not be judged: even spread about the line (');
    expect(checksCounted(checks)).toBe('5 checks held; 1 could not be judged');
    expect(checksCounted(checks.slice(0, 1))).toBe('1 check held');
  });

  it.each([
    ['rows-independent', false, { repeatedRows: 24 }, '24 rows share their station with another'],
    ['groups-agree', null, { q: null, df: null, pValue: null }, 'fewer than two groups can be tested'],
    ['groups-agree', false, { q: 9.421, df: 3, pValue: 0.0242 }, 'Q(3) = 9.42, p = .024'],
    ['no-shared-component', false, {}, 'one is computed from the other, or both from a third'],
    ['ties', true, { tiedX: 0.0312, tiedY: 0.2 }, '3.1 % of the pairs of rows tie in nitrate, 20.0 % in mayfly taxa'],
    ['shape-y', null, { skewness: null, excessKurtosis: null }, 'no skewness: too few rows, or it does not vary'],
    ['one-row', null, { coefficient: 1, without: null }, 'no row can be left out'],
    ['methods-agree', true, { r: -0.633, rho: -0.725, limit: 0.1 }, 'r −.633, ρ −.725: .092 apart, which matters from .10 on'],
  ] as const)('of %s, held %s, say %o', (code, held, values, words) => {
    const [only] = result({ checks: [check(code, held, values)] }).pairs[0]?.checks ?? [];
    expect(only && checkInWords(only, subject)).toContain(words);
  });
});

describe('the card', () => {
  it('lists cautions first, then each check that held with its value, then what could not be judged', async () => {
    const caution = {
      code: 'shape',
      level: 'note',
      values: {},
      found: { coefficient: -0.63, pValue: 0.001 },
      remedy: null,
    };
    const { served } = card(result({ cautions: [{ ...caution, code: 'ordinal' }] }));
    const list = await screen.findByTestId('pair-checks');
    expect(served.map(({ body }) => body)).toContainEqual(
      expect.objectContaining({ analysis: expect.objectContaining({ kind: 'cautions', withChecks: true }) }),
    );
    expect(screen.getByTestId('pair-cautions').compareDocumentPosition(list) & Node.DOCUMENT_POSITION_FOLLOWING).toBeTruthy();
    const lines = within(list).getAllByRole('listitem');
    expect(lines.map((line) => line.getAttribute('data-check'))).toEqual([
      'kinds',
      'straight',
      'one-row',
      'rows-independent',
      'few-missing',
      'even-spread',
    ]);
    expect(lines[0]?.textContent).toBe('kinds: both continuous');
    expect(within(list).getByText('5 checks held; 1 could not be judged')).toBeTruthy();
    expect(within(list).getByRole('button', { name: 'Copy the checks' })).toBeTruthy();
  });

  it('without any caution still says what was looked at', async () => {
    card(result());
    await screen.findByTestId('pair-checks');
    expect(screen.queryByTestId('pair-cautions')).toBeNull();
  });
});

const TERM = { se: 0.5, t: 2.5, pValue: 0.0199, low: 0.2, high: 2.3 };
const line = lineResultSchema.parse({
  kind: 'line',
  n: 30,
  intercept: { ...TERM, value: 12.345678 },
  slope: { ...TERM, value: -1.25, t: -2.5, low: -2.28, high: -0.22 },
  r2: 0.18,
  adjustedR2: 0.15,
  residualSd: 2.5,
  f: 6.25,
  dfResidual: 28,
  pValue: 0.0185,
  xMin: 2,
  xMax: 9,
  band: [],
  parabola: null,
  smooth: [],
});
const interval = (low: number, high: number) => ({ low, high, level: 0.95, method: 't' });
const predicted = (at: number): PredictionResult => ({
  kind: 'prediction',
  n: 30,
  df: 28,
  at,
  value: 12.345678 - 1.25 * at,
  mean: interval(5, 7),
  newCase: interval(1, 11),
  xMin: 2,
  xMax: 9,
  outside: at > 9,
});

describe('the line', () => {
  const open = () => {
    serve({
      'POST /analyses': ({ analysis }: { analysis: { kind: string; at: number } }) =>
        analysis.kind === 'line' ? line : predicted(analysis.at),
    });
    const context = pairContext(study, { x: taxa, y: nitrate }, settings, study.state.variables, null);
    return show(<LineSection {...context} />);
  };

  it('has slope and intercept with SE, t, p and limits', async () => {
    open();
    const table = await screen.findByRole('table', { name: 'Line of nitrate on mayfly taxa' });
    const cells = within(table)
      .getAllByRole('row')
      .map((row) => row.textContent);
    expect(cells).toEqual([
      'valueinterceptslope',
      'estimate12.35−1.250',
      'SE0.50000.5000',
      't, 28 df2.500−2.500',
      'p.020.020',
      '95 %, from0.2000−2.280',
      '95 %, to2.300−0.2200',
    ]);
    expect(screen.getByText(/mayfly taxa runs from 2 to 9, so that the intercept/)).toBeTruthy();
  });

  it('predicts at a typed value, says what lies outside, and what is no number', async () => {
    const { user } = open();
    const field = await screen.findByRole('textbox', { name: /nitrate on the line at mayfly taxa/ });
    await user.type(field, '5');
    expect((await screen.findByTestId('line-prediction')).textContent).toBe(
      'nitrate = 6.096; the mean of such cases lies in [5.000, 7.000], a new case in [1.000, 11.00], each at 95 % (t, 28 df).',
    );
    await user.type(field, '0');
    expect(await screen.findByText(/rows run from 2 to 9: 50 lies outside/)).toBeTruthy();
    await user.clear(field);
    await user.type(field, 'five');
    expect(screen.getByRole('alert').textContent).toContain('“five” is not a number');
    expect(screen.queryByTestId('line-prediction')).toBeNull();
  });

  it('of points exactly on it, or of none, says so', () => {
    expect(predictionInWords({ ...predicted(1), mean: null, newCase: null }, 'nitrate', '95 %')).toContain('exactly on the line');
    expect(predictionInWords({ ...predicted(1), value: null }, 'nitrate', '95 %')).toContain('There is no line');
  });
});

describe('the working', () => {
  const n = 30;
  const x = Float64Array.from({ length: n }, (_, i) => (i * 7) % n);
  const y = Float64Array.from({ length: n }, (_, i) => ((i * 7) % n) + 9 * Math.sin(i));
  const facts = (method: Method, alternative: Alternative = 'two-sided'): WorkingFacts => {
    const { log10P, zVariance: _, ...test } = testPair(method, x, y, { alternative });
    const asSent = pairTestSchema.parse({ ...test, log10P, degenerate: false, undefinedBecause: null });
    const steps = asSent.interval ? intervalSteps(method, asSent.interval, alternative) : [];
    return { pair: { x: taxa, y: nitrate }, method, test: asSent, alternative, held: 0, df: n - 2, steps, detectable: 0.4921, alpha: 0.05 };
  };
  const numberAt = (line: string | undefined) => Number(line?.split(' = ').at(-1)?.replaceAll('−', '-').replace(/,.*/, ''));

  it('copied as text leads to t, p and the interval again by hand', () => {
    const lines = workingAsText(facts('pearson')).split('\n');
    const find = (start: string) => lines.find((line) => line.startsWith(start));
    const [r, count] = [numberAt(find('r =')), numberAt(find('n ='))];
    expect(numberAt(find('t ='))).toBeCloseTo((r * Math.sqrt(count - 2)) / Math.sqrt(1 - r * r), 10);
    const [z, se, quantile] = [numberAt(find('z =')), numberAt(find('SE of z: 1/√(n − 3)')), numberAt(find('q, normal'))];
    expect(z).toBeCloseTo(Math.atanh(r), 12);
    expect(se).toBeCloseTo(1 / Math.sqrt(27), 12);
    expect(numberAt(find('lower limit, back'))).toBeCloseTo(Math.tanh(z - quantile * se), 12);
    expect(numberAt(find('upper limit, back'))).toBeCloseTo(Math.tanh(z + quantile * se), 12);
    expect(numberAt(find('Smallest r found at 0.05'))).toBe(0.4921);
  });

  it.each([
    ['spearman', 'SE of z: √((1 + ρ²/2)/(n − 3))'],
    ['kendall', 'SE of z: the larger of two that count ties'],
  ] as const)('of %s names its own standard error', (method, words) => {
    const text = workingAsText(facts(method));
    expect(text).toContain(words);
    expect(text).toContain('Smallest r found');
  });

  it('one-sided has one limit, and says so', () => {
    const text = workingAsText(facts('pearson', 'greater'));
    expect(text).toContain('p, one-sided (positive) =');
    expect(text).toContain('for 95 %, one-sided');
    expect(text).toContain('lower limit, back');
    expect(text).not.toContain('upper limit');
  });

  it('of an interval from samples has no steps', () => {
    expect(intervalSteps('pearson', interval(0.1, 0.7), 'two-sided')).toEqual([]);
  });
});

describe('cautions of a pair', () => {
  const [x, y] = [taxa, nitrate];
  const asked = { study, x, y, settings, among: study.state.variables };

  it('are asked by the method of the pair, and by a hypothesis’ own where it has one', () => {
    expect(ofPair(NO_CAUTIONS_REQUEST, { ...asked, method: 'pearson' })).toMatchObject({ method: 'pearson', withChecks: true });
    const decided = { ...study, state: { ...study.state, pairMethods: { [nitrate.id]: 'spearman' as const } } };
    const request = { ...NO_CAUTIONS_REQUEST, byVariable: decided.state.pairMethods };
    expect(ofPair(request, { ...asked, study: decided, method: 'spearman' })).toMatchObject({ byVariable: { [nitrate.id]: 'spearman' } });
    expect(ofPair(request, { ...asked, study: decided, method: 'kendall' })).toMatchObject({ method: 'kendall', byVariable: {} });
  });

  it('are asked of the rows that are complete for all variables, under listwise deletion', () => {
    expect(ofPair(NO_CAUTIONS_REQUEST, { ...asked, method: 'pearson' }).rows.completeFor).toEqual([]);
    const listwise = { ...asked, settings: { ...settings, missing: 'listwise' as const }, method: 'pearson' as const };
    expect(ofPair(NO_CAUTIONS_REQUEST, listwise).rows.completeFor).toEqual(study.state.variables.map(({ id }) => id));
  });
});
