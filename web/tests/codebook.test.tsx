import { type ReadingPreview, variableSchema } from '@ivlen/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, test, vi } from 'vitest';
import { entrySentence, studySentences, valuesSentence } from '../src/stages/data/codebook/entry-sentence';
import { ReadAgainDialog, readInWords } from '../src/stages/data/codebook/read-again-dialog';
import { consequence, readLabels, toFields, toPatch } from '../src/stages/data/codebook/variable-fields';
import { VariableForm } from '../src/stages/data/codebook/variable-form';
import { serve, show } from './served';
import { testStudy } from './test-study';

const study = testStudy();
const nitrate = variableSchema.parse({
  ...study.state.variables[0],
  unit: 'mg/L',
  decimals: 2,
  role: 'predictor',
  missingCodes: ['−99'],
  highMeans: 'more fertiliser',
});

describe('entries in words', () => {
  it('one line for a variable', () => {
    expect(entrySentence(nitrate, [])).toBe(
      'mg/L, continuous, shown to 2 decimals, predictor; missing: −99; high values mean more fertiliser',
    );
    const bank = {
      ...nitrate,
      label: 'Bank',
      unit: null,
      decimals: 0,
      role: null,
      valueLabels: { 1: 'eroded' },
      validRange: { low: 1, high: null },
    };
    expect(entrySentence({ ...bank, missingCodes: [], highMeans: null }, [])).toBe(
      'Bank: continuous, shown in whole numbers; possible from 1; 1 is eroded',
    );
  });

  it('values: how many, how many missing, and their range in the decimals of the codebook', () => {
    const [nitrate] = study.state.variables;
    if (!nitrate) throw new Error('a variable is needed');
    const counted = { n: 246, missing: 2, distinct: 180, min: 0.19, max: 13.78 };
    expect(valuesSentence({ ...nitrate, decimals: 1 }, counted)).toBe('246 values, 2 missing, from 0.2 to 13.8');
    expect(valuesSentence({ ...nitrate, valueLabels: { 1: 'low' } }, { ...counted, min: 1, max: 3 })).toContain('from low to 3');
    expect(valuesSentence(nitrate, { ...counted, n: 1, missing: 0, min: null, max: null, distinct: 1 })).toBe(
      '1 value, none missing, 1 different',
    );
  });

  it('sentences for the study, also for what is not known', () => {
    expect(studySentences({ ...study.state, rowMeaning: 'one visit' })).toEqual([
      'Each row is one visit.',
      'It is not said yet how the rows were chosen; p and intervals take them as drawn at random.',
      'No source is named.',
      'No citation is given.',
      'Known exclusions are not noted.',
    ]);
    const chosen = (rowsChosen: 'all' | 'at-random' | 'by-hand' | 'unknown') => studySentences({ ...study.state, rowsChosen })[1];
    expect(chosen('all')).toContain('The rows are all there are: p and intervals speak of what may have brought them about');
    expect(chosen('at-random')).toContain('were drawn at random: p and intervals speak of the population');
    expect(chosen('by-hand')).toContain('were chosen by hand: p and intervals hold only as far as');
    expect(chosen('unknown')).toContain('in an unknown way');
  });
});

describe('the form', () => {
  it('gives back nothing where nothing was changed, and only what was', () => {
    const fields = toFields(nitrate);
    expect(toPatch(nitrate, fields)).toEqual({});
    expect(
      toPatch(nitrate, { ...fields, unit: ' µg/L ', decimals: '', low: '0', high: '', valueLabels: '0 = none\n-1 = below = limit' }),
    ).toEqual({
      unit: 'µg/L',
      decimals: null,
      validRange: { low: 0, high: null },
      valueLabels: { 0: 'none', '-1': 'below = limit' },
    });
    expect(readLabels('no sign\n = no code')).toEqual({});
  });

  test.each([
    ['nominal', /Categories have no correlation/],
    ['identifier', /leaves the matrix/],
    ['ordinal', /rank methods/],
    ['continuous', null],
  ])('says what follows from becoming %s', (kind, words) => {
    const said = consequence('continuous', kind);
    if (words) expect(said).toMatch(words);
    else expect(said).toBeNull();
  });
});

describe('editing an entry', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('sends what differs with its reason, from the revision seen; bad numbers are told at their field', async () => {
    const sent = vi.fn(async (_path: string, _init: RequestInit) => new Response(JSON.stringify({ ...study, head: 2 })));
    vi.stubGlobal('fetch', sent);
    const onDone = vi.fn();
    const user = userEvent.setup();
    render(
      <QueryClientProvider client={new QueryClient()}>
        <VariableForm study={study} variable={nitrate} onDone={onDone} />
      </QueryClientProvider>,
    );
    await user.type(screen.getByLabelText('Smallest possible'), 'low');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect((await screen.findByRole('alert')).textContent).toContain('Write a number');
    expect(sent).not.toHaveBeenCalled();
    await user.clear(screen.getByLabelText('Smallest possible'));
    await user.selectOptions(screen.getByLabelText('Kind'), 'ordinal');
    expect(screen.getByText(/correlated by rank methods/)).toBeTruthy();
    await user.type(screen.getByLabelText(/Reason/), 'steps');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(onDone).toHaveBeenCalled());
    const body = JSON.parse(String(sent.mock.calls[0]?.[1].body));
    expect(body).toEqual({
      expectedHead: 1,
      change: { type: 'edit-variable', variable: 'v1', patch: { kind: 'ordinal' } },
      reason: 'steps',
    });
  });
});

describe('reading texts again as numbers', () => {
  const preview = (part: object = {}): ReadingPreview => ({
    reading: { decimal: '.', thousands: ',', limits: 'missing' },
    cells: 48,
    read: 46,
    resisting: [{ text: 'n/a', rows: [3, 9], count: 2 }],
    limits: 1,
    unit: '€',
    examples: [
      { text: '€1,200.50', value: 1200.5 },
      { text: 'n/a', value: null },
    ],
    ...part,
  });

  it.each([
    [{}, '46 of 48 cells hold a number; 2 do not and become missing: “n/a” (rows 3, 9). 1 tells a limit only. The unit is €.'],
    [{ read: 48, resisting: [], limits: 0, unit: '' }, 'All 48 cells hold a number.'],
    [{ read: 0, limits: 0, unit: '' }, 'None of the 48 cells holds a number.'],
    [
      { read: 47, resisting: [{ text: 'x', rows: [4], count: 1 }], limits: 2, unit: '' },
      '47 of 48 cells hold a number; 1 does not and becomes missing: “x” (row 4). 2 tell a limit only.',
    ],
    [{ resisting: [{ text: 'n/a', rows: [1, 2], count: 9 }], read: 39, limits: 0, unit: '' }, '“n/a” (rows 1, 2 and more)'],
  ])('says of %j: %s', (part, words) => expect(readInWords(preview(part))).toContain(words));

  it('shows what would come of it, follows the marks chosen, and is one decision', async () => {
    const asked: unknown[] = [];
    const sent = serve({
      'POST /reading-preview': (body: { reading?: object }) => {
        asked.push(body.reading ?? null);
        return preview(body.reading ? { reading: body.reading } : {});
      },
      'POST /changes': { ...study, head: 2 },
    });
    const closed = vi.fn();
    const [variable] = study.state.variables;
    if (!variable) throw new Error('a variable is needed');
    const { user } = show(<ReadAgainDialog study={study} variable={{ ...variable, storage: 'code' }} onClose={closed} />);
    expect((await screen.findByRole('table', { name: 'Some texts as numbers' })).textContent).toBe('textnumber€1,200.501200.5n/amissing');
    await user.selectOptions(screen.getByLabelText('Decimal mark'), 'comma');
    await user.selectOptions(screen.getByLabelText(/read as/), 'half of the limit');
    expect(await screen.findByText(/mean, SD and r are off/)).toBeTruthy();
    expect(asked).toEqual([null, { decimal: ',', thousands: ',', limits: 'missing' }, { decimal: ',', thousands: ',', limits: 'half' }]);
    await user.click(screen.getByRole('button', { name: 'Read as numbers' }));
    await vi.waitFor(() => expect(closed).toHaveBeenCalled());
    expect(sent.find(({ what }) => what === 'POST /changes')?.body).toMatchObject({
      change: { type: 'read-as-numbers', variable: 'v1', reading: { decimal: ',', limits: 'half' } },
    });
  });
});
