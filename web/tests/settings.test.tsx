import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, expect, it, vi } from 'vitest';
import { settingsQuery } from '../src/api/queries';
import { useSettings } from '../src/settings/use-settings';

afterEach(() => vi.unstubAllGlobals());

/** A server that answers when it is told to; what is read is what was stored when the question came. */
function slowServer() {
  let stored = { version: 1, settings: { variables: ['v1'] } };
  const waiting: { what: string; answer: () => void }[] = [];
  vi.stubGlobal('fetch', (_: string, init: RequestInit = {}) => {
    const what = init.method ?? 'GET';
    const read = stored;
    return new Promise<Response>((resolve) => {
      const answer = () => {
        if (what === 'GET') return resolve(new Response(JSON.stringify(read)));
        const { settings } = JSON.parse(String(init.body));
        stored = { version: stored.version + 1, settings };
        resolve(new Response(JSON.stringify(stored)));
      };
      waiting.push({ what, answer });
    });
  });
  const answer = async (what: string) => {
    await waitFor(() => expect(waiting.some((item) => item.what === what)).toBe(true));
    await act(async () =>
      waiting
        .splice(
          waiting.findIndex((item) => item.what === what),
          1,
        )[0]
        ?.answer(),
    );
  };
  return { answer };
}

function open() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>;
  const { result } = renderHook(() => useSettings('s', 'working-set', { variables: [] }), { wrapper });
  const askAgain = () => act(async () => void client.invalidateQueries({ queryKey: settingsQuery('s', 'working-set').queryKey }));
  const shown = () => result.current.settings?.variables;
  return { result, askAgain, shown };
}

it('a change that is being saved is not undone by an answer that was read before it', async () => {
  const { answer } = slowServer();
  const { result, askAgain, shown } = open();
  await answer('GET');
  await waitFor(() => expect(shown()).toEqual(['v1']));
  act(() => result.current.change({ variables: ['v1', 'v2'] }));
  await waitFor(() => expect(shown()).toEqual(['v1', 'v2']));
  // Another screen asks for the same settings meanwhile, and its answer comes first.
  await askAgain();
  await answer('GET');
  expect(shown()).toEqual(['v1', 'v2']);
  await answer('PUT');
  expect(shown()).toEqual(['v1', 'v2']);
});

it('nor by one that comes after the save, but was read before it', async () => {
  const { answer } = slowServer();
  const { result, askAgain, shown } = open();
  await answer('GET');
  await waitFor(() => expect(shown()).toEqual(['v1']));
  act(() => result.current.change({ variables: ['v2'] }));
  await waitFor(() => expect(shown()).toEqual(['v2']));
  await askAgain();
  await answer('PUT');
  await answer('GET');
  expect(shown()).toEqual(['v2']);
  // Without a change of one's own, what another window stored is shown.
  await askAgain();
  await answer('GET');
  expect(shown()).toEqual(['v2']);
});
