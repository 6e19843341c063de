import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, type RouteObject, RouterProvider } from 'react-router';
import { ThemeProvider } from '../src/controls/theme';
import { Tooltips } from '../src/controls/tooltip';
import { StageLinks } from '../src/frame/stage-links';
import { STAGES } from '../src/stages';

/** Renders routes with their own patterns, at an address; any other address is an empty page. */
export function showRoutes(routes: RouteObject[], address: string) {
  const router = createMemoryRouter([...routes, { path: '*', element: <p>elsewhere</p> }], { initialEntries: [address] });
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <ThemeProvider>
        <Tooltips>
          <StageLinks value={STAGES}>
            <RouterProvider router={router} />
          </StageLinks>
        </Tooltips>
      </ThemeProvider>
    </QueryClientProvider>,
  );
  return { user: userEvent.setup(), router };
}
