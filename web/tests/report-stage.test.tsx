import { type ReportBlock, type RichText, studySchema } from '@ivlen/contract';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { ReportStage } from '../src/stages/report/report-stage';
import { ReadOnly } from '../src/study/read-only';
import { serve, show } from './served';
import { testResult, testStudy } from './test-study';

const plain = testStudy();
const study = studySchema.parse({ ...plain, state: { ...plain.state, rowMeaning: 'one visit', source: 'Made up in 2023' } });
const ID = '00000000-0000-4000-8000-000000000001';
const OTHER = '00000000-0000-4000-8000-000000000002';
const block = (id: string, content: ReportBlock['content'], more: Partial<ReportBlock> = {}): ReportBlock => ({
  id,
  version: 1,
  content,
  title: null,
  text: null,
  shows: null,
  beside: null,
  ...more,
});
const data = { kind: 'paragraph', of: 'data' } as const;
const matrix = (more: object = {}): ReportBlock['content'] => ({
  kind: 'pin',
  pin: {
    stage: 'correlations',
    thing: 'matrix',
    title: 'a matrix',
    request: null,
    settings: { view: 'grid', variables: ['v1', 'v2', 'v3'], above: 'nothing' },
    revision: null,
    ...more,
  },
});
const describedAs = {
  kind: 'describe',
  variables: ['v1', 'v2', 'v3'].map((id, i) => ({
    id,
    n: 40,
    missing: 0,
    mean: 2 + i,
    sd: 0.5,
    se: 0.08,
    variance: 0.25,
    median: 2,
    min: 1,
    max: 4,
    range: 3,
    q1: 1,
    q3: 3,
    skewness: 0.1,
    skewnessSe: 0.2,
    excessKurtosis: 0,
    excessKurtosisSe: 0.4,
    bins: [],
  })),
};
const missing = {
  kind: 'missing',
  variables: [{ id: 'v2', missing: 2 }],
  completeRows: 38,
  rows: 40,
  patterns: [],
  morePatterns: 0,
  pairs: [],
};

function open(blocks: readonly ReportBlock[], answers: Record<string, object> = {}, readOnly = false) {
  const settings = { version: 0, settings: null, unreadable: false };
  const sent = serve({
    'GET /report': { blocks },
    'GET /settings/report': settings,
    'GET /checksum': { sha256: 'f00d' },
    'GET /settings/shape': settings,
    'GET /settings/correlations': settings,
    'GET /settings/numbers': settings,
    'GET /settings/working-set': { version: 1, settings: { variables: ['v1', 'v2', 'v3'] }, unreadable: false },
    'GET /trail': {
      decisions: [
        {
          number: 2,
          kind: 'cells',
          summary: 'nitrate of row 4 made missing',
          reason: 'misread.',
          created: '2026-05-02T00:00:00.000Z',
          earlier: false,
        },
        { number: 1, kind: 'created', summary: 'Created', reason: null, created: '2026-05-01T00:00:00.000Z', earlier: false },
      ],
      undo: null,
      redo: null,
    },
    'POST /analyses': (({ analysis: { kind } }: { analysis: { kind: string } }) =>
      ({ correlation: testResult(), describe: describedAs, missing })[kind] ?? {}) as never,
    ...answers,
  });
  const page = <ReportStage study={study} />;
  return { sent, ...show(readOnly ? <ReadOnly value>{page}</ReadOnly> : page, '/studies/x/report') };
}

const texts = async () => (await screen.findAllByTestId('report-text')).map(({ textContent }) => textContent);

describe('the report page', () => {
  it('with nothing in it says what to do, and offers the draft', async () => {
    const { user, sent } = open([], { 'POST /report/blocks': { blocks: [block(ID, data)] } });
    await user.click(await screen.findByRole('button', { name: 'Write a first draft' }));
    await waitFor(async () => expect((await texts())[0]).toContain('The table has 40 rows, each of which is one visit.'));
    const added = sent.find(({ what }) => what === 'POST /report/blocks')?.body as { blocks: { content: object }[] };
    expect(added.blocks[0]?.content).toEqual(data);
  });

  it('writes the paragraph about the data from the study and its trail', async () => {
    open([block(ID, data)]);
    await waitFor(async () =>
      expect((await texts()).join(' ')).toBe(
        'The table has 40 rows, each of which is one visit. Source: Made up in 2023.All 40 rows were used. Values are missing in phosphate 2; 38 of 40 rows are complete.Before the analysis:nitrate of row 4 made missing (misread).Checksum of the data (SHA-256): f00d.',
      ),
    );
    expect(screen.getByRole('heading', { name: 'Data' })).toBeTruthy();
  });

  it('prints the matrix with means and SDs, marks and its note, and counts what it shows', async () => {
    open([block(ID, matrix())]);
    const table = within(await screen.findByTestId('report-table')).getByRole('table');
    expect(
      within(table)
        .getAllByRole('row')
        .map((row) => [...row.children].map(({ textContent }) => textContent)),
    ).toEqual([
      ['Variable', 'M', 'SD', '1', '2', '3'],
      ['1. nitrate', '2.00', '0.50', '–', '', ''],
      ['2. phosphate', '3.00', '0.50', '.15*', '–', ''],
      ['3. mayfly taxa', '4.00', '0.50', '−.63***', '–', '–'],
    ]);
    expect(within(table).getByText('SD').tagName).toBe('EM');
    expect((await texts())[0]).toBe(
      'Of 2 correlations among 3 variables, 2 reached p ≤\u00a0.05, unadjusted; 0.1 would be expected if nothing were associated. 1 could not be computed.',
    );
    expect(screen.getByText(/\* p ≤ \.05, \*\* p ≤ \.01/)).toBeTruthy();
  });

  it('with p and intervals in the cells, and a zero before each point, where that was chosen', async () => {
    const chosen = { significance: 'p', intervals: true, leadingZero: true };
    open([block(ID, matrix())], { 'GET /settings/report': { version: 1, settings: chosen, unreadable: false } });
    const cells = within(await screen.findByTestId('report-table'))
      .getAllByRole('cell')
      .map(({ textContent }) => textContent);
    expect(cells).toContain('−0.63\np < 0.001\n[−0.77, −0.42]');
    expect(cells).toContain('0.15\np = 0.040\n[0.01, 0.28]');
  });

  const edited = (shown: string, key = 'tally.4/6'): RichText => ({
    type: 'doc',
    content: [
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'In our own words, ' },
          { type: 'value', attrs: { block: ID, key, shown, at: 1 } },
          { type: 'text', text: ' was the level.' },
        ],
      },
    ],
  });

  it('an edited text is kept, its numbers follow, and what changed under it is said until it was looked at', async () => {
    const content = matrix();
    const before = block(ID, content, { text: edited('≤ .10') });
    const after = { blocks: [{ ...before, version: 2, text: edited('≤ .05') }], both: false };
    const { user, sent } = open([before], { [`PATCH /report/blocks/${ID}`]: after });
    await waitFor(async () => expect((await texts())[0]).toBe('In our own words, ≤\u00a0.05 was the level.'));
    const note = await screen.findByTestId('changed-values');
    expect(note.textContent).toContain('Under this text a number has changed: p was ≤ .10 at decision 1, is ≤ .05 now.');
    await user.click(within(note).getByRole('button', { name: 'Looked at' }));
    const patch = sent.find(({ what }) => what.startsWith('PATCH'))?.body as { version: number; text: RichText };
    expect(patch.version).toBe(1);
    expect(JSON.stringify(patch.text)).toContain('"shown":"≤ .05","at":1');
    await waitFor(() => expect(screen.queryByTestId('changed-values')).toBeNull());
  });

  it('a number that is no longer told stays as it was, and is said', async () => {
    open([block(ID, matrix(), { text: edited('12', 'tally.1/9') })]);
    await waitFor(async () => expect((await texts())[0]).toBe('In our own words, 12 was the level.'));
    expect((await screen.findByTestId('changed-values')).textContent).toContain('12, of decision 1, is no longer told');
  });

  it('two texts written at once stand one under the other, and say so', async () => {
    const words = (text: string): RichText => ({ type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text }] }] });
    open([
      block(ID, { kind: 'paragraph', of: 'own' }, { text: words('mine') }),
      block(OTHER, { kind: 'paragraph', of: 'own' }, { text: words('theirs'), beside: ID }),
    ]);
    await waitFor(async () => expect(await texts()).toEqual(['mine', 'theirs']));
    expect(screen.getByText(/^This text was written in another window at the same time/)).toBeTruthy();
  });

  it('a pin whose variable is gone stays as it last was, marked', async () => {
    const later = studySchema.parse({
      ...study,
      state: { ...study.state, variables: [...study.state.variables, { ...study.state.variables[0], id: 'v9', name: 'gone' }] },
    });
    const nine = { ...testResult(), variables: ['v1', 'v2', 'v9'] };
    open([block(ID, matrix({ settings: { view: 'grid', variables: ['v1', 'v2', 'v9'], above: 'nothing' } }))], {
      'GET /trail': {
        decisions: [{ number: 0, kind: 'created', summary: 'Created', reason: null, created: '2026-05-01T00:00:00.000Z', earlier: false }],
        undo: null,
        redo: null,
      },
      'GET /': { ...later, head: 0 },
      'POST /analyses': (({ analysis: { kind } }: { analysis: { kind: string } }) =>
        ({ correlation: nine, describe: describedAs, missing })[kind] ?? {}) as never,
    });
    expect(await screen.findByText('3. gone')).toBeTruthy();
    expect(screen.getByText('Something of this is no longer in the study: it stands as it was at decision 0.')).toBeTruthy();
  });

  it('a pin held at a decision says so, and that it was taken back since', async () => {
    const held = (revision: number) => matrix({ revision });
    open([block(ID, held(2)), block(OTHER, held(9))], { 'GET /': { ...study, head: 2 } });
    expect(await screen.findByText('As of decision 2.')).toBeTruthy();
    expect(await screen.findByText('As of decision 9, which was taken back since.')).toBeTruthy();
  });

  it('what cannot be told says why, and the rest stands', async () => {
    open([block(ID, matrix({ settings: { methods: ['of another time'], variables: ['v1', 'v2'] } })), block(OTHER, data)]);
    expect(await screen.findByText(/^This was pinned by another version of Ivlen/)).toBeTruthy();
    await waitFor(async () => expect((await texts()).join(' ')).toContain('The table has 40 rows'));
  });

  it('looked at as it was, nothing can be changed', async () => {
    open([block(ID, data)], {}, true);
    await texts();
    expect(screen.queryByRole('button', { name: 'Write a first draft' })).toBeNull();
    expect(screen.queryByRole('button', { name: /^Menu/ })).toBeNull();
    expect(screen.getByRole('button', { name: 'Take it out' })).toBeTruthy();
  });

  it('parts are hidden, renamed, moved and removed from the menu', async () => {
    const both = [block(ID, matrix()), block(OTHER, data)];
    const { user, sent } = open(both, {
      [`PATCH /report/blocks/${ID}`]: { blocks: both, both: false },
      'PUT /report/order': { blocks: [...both].reverse() },
      [`DELETE /report/blocks/${ID}`]: { blocks: both.slice(1) },
    });
    await screen.findByTestId('report-table');
    const menu = async (name: string, item: RegExp | string) => {
      await user.click(screen.getByRole('button', { name: `Menu: ${name}` }));
      await user.click(await screen.findByRole('menuitem', { name: item }));
    };
    await user.click(screen.getByRole('button', { name: 'Menu: Correlations' }));
    await user.click(await screen.findByRole('menuitemcheckbox', { name: /Show the figure/ }));
    await menu('Correlations', 'Move down');
    await menu('Correlations', /^Hold at this state/);
    await user.click(screen.getByRole('button', { name: 'Data' }));
    await user.clear(screen.getByRole('textbox', { name: 'Heading' }));
    await menu('Correlations', 'Remove');
    const changes = () => sent.filter(({ what }) => /^(PATCH|PUT|DELETE) \/report/.test(what));
    await waitFor(() => expect(changes()).toHaveLength(4));
    expect(changes()[0]?.body).toEqual({ version: 1, shows: ['text', 'tables', 'figures'] });
    expect(changes()[1]).toEqual({ what: 'PUT /report/order', body: { ids: [OTHER, ID] } });
    expect(changes()[2]?.body).toMatchObject({ pin: { revision: 1, stage: 'correlations' } });
    expect(await screen.findByText('Removed from the report.')).toBeTruthy();
  });
});
