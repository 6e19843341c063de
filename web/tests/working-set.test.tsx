import { MOST_TICKED, type Study, variableSchema } from '@ivlen/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { toast } from 'sonner';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useWorkingSet } from '../src/settings/use-working-set';
import { testStudy } from './test-study';

const base = testStudy();
const [sample] = base.state.variables;
const ids = Array.from({ length: MOST_TICKED + 10 }, (_, k) => `v${k}`);
const study: Study = {
  ...base,
  state: { ...base.state, variables: ids.map((id) => variableSchema.parse({ ...sample, id, name: `item ${id}`, kind: 'continuous' })) },
};

let saved: string[][] = [];
beforeEach(() => {
  saved = [];
  vi.stubGlobal('fetch', async (_: string, init: RequestInit = {}) => {
    if (init.method === 'PUT') saved.push(JSON.parse(String(init.body)).settings.variables);
    return new Response(JSON.stringify({ version: saved.length, settings: { variables: saved.at(-1) ?? ids.slice(0, MOST_TICKED - 1) } }));
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

async function open() {
  const client = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>;
  const { result } = renderHook(() => useWorkingSet(study), { wrapper });
  await waitFor(() => expect(result.current?.variables).toHaveLength(MOST_TICKED - 1));
  return result;
}

it('ticks up to 500, and says how many more were not; what was ticked stays', async () => {
  const said = vi.spyOn(toast, 'warning').mockImplementation(() => 0);
  const set = await open();
  // The first of all by the codebook, and two more, where one has room.
  act(() => set.current?.set(['v505', 'v506', 'v507'], true));
  await waitFor(() => expect(saved).toHaveLength(1));
  expect(saved[0]).toEqual([...ids.slice(0, MOST_TICKED - 1), 'v505']);
  expect(said).toHaveBeenLastCalledWith('Up to 500 variables can be ticked: 2 more were not.');
  act(() => set.current?.set(['v508'], true));
  await waitFor(() => expect(saved).toHaveLength(2));
  expect(saved[1]).toEqual(saved[0]);
  expect(said).toHaveBeenLastCalledWith('Up to 500 variables can be ticked: 1 more was not.');
  act(() => set.current?.set(['v0'], false));
  await waitFor(() => expect(saved[2]).toHaveLength(MOST_TICKED - 1));
  expect(said).toHaveBeenCalledTimes(2);
});

it('all of a table at a stroke are as many as can be, in their order, and it is said', async () => {
  const said = vi.spyOn(toast, 'warning').mockImplementation(() => 0);
  const set = await open();
  act(() => set.current?.replace(ids));
  await waitFor(() => expect(saved[0]).toEqual(ids.slice(0, MOST_TICKED)));
  expect(said).toHaveBeenLastCalledWith('Up to 500 variables can be ticked: 10 more were not.');
});
