import type { GapsResult, MissingResult, Study, SuspiciousResult } from '@ivlen/contract';
import { screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { littleInWords, momentsTable, threeWays, worthInWords } from '../src/stages/data/review/gaps-words';
import { MissingOverview } from '../src/stages/data/review/missing-overview';
import { SuspiciousList } from '../src/stages/data/review/suspicious-list';
import { SelectionBar } from '../src/stages/data/rows/selection-bar';
import { EarlierStateBand, ReadOnly } from '../src/study/read-only';
import { RowsInUse, rowsInWords } from '../src/study/rows-in-use';
import { tableCsv, textTable } from '../src/tables/columns';
import { LastDecision } from '../src/trail/last-decision';
import { serve, show } from './served';
import { testStudy } from './test-study';

afterEach(() => vi.unstubAllGlobals());
const study = testStudy();

describe('what is to check', () => {
  const effect = {
    mean: 7.05,
    sd: 4.28,
    meanWithout: 6.78,
    sdWithout: 0.227,
    correlations: [{ with: 'v3', r: -0.094, rWithout: -0.081 }],
  };
  const found: SuspiciousResult = {
    kind: 'suspicious',
    suspicions: [
      { type: 'value', reason: 'decimal-slip', variable: 'v1', row: 17, value: 74, suggestion: 7.4, effect },
      { type: 'value', reason: 'below-range', variable: 'v2', row: 3, value: -4, suggestion: null, effect },
      { type: 'missing-code', variable: 'v1', value: -99, count: 3, rows: [8, 9, 20], also: ['v2'], effect },
      { type: 'duplicated-rows', rows: [4, 9, 12] },
      { type: 'constant', variable: 'v2', value: 3 },
      { type: 'repeated-identifier', variable: 'v3', values: 2, rows: 5 },
    ],
    more: 7,
  };
  const ranged: Study = {
    ...study,
    state: {
      ...study.state,
      variables: study.state.variables.map((variable) =>
        variable.id === 'v2' ? { ...variable, validRange: { low: 0, high: null } } : variable,
      ),
    },
  };
  const open = (readOnly = false) => {
    const sent = serve({ 'POST /analyses': found, 'POST /changes': { ...study, head: 2 } });
    const shown = vi.fn();
    const rendered = show(
      <ReadOnly value={readOnly}>
        <SuspiciousList study={ranged} onShowRow={shown} />
      </ReadOnly>,
    );
    return { ...rendered, sent, shown };
  };
  const changes = (sent: { what: string; body: unknown }[]) => sent.filter(({ what }) => what === 'POST /changes').map(({ body }) => body);

  it('shows each with and without, and says what else is odd', async () => {
    const { user, shown } = open();
    const line = await screen.findByRole('listitem', { name: 'nitrate in row 17' });
    expect(line.textContent).toContain('would fit with the decimal point moved: 7.4.');
    expect(within(line).getByRole('row', { name: /^with it/ }).textContent).toContain('−.09');
    expect(within(line).getByRole('row', { name: /^without/ }).textContent).toContain('−.08');
    expect(screen.getByRole('listitem', { name: 'phosphate in row 3' }).textContent).toContain('below the smallest possible value, 0.');
    expect(screen.getByText('Rows 4, 9, 12 are the same in every cell.')).toBeTruthy();
    expect(screen.getByText(/phosphate has the same value in every row/)).toBeTruthy();
    expect(screen.getByText(/2 values of mayfly taxa stand in more than one row/)).toBeTruthy();
    expect(screen.getByText(/^7 more values lie far out/)).toBeTruthy();
    await user.click(within(line).getByRole('button', { name: 'row 17' }));
    expect(shown).toHaveBeenCalledWith(17);
  });

  it('a number that often means missing is asked about, for its variable and for others that hold it', async () => {
    const { user, sent, shown } = open();
    const line = within(await screen.findByRole('listitem', { name: 'nitrate, −99 in 3 rows' }));
    expect(line.getByText(/and 2 more stands apart from all other values/)).toBeTruthy();
    expect(line.getByRole('table', { name: 'nitrate with and without −99' })).toBeTruthy();
    await user.click(line.getByRole('button', { name: 'row 8' }));
    expect(shown).toHaveBeenCalledWith(8);
    await user.click(line.getByRole('button', { name: '−99 means missing' }));
    await user.click(line.getByRole('button', { name: 'In phosphate too' }));
    await user.click(line.getByRole('button', { name: 'They are right' }));
    await waitFor(() => expect(changes(sent)).toHaveLength(3));
    expect(changes(sent).map((body) => (body as { change: object }).change)).toEqual([
      { type: 'mean-missing', code: '-99', variables: ['v1'] },
      { type: 'mean-missing', code: '-99', variables: ['v1', 'v2'] },
      { type: 'accept-value', variable: 'v1', row: 8, value: -99 },
    ]);
  });

  it('a single cell is made missing, its row kept', async () => {
    const { user, sent } = open();
    const line = within(await screen.findByRole('listitem', { name: 'nitrate in row 17' }));
    await user.click(line.getByRole('button', { name: 'Make this cell missing' }));
    await waitFor(() => expect(changes(sent)).toHaveLength(1));
    expect(changes(sent)[0]).toMatchObject({ change: { type: 'edit-cells', variables: ['v1'], rows: [17], cells: [['']] } });
  });

  it('is answered by a correction, by setting the row aside, or by “it is right”, each with a reason', async () => {
    const { user, sent } = open();
    const line = within(await screen.findByRole('listitem', { name: 'nitrate in row 17' }));
    await user.type(line.getByLabelText('Reason for the answer on row 17'), 'slipped');
    await user.click(line.getByRole('button', { name: /^Correct to 7.4/ }));
    await user.click(line.getByRole('button', { name: 'Write it' }));
    await user.click(line.getByRole('button', { name: 'Cancel' }));
    await user.click(line.getByRole('button', { name: 'Set the row aside …' }));
    expect(changes(sent)).toHaveLength(1);
    await user.click(screen.getByRole('button', { name: 'other population' }));
    await user.click(line.getByRole('button', { name: 'It is right' }));
    await waitFor(() => expect(changes(sent)).toHaveLength(3));
    expect(changes(sent)).toMatchObject([
      { change: { type: 'edit-cells', variables: ['v1'], rows: [17], cells: [['7.4']] }, reason: 'slipped' },
      { change: { type: 'set-aside', choice: { rows: [[17, 17]] }, because: 'other population' }, reason: 'slipped' },
      { change: { type: 'accept-value', variable: 'v1', row: 17, value: 74 }, reason: 'slipped' },
    ]);
    await user.click(screen.getByRole('button', { name: 'Set aside all but the first …' }));
    await user.click(screen.getByRole('button', { name: 'entered twice' }));
    await waitFor(() =>
      expect(changes(sent).at(-1)).toMatchObject({
        change: {
          type: 'set-aside',
          choice: {
            rows: [
              [9, 9],
              [12, 12],
            ],
          },
          because: 'entered twice',
        },
      }),
    );
  });

  it('cannot be answered in an earlier state', async () => {
    open(true);
    const line = await screen.findByRole('listitem', { name: 'nitrate in row 17' });
    expect(within(line).queryByRole('button', { name: 'It is right' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Set aside all but the first …' })).toBeNull();
  });

  it('may be nothing', async () => {
    serve({ 'POST /analyses': { kind: 'suspicious', suspicions: [], more: 0 } });
    show(<SuspiciousList study={study} onShowRow={() => {}} />);
    expect(await screen.findByText(/^Nothing stands out/)).toBeTruthy();
  });
});

const GAPS: GapsResult = {
  kind: 'gaps',
  n: 40,
  completeRows: 33,
  iterations: 20,
  converged: true,
  little: { statistic: 9.8712, df: 5, pValue: 0.079, patterns: 4 },
  variables: [
    { id: 'v1', n: 38, mean: 1.2, sd: 0.5, likelyMean: 1.25, likelySd: 0.52 },
    { id: 'v2', n: 34, mean: 30, sd: 8, likelyMean: 31.5, likelySd: 8.2 },
    { id: 'v3', n: 40, mean: 12, sd: 3, likelyMean: 12, likelySd: 3 },
  ],
  pairs: [
    {
      a: 'v1',
      b: 'v2',
      pairwise: 0.2,
      pairwiseN: 33,
      listwise: 0.21,
      likely: 0.19,
      likelyLow: -0.15,
      likelyHigh: 0.49,
      likelyP: 0.27,
      apart: 0.02,
    },
    {
      a: 'v1',
      b: 'v3',
      pairwise: -0.4,
      pairwiseN: 38,
      listwise: -0.3,
      likely: -0.42,
      likelyLow: -0.65,
      likelyHigh: -0.11,
      likelyP: 0.009,
      apart: 0.12,
    },
    {
      a: 'v2',
      b: 'v3',
      pairwise: 0.1,
      pairwiseN: 34,
      listwise: null,
      likely: 0.1,
      likelyLow: null,
      likelyHigh: null,
      likelyP: null,
      apart: 0,
    },
  ],
};

it('missing values: by variable, together, and rows for each pair', async () => {
  const missing: MissingResult = {
    kind: 'missing',
    variables: [
      { id: 'v2', missing: 6 },
      { id: 'v1', missing: 2 },
    ],
    completeRows: 33,
    rows: 40,
    patterns: [
      { missing: ['v2'], rows: 5 },
      { missing: ['v1', 'v2'], rows: 1 },
    ],
    morePatterns: 0,
    pairs: [34, 33, 33, 38],
  };
  serve({
    'POST /analyses': ({ analysis }: { analysis: { kind: string } }) => (analysis.kind === 'gaps' ? GAPS : missing),
    'GET /settings/working-set': { version: 1, settings: { variables: ['v1', 'v2', 'v3'] } },
  });
  show(<MissingOverview study={study} />);
  expect(await screen.findByText(/^33 of 40 rows in use are complete/)).toBeTruthy();
  expect(screen.getByRole('row', { name: 'phosphate 6 15.0 %' })).toBeTruthy();
  expect(screen.getByRole('row', { name: '1 nitrate, phosphate' })).toBeTruthy();
  const pairs = within(screen.getByRole('table', { name: /^Rows complete for each pair/ }));
  expect(pairs.getByRole('row', { name: /^nitrate/ }).textContent).toBe('nitrate3338');
  const gaps = await screen.findByRole('region', { name: 'What the gaps may do' });
  expect((await within(gaps).findByTestId('little-in-words')).textContent).toContain('d² = 9.87, df = 5, p = .079: no departure');
  expect(gaps.textContent).toContain('1 pair differs by .05 or more between the ways.');
});

describe('what gaps may do, in words', () => {
  const names: Record<string, string> = { v1: 'nitrate', v2: 'phosphate', v3: 'mayfly taxa' };
  const nameOf = (id: string) => names[id] ?? id;

  it('Little’s test follows its own p, and says what it cannot see', () => {
    const words = littleInWords(GAPS, 0.05);
    expect(words).toContain(
      'Little’s test over 3 variables and 4 patterns: d² = 9.87, df = 5, p = .079: no departure from values missing completely at random',
    );
    expect(words).toContain('because of itself, no test can see');
    const rejected = littleInWords({ ...GAPS, little: { ...GAPS.little, pValue: 0.05 } }, 0.05);
    expect(rejected).toContain('p = .050. The means differ by what is missing, so that values are not missing completely at random');
    expect(littleInWords({ ...GAPS, little: { statistic: null, df: 0, pValue: null, patterns: 1 } }, 0.05)).toBe(
      'No value of these variables is missing: there is nothing to test.',
    );
    expect(littleInWords({ ...GAPS, converged: false, iterations: 5000 }, 0.05)).toContain('did not settle in 5,000 rounds over 40 rows');
  });

  it('three ways stand side by side, those furthest apart first, and every digit in the file', () => {
    const { table, worth } = threeWays(GAPS, nameOf);
    expect(worth).toBe(1);
    expect(textTable(table).rows).toEqual([
      ['nitrate × mayfly taxa', '−.400', '38', '−.300', '−.420', '[−.650, −.110]'],
      ['nitrate × phosphate', '.200', '33', '.210', '.190', '[−.150, .490]'],
      ['phosphate × mayfly taxa', '.100', '34', '–', '.100', ''],
    ]);
    expect(tableCsv(table).split(/\r?\n/)[1]).toBe('nitrate × mayfly taxa,-0.4,38,-0.3,-0.42,-0.65,-0.11');
  });

  it('what is shown of the pairs is said with their number', () => {
    const pair = GAPS.pairs[1] ?? GAPS.pairs[0];
    if (!pair) throw new Error('there are pairs');
    const many = threeWays({ ...GAPS, pairs: Array.from({ length: 40 }, () => pair) }, nameOf);
    expect([many.worth, many.table.rows.length]).toEqual([40, 15]);
    expect(worthInWords(many.worth, 15)).toBe('40 pairs differ by .05 or more between the ways; the 15 that differ most are shown.');
    expect(worthInWords(1, 3)).toBe('1 pair differs by .05 or more between the ways.');
    expect(worthInWords(0, 3)).toBe('No pair differs by .05 or more between the ways; the 3 that differ most are shown.');
    expect(worthInWords(0, 1)).toBe('No pair differs by .05 or more between the ways; it is shown.');
  });

  it('means and SDs are of the variables with gaps only', () => {
    expect(textTable(momentsTable(GAPS, nameOf)).rows).toEqual([
      ['nitrate', '38', '1.2000', '1.2500', '0.5000', '0.5200'],
      ['phosphate', '34', '30.000', '31.500', '8.000', '8.200'],
    ]);
  });
});

describe('rows that are left out', () => {
  const subset = { join: 'all' as const, rules: [{ type: 'rows' as const, from: 1, to: 30, not: false }] };
  const part: Study = {
    ...study,
    state: { ...study.state, subset, setAside: { reasons: ['misread'], count: 4, version: 2 }, inUse: { rows: 26, version: 3 } },
  };

  it('are counted in the panel and in the sentence', () => {
    show(<RowsInUse study={part} />);
    expect(screen.getByTestId('rows-in-use').textContent).toBe('26 of 40 rows in use4 set asideonly where rows 1 to 30');
    expect([rowsInWords(study), rowsInWords(part)]).toEqual(['all 40 rows', '26 of 40 rows']);
  });

  it('are chosen by selection, as ranges, for a reason with words', async () => {
    const sent = serve({ 'POST /changes': { ...study, head: 2 } });
    const cleared = vi.fn();
    const { user } = show(<SelectionBar study={part} selection={new Set([7, 5, 6, 11])} onClear={cleared} />);
    expect(screen.getByText('4 rows selected')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Set aside …' }));
    await user.type(screen.getByLabelText(/^More words/), 'the probe was dry');
    await user.type(screen.getByLabelText('Another reason'), 'dry probe{Enter}');
    await waitFor(() => expect(cleared).toHaveBeenCalledTimes(1));
    const rows = [
      [5, 7],
      [11, 11],
    ];
    expect(sent[0]?.body).toMatchObject({ change: { choice: { rows }, because: 'dry probe' }, reason: 'the probe was dry' });
    await user.click(screen.getByRole('button', { name: 'Bring back' }));
    await user.click(screen.getByRole('button', { name: 'Use only these' }));
    await waitFor(() => expect(cleared).toHaveBeenCalledTimes(3));
    expect(sent.slice(1).map(({ body }) => body)).toMatchObject([
      { change: { type: 'bring-back', choice: { rows } } },
      {
        change: {
          type: 'set-subset',
          subset: {
            join: 'any',
            rules: [
              { from: 5, to: 7 },
              { from: 11, to: 11 },
            ],
          },
        },
      },
    ]);
  });
});

it('the last decision asks why, and can be taken back', async () => {
  const decision = {
    number: 2,
    kind: 'cells',
    summary: 'ph: 74 became 7.4',
    reason: null,
    created: '2026-05-02T09:30:00.000Z',
    earlier: false,
  };
  const sent = serve({
    'GET /trail': { decisions: [decision], undo: decision.summary, redo: null },
    'PATCH /': { decisions: [{ ...decision, reason: 'point slipped' }], undo: decision.summary, redo: null },
    'POST /undo': study,
  });
  const { user } = show(<LastDecision study={{ ...study, head: 2 }} since={1} />);
  const region = within(await screen.findByRole('region', { name: 'Last decision' }));
  expect(region.getByRole('status').textContent).toBe('ph: 74 became 7.4');
  await user.type(region.getByLabelText('Why'), 'point slipped{Enter}');
  expect(await region.findByText('point slipped')).toBeTruthy();
  expect(region.queryByLabelText('Why')).toBeNull();
  await user.click(region.getByRole('button', { name: 'Take back' }));
  await waitFor(() => expect(sent.map(({ what }) => what)).toContain('POST /undo'));
});

it('an earlier state says so and leads back', async () => {
  const { user, router } = show(
    <EarlierStateBand study={{ ...study, head: 3 }} summary="ph: 74 became 7.4" />,
    `/studies/${study.id}/at/3/data`,
  );
  expect(screen.getByRole('status').textContent).toContain(
    'The study as it was at revision 3, after: ph: 74 became 7.4. Nothing can be changed here.',
  );
  await user.click(screen.getByRole('link', { name: 'Back to today’s state' }));
  expect(router.state.location.pathname).toBe(`/studies/${study.id}/data`);
});
