import { type Study, type SummaryResult, variableSchema } from '@ivlen/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { Tooltips } from '../src/controls/tooltip';
import { VariablesPanel } from '../src/frame/variables-panel';
import { testStudy } from './test-study';

const base = testStudy();
const [sample] = base.state.variables;
const extra = (id: string, name: string, kind: string, storage = 'number') => variableSchema.parse({ ...sample, id, name, kind, storage });
const study: Study = {
  ...base,
  state: {
    ...base.state,
    variables: [
      ...base.state.variables,
      extra('v4', 'stream_order', 'ordinal'),
      extra('v5', 'catchment', 'nominal', 'code'),
      extra('v6', 'station', 'identifier', 'code'),
    ],
  },
};
const summary: SummaryResult = {
  kind: 'summary',
  variables: study.state.variables.map(({ id }) => ({ id, n: 40, missing: id === 'v2' ? 2 : 0, distinct: 4, bins: [1, 3, 2] })),
};

let saved: string[][] = [];
beforeEach(() => {
  localStorage.clear();
  saved = [];
  vi.stubGlobal('fetch', async (path: string, init: RequestInit = {}) => {
    const body = init.body ? JSON.parse(String(init.body)) : null;
    if (path.endsWith('/analyses')) return new Response(JSON.stringify(summary));
    if (init.method === 'PUT') saved.push(body.settings.variables);
    return new Response(JSON.stringify({ version: saved.length, settings: saved.at(-1) ? { variables: saved.at(-1) } : null }));
  });
});
afterEach(() => vi.unstubAllGlobals());

async function show(address = '/studies/x/correlations') {
  render(
    <MemoryRouter initialEntries={[address]}>
      <QueryClientProvider client={new QueryClient()}>
        <Tooltips>
          <VariablesPanel study={study} />
        </Tooltips>
      </QueryClientProvider>
    </MemoryRouter>,
  );
  await waitFor(() => expect(screen.getByTestId('ticked-count').textContent).toBe('3 of 4'));
  return userEvent.setup();
}
const box = (name: string) => screen.getByRole<HTMLInputElement>('checkbox', { name });

it('ticks quantities, lists what is refused with the reason, and says how many rows are in use', async () => {
  await show();
  expect(['nitrate', 'phosphate', 'mayfly taxa', 'stream order'].map((name) => box(name).checked)).toEqual([true, true, true, false]);
  const refused = within(screen.getByRole('list', { name: 'Variables that are not correlated' }));
  expect(refused.getByRole('button', { name: /^catchment: Categories have no order/ })).toBeTruthy();
  expect(refused.getByRole('button', { name: /^station: An identifier only names the rows/ })).toBeTruthy();
  await waitFor(() => expect(refused.getByText('4 categories')).toBeTruthy());
  expect(screen.getByText('rows, all in use', { exact: false }).textContent).toBe('40 rows, all in use');
});

it('unticks and ticks one by one, at once, and saves in the order of the codebook', async () => {
  const user = await show();
  await user.click(box('phosphate'));
  expect(box('phosphate').checked).toBe(false);
  await user.click(box('stream order'));
  await waitFor(() =>
    expect(saved).toEqual([
      ['v1', 'v3'],
      ['v1', 'v3', 'v4'],
    ]),
  );
  expect(screen.getByTestId('ticked-count').textContent).toBe('3 of 4');
});

it('ticks a range with Shift, everything or nothing at a stroke', async () => {
  const user = await show();
  await user.click(screen.getByRole('button', { name: 'None' }));
  expect(screen.getByTestId('ticked-count').textContent).toBe('0 of 4');
  await user.click(box('nitrate'));
  await user.keyboard('{Shift>}');
  await user.click(box('stream order'));
  await user.keyboard('{/Shift}');
  expect(screen.getByTestId('ticked-count').textContent).toBe('4 of 4');
  await user.click(screen.getByRole('button', { name: 'All quantities' }));
  expect(screen.getByTestId('ticked-count').textContent).toBe('3 of 4');
});

it('finds variables by what people read, and says when there are none', async () => {
  const user = await show();
  const search = screen.getByRole('searchbox', { name: 'Find a variable' });
  await user.type(search, 'mayfly t');
  expect(screen.getAllByRole('checkbox')).toHaveLength(1);
  await user.type(search, 'xyz');
  expect(screen.getByText('No variable is called “mayfly txyz”.')).toBeTruthy();
  await user.keyboard('{Escape}');
  expect(screen.getAllByRole('checkbox')).toHaveLength(4);
});

it('folds away and stays so until it is unfolded', async () => {
  const user = await show();
  await user.click(screen.getByRole('button', { name: 'Fold the variables away' }));
  expect(screen.queryAllByRole('checkbox')).toHaveLength(0);
  expect(screen.getByText('Variables · 3 of 4')).toBeTruthy();
  expect(localStorage.getItem('ivlen.panel.folded')).toBe('true');
  await user.click(screen.getByRole('button', { name: 'Unfold the variables' }));
  expect(screen.getAllByRole('checkbox')).toHaveLength(4);
});

it('takes no tick before it knows what is ticked', async () => {
  let answer = () => {};
  const answered = new Promise<void>((resolve) => {
    answer = resolve;
  });
  const quick = globalThis.fetch;
  vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
    if (path.includes('/settings/working-set')) await answered;
    return quick(path, init);
  });
  const shown = show();
  const early = await screen.findByRole<HTMLInputElement>('checkbox', { name: 'stream order' });
  expect(early.disabled).toBe(true);
  await userEvent.setup().click(early);
  expect(saved).toEqual([]);
  answer();
  await shown;
  expect(box('stream order').disabled).toBe(false);
});
