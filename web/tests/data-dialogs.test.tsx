import { type DerivationPreview, type Study, variableSchema } from '@ivlen/contract';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ExportDialog } from '../src/exports/export-dialog';
import { SubsetDialog } from '../src/in-use/subset-dialog';
import { ChoicesDialog } from '../src/stages/data/bring-in/choices-dialog';
import { DeriveDialog } from '../src/stages/data/derive/derive-dialog';
import { definitionOf, draftOf, ignoresMissing, newDraft, shiftOf, suggestedName } from '../src/stages/data/derive/draft';
import { serve, show } from './served';
import { testStudy } from './test-study';

afterEach(() => vi.unstubAllGlobals());

const habitat = variableSchema.parse({
  ...testStudy().state.variables[0],
  id: 'v4',
  name: 'habitat',
  kind: 'nominal',
  storage: 'code',
  valueLabels: { r: 'riffle' },
});
const study: Study = { ...testStudy(), state: { ...testStudy().state, variables: [...testStudy().state.variables, habitat] } };
const categories = {
  categories: [
    { text: 'r', value: 1, rows: 25 },
    { text: 'pool', value: 0, rows: 15 },
  ],
};
const changed = { ...study, head: 2 };

it('what is added before a scale is taken is a number, or no definition: never 0 in the place of what was meant', () => {
  expect(['', ' 0,5 ', '1', '−2', '1e-3'].map(shiftOf)).toEqual([0, 0.5, 1, -2, 0.001]);
  const [first] = study.state.variables;
  const draft = { ...newDraft(study.state.variables, null), way: 'scale' as const, source: first?.id ?? '', name: 'logged' };
  expect(definitionOf({ ...draft, shift: '0.5' }, study.state.variables)?.derivation).toMatchObject({ shift: 0.5 });
  for (const shift of ['one', '1..2', '1 2', 'NaN']) expect(definitionOf({ ...draft, shift }, study.state.variables)).toBeNull();
});

describe('rows by rules', () => {
  const open = (of: Study = study) => {
    const sent = serve({
      'GET /variables/v4/categories': categories,
      'POST /subset-count': { rows: 25, inUse: 23 },
      'POST /changes': changed,
    });
    const closed = vi.fn();
    return { ...show(<SubsetDialog study={of} onClose={closed} />), sent, closed };
  };
  const last = (sent: { what: string; body: unknown }[]) => sent.filter(({ what }) => what === 'POST /changes').at(-1)?.body;

  it('asks for values, counts live, and says what is set aside', async () => {
    const { user, sent, closed } = open();
    expect(screen.getByText('Choose the values of each rule.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Use these rows' })).toHaveProperty('disabled', true);
    await user.click(await screen.findByRole('checkbox', { name: /^riffle 25/ }));
    expect((await screen.findByText(/2 of them are set aside/)).parentElement?.textContent).toBe(
      '25 of 40 rows: habitat is riffle. 2 of them are set aside.',
    );
    await user.click(screen.getByRole('button', { name: 'Use these rows' }));
    await waitFor(() => expect(closed).toHaveBeenCalled());
    const rule = { type: 'one-of', variable: 'v4', values: ['r'], not: false };
    expect(last(sent)).toEqual({ expectedHead: 1, change: { type: 'set-subset', subset: { join: 'all', rules: [rule] } } });
  });

  it('joins rules of every kind, also turned round', async () => {
    const { user, sent } = open();
    await user.selectOptions(screen.getByLabelText('What the rule is about'), 'nitrate');
    await user.selectOptions(screen.getByLabelText('How'), 'is not between');
    await user.type(screen.getByLabelText('Largest'), '2,5{Enter}');
    await user.click(screen.getByRole('button', { name: 'Another rule' }));
    const second = within(screen.getAllByRole('listitem').at(-1) as HTMLElement);
    await user.clear(second.getByLabelText('Last row'));
    await user.type(second.getByLabelText('Last row'), '12{Enter}');
    await user.selectOptions(screen.getByLabelText('Joined by'), 'any of these holds');
    await user.click(screen.getByRole('button', { name: 'Use these rows' }));
    await waitFor(() =>
      expect(last(sent)).toMatchObject({
        change: {
          subset: {
            join: 'any',
            rules: [
              { type: 'between', variable: 'v1', low: null, high: 2.5, not: true },
              { type: 'rows', from: 1, to: 12, not: false },
            ],
          },
        },
      }),
    );
  });

  it('sets the rows aside for a reason, keeps rules under a name, and uses and forgets them', async () => {
    const subset = { join: 'all' as const, rules: [{ type: 'missing' as const, variable: 'v1', not: true }] };
    const { user, sent } = open({ ...study, state: { ...study.state, subset, namedSubsets: [{ name: 'measured', subset }] } });
    const named = within(screen.getByRole('list', { name: 'Subsets with a name' }));
    expect(named.getByRole('listitem').textContent).toContain('nitrate is not missing');
    await user.click(named.getByRole('button', { name: 'Forget' }));
    await waitFor(() => expect(last(sent)).toMatchObject({ change: { type: 'forget-subset', name: 'measured' } }));
    await user.type(screen.getByLabelText('Name for this subset'), ' all measured ');
    await user.click(screen.getByRole('button', { name: 'Keep under this name' }));
    await waitFor(() => expect(last(sent)).toMatchObject({ change: { type: 'name-subset', named: { name: 'all measured', subset } } }));
    await user.click(screen.getByRole('button', { name: 'Set these aside …' }));
    await user.click(await screen.findByRole('button', { name: 'other population' }));
    await waitFor(() =>
      expect(last(sent)).toMatchObject({ change: { type: 'set-aside', choice: { rule: subset }, because: 'other population' } }),
    );
  });
});

describe('deriving a variable', () => {
  const preview: DerivationPreview = {
    sources: ['nitrate', 'phosphate'],
    rows: [{ number: 1, sources: [1.5, 3], result: 0.5 }],
    computed: 38,
    missing: 2,
    undefinedCount: 0,
    undefinedRows: [],
    before: [{ name: 'nitrate', n: 40, skewness: 2.041, bins: [3, 2, 1] }],
    after: { name: 'ratio', n: 38, skewness: 0.25, bins: [1, 2, 1] },
  };
  const open = () => {
    const sent = serve({ 'POST /derivation-preview': preview, 'POST /changes': changed, 'GET /variables/v4/categories': categories });
    const closed = vi.fn();
    return { ...show(<DeriveDialog study={study} from={null} redefine={false} onClose={closed} />), sent, closed };
  };
  const derived = (sent: { what: string; body: unknown }[]) => sent.find(({ what }) => what === 'POST /changes')?.body;

  it('a formula shows its first rows and the shape before and after while it is written', async () => {
    const { user, sent } = open();
    const field = screen.getByRole('combobox', { name: 'Formula' });
    await user.clear(field);
    await user.type(field, 'max(nit');
    await user.click(await screen.findByRole('option', { name: /^nitrate/ }));
    await user.type(field, ', mayfly_taxa)');
    // The largest of those there are is what is usual.
    expect(screen.getByRole('checkbox', { name: /use those there are/, checked: true })).toBeTruthy();
    expect(await screen.findByText('38 of 40 rows can be computed. 2 rows lack a value.')).toBeTruthy();
    expect(screen.getByRole('row', { name: '1 1.5 3 0.5' })).toBeTruthy();
    await user.click(screen.getByRole('checkbox', { name: /use those there are/ }));
    await user.type(screen.getByLabelText('Its name'), 'most');
    await user.click(screen.getByRole('button', { name: 'Make the variable' }));
    await waitFor(() =>
      expect(derived(sent)).toMatchObject({
        change: { definition: { name: 'most', derivation: { formula: 'max(nitrate, mayfly_taxa)', ignoreMissing: false } } },
      }),
    );
  });

  it.each([
    ['Ratio of two', {}, { name: 'nitrate_per_phosphate', derivation: { type: 'formula', formula: 'nitrate / phosphate' } }],
    ['Another scale', { Scale: 'sqrt' }, { name: 'sqrt_nitrate', derivation: { type: 'scale', source: 'v1', scale: 'sqrt', shift: 0 } }],
    ['Groups', {}, { name: 'nitrate_group', derivation: { type: 'quantile-groups', source: 'v1', groups: 3 } }],
  ] as const)('%s needs no formula', async (way, choose, expected) => {
    const { user, sent } = open();
    await user.click(screen.getByRole('tab', { name: way }));
    for (const [label, value] of Object.entries(choose)) await user.selectOptions(screen.getByLabelText(label), value);
    await user.click(screen.getByRole('button', { name: 'Make the variable' }));
    await waitFor(() => expect(derived(sent)).toMatchObject({ change: { type: 'derive', definition: expected } }));
  });

  it('several repeats become one variable in one step, of those there are, with name and unit suggested', async () => {
    const repeats = ['visit_1', 'visit_2', 'visit_3', 'depth'].map((name, i) =>
      variableSchema.parse({ ...study.state.variables[0], id: `r${i}`, name, unit: name === 'depth' ? 'm' : 'mg/L' }),
    );
    // What was being written is kept by study.
    const of = { ...study, id: '0b6a5f0e-3a0e-4a52-9f43-0d2f4f5f8a12', state: { ...study.state, variables: repeats } };
    const sent = serve({ 'POST /derivation-preview': preview, 'POST /changes': changed });
    const { user } = show(<DeriveDialog study={of} from={null} redefine={false} onClose={() => {}} />);
    await user.click(screen.getByRole('tab', { name: 'Of several repeats' }));
    const ticked = () => screen.getAllByRole('checkbox', { checked: true }).map((box) => box.closest('label')?.textContent);
    expect(ticked()).toEqual(['visit 1', 'visit 2', 'visit 3', 'Where some of the values are missing, use those there are']);
    expect(screen.getByLabelText('Its name').getAttribute('placeholder')).toBe('visit_largest');
    expect(screen.getByLabelText('Unit').getAttribute('placeholder')).toBe('mg/L');
    await user.selectOptions(screen.getByLabelText('Of each row'), 'the last');
    await user.click(screen.getByRole('checkbox', { name: 'visit 2' }));
    await user.click(screen.getByRole('button', { name: 'Make the variable' }));
    await waitFor(() =>
      expect(derived(sent)).toMatchObject({
        change: {
          definition: { name: 'visit_last', unit: 'mg/L', derivation: { formula: 'last(visit_1, visit_3)', ignoreMissing: true } },
        },
      }),
    );
    await user.click(screen.getByRole('checkbox', { name: 'visit 3' }));
    expect(screen.getByRole('button', { name: 'Make the variable' }).hasAttribute('disabled')).toBe(true);
    await user.click(screen.getByRole('checkbox', { name: 'depth' }));
    expect(screen.getByLabelText('Unit').getAttribute('placeholder')).toBe('');
  });

  it('Escape closes the completion list and not the dialog; closed with something written, it opens as it was left', async () => {
    const { user, closed } = open();
    const field = screen.getByRole('combobox', { name: 'Formula' });
    expect(field.getAttribute('placeholder')).toBe('nitrate / phosphate');
    await user.type(field, 'log10(nit');
    expect(await screen.findByRole('listbox', { name: 'Names' })).toBeTruthy();
    await user.keyboard('{Escape}');
    expect(screen.queryByRole('listbox')).toBeNull();
    expect(closed).not.toHaveBeenCalled();
    expect(screen.getByRole('combobox', { name: 'Formula' })).toHaveProperty('value', 'log10(nit');
    await user.keyboard('{Escape}');
    expect(closed).toHaveBeenCalledTimes(1);
    cleanup();
    open();
    expect(screen.getByRole('combobox', { name: 'Formula' })).toHaveProperty('value', 'log10(nit');
  });

  it.each([
    ['max(a, b)', null, true],
    ['mean(a, b) / min(c, d)', null, true],
    ['last(a, b)', null, true],
    ['sum(a, b)', null, false],
    ['max(a, b) / sum(a, b)', null, false],
    ['a / b', null, false],
    ['max(a, b)', false, false],
    ['sum(a, b)', true, true],
  ] as const)('of %s with the choice %s, missing values are left out: %s', (formula, ignoreMissing, left) =>
    expect(ignoresMissing({ formula, ignoreMissing })).toBe(left),
  );

  it('categories are joined by giving them one name', async () => {
    const { user, sent } = open();
    await user.click(screen.getByRole('tab', { name: 'Other categories' }));
    await user.type(await screen.findByLabelText('pool becomes'), 'r');
    await user.click(screen.getByRole('button', { name: 'Make the variable' }));
    await waitFor(() =>
      expect(derived(sent)).toMatchObject({
        change: { definition: { name: 'habitat_2', derivation: { type: 'recode', source: 'v4', texts: { pool: 'r' } } } },
      }),
    );
  });

  it('a definition opens as it was written, names in the place of identifiers', () => {
    const { variables } = study.state;
    const of = (derivation: object) => draftOf(variableSchema.parse({ ...variables[0], id: 'd2', name: 'n', derivation }), variables);
    expect(of({ type: 'formula', formula: 'v1 / v3', sources: ['v1', 'v3'], ignoreMissing: true })).toMatchObject({
      way: 'formula',
      formula: 'nitrate / mayfly_taxa',
      ignoreMissing: true,
    });
    expect(of({ type: 'cut', source: 'v2', points: [10, 25.5] })).toMatchObject({ way: 'groups', groupBy: 'values', points: '10, 25.5' });
    expect(of({ type: 'recode', source: 'v4', texts: { pool: 'r' } })).toMatchObject({ way: 'categories', texts: { pool: 'r' } });
    expect(suggestedName({ ...newDraft(variables, habitat) }, variables)).toBe('habitat_2');
  });
});

it('exports ask for rows and labels only where they make a difference', async () => {
  const sent = serve({ 'POST /exports': { id: '0b6a5f0e-3a0e-4a52-9f43-0d2f4f5f8a11', fileName: 'three.csv', bytes: 10 } });
  const click = vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => {});
  const inUse = { rows: 30, version: 2 };
  const { user } = show(<ExportDialog study={{ ...study, state: { ...study.state, inUse } }} onClose={() => {}} />);
  expect(screen.queryByText('labels instead of codes')).toBeNull();
  await user.click(screen.getByRole('radio', { name: /^CSV/ }));
  await user.click(screen.getByRole('radio', { name: 'the 30 in use' }));
  await user.click(screen.getByRole('checkbox', { name: 'labels instead of codes' }));
  await user.click(screen.getByRole('button', { name: 'Export' }));
  await waitFor(() => expect(click).toHaveBeenCalled());
  expect(sent[0]).toEqual({ what: 'POST /exports', body: { revision: 1, format: 'csv', rows: 'in-use', labels: true, faithful: false } });
  click.mockRestore();
});

it('an archive takes the record of the report along, from wherever it is exported', async () => {
  const pin = { stage: 'data', thing: 'table', title: 'of another time', request: null, settings: {}, revision: null };
  const block = { id: '00000000-0000-4000-8000-000000000001', version: 1, title: null, text: null, shows: null, beside: null };
  const sent = serve({
    'GET /report': { blocks: [{ ...block, content: { kind: 'pin', pin } }] },
    'GET /settings/report': { version: 0, settings: null, unreadable: false },
    'POST /exports': { id: '0b6a5f0e-3a0e-4a52-9f43-0d2f4f5f8a11', fileName: 'three.zip', bytes: 10 },
  });
  const click = vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => {});
  const { user } = show(<ExportDialog study={study} onClose={() => {}} />);
  await user.click(screen.getByRole('button', { name: 'Export' }));
  await waitFor(() => expect(click).toHaveBeenCalled());
  expect(sent.find(({ what }) => what === 'POST /exports')?.body).toMatchObject({
    format: 'archive',
    record: { items: [{ title: 'Missing values', revision: 1, requests: [{ kind: 'missing' }] }] },
  });
  expect(await screen.findByText('Not in the record: of another time.')).toBeTruthy();
  click.mockRestore();
});

it('choices of another study are listed before they are taken over', async () => {
  const other = '5f5f5f5f-3a0e-4a52-9f43-0d2f4f5f8a11';
  const item = { id: other, name: 'Last year', rows: 40, variables: 3, head: 4, changed: '2026-05-01T00:00:00.000Z' };
  const sent = serve({
    'GET /studies': [item, { ...item, id: study.id, name: 'This one' }],
    [`GET /choices/${other}`]: { fits: ['the entries of 3 variables'], notFitting: ['There is no variable ph.'] },
    'POST /changes': changed,
  });
  const closed = vi.fn();
  const { user } = show(<ChoicesDialog study={study} onClose={closed} />);
  await screen.findByRole('option', { name: 'Last year (40 × 3)' });
  expect(screen.queryByRole('option', { name: /This one/ })).toBeNull();
  await user.selectOptions(screen.getByRole('combobox'), other);
  expect((await screen.findByRole('list', { name: 'Does not fit' })).textContent).toBe('There is no variable ph.');
  await user.click(screen.getByRole('button', { name: 'Take over what fits' }));
  await waitFor(() => expect(closed).toHaveBeenCalled());
  expect(sent.find(({ what }) => what === 'POST /changes')?.body).toMatchObject({ change: { type: 'take-over', from: other } });
});
