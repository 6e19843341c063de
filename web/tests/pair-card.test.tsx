import { type CautionsResult, cautionsResultSchema, correlationSettingsSchema } from '@ivlen/contract';
import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { type CheckSubject, checkInWords, checksCounted, checksInSentences } from '../src/coefficients/check-words';
import { PairCautions } from '../src/pair-card/pair-cautions';
import { pairContext } from '../src/pair-card/pair-request';
import { serve, show } from './served';
import { testStudy } from './test-study';

const study = testStudy();
const settings = correlationSettingsSchema.parse({});
const [nitrate, phosphate, taxa] = study.state.variables;
if (!nitrate || !phosphate || !taxa) throw new Error('the study of these tests has three variables');

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
  return { ...show(<PairCautions context={context} variables={study.state.variables} />), served };
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
    ['methods-agree', true, { r: -0.63, rho: -0.6 }, 'r −.63, ρ −.60'],
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
