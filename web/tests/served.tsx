import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { Toaster } from 'sonner';
import { vi } from 'vitest';
import { ThemeProvider } from '../src/controls/theme';
import { Tooltips } from '../src/controls/tooltip';
import { StageLinks } from '../src/frame/stage-links';
import { STAGES, TELLING } from '../src/stages';
import { TellingOfStages } from '../src/telling/telling-stages';

type Answer = object | ((body: never) => object);

/** A request that was sent: "POST /changes", without the study's address, and its body. */
export interface Sent {
  readonly what: string;
  readonly body: unknown;
}

/**
 * Answers requests by "METHOD path" (the study's and revision's address left off), columns of numbers as bytes; others fail the
 * test that made them.
 */
export function serve(answers: Readonly<Record<string, Answer>>): Sent[] {
  const sent: Sent[] = [];
  vi.stubGlobal('fetch', async (path: string, init: RequestInit = {}) => {
    const what = `${init.method ?? 'GET'} ${path.replace(/^\/api/, '').replace(/^\/studies\/[^/]+(\/revisions\/\d+)?/, '') || '/'}`;
    const body = init.body ? JSON.parse(String(init.body)) : null;
    sent.push({ what, body });
    const answer = answers[what] ?? answers[what.replace(/\?.*/, '')];
    if (!answer) return new Response(JSON.stringify({ error: { code: 'not-served', message: `no answer for ${what}` } }), { status: 404 });
    if (answer instanceof Float64Array) return new Response(answer.slice().buffer);
    return new Response(JSON.stringify(typeof answer === 'function' ? answer(body as never) : answer));
  });
  return sent;
}

/** Renders inside everything that the pages stand in; `path` is where the page is. */
export function show(content: React.ReactNode, path = '/studies/x/data') {
  const router = createMemoryRouter([{ path: '*', element: content }], { initialEntries: [path] });
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <ThemeProvider>
        <Tooltips>
          <StageLinks value={STAGES}>
            <TellingOfStages value={TELLING}>
              <RouterProvider router={router} />
            </TellingOfStages>
          </StageLinks>
          <Toaster />
        </Tooltips>
      </ThemeProvider>
    </QueryClientProvider>,
  );
  return { user: userEvent.setup(), router };
}
