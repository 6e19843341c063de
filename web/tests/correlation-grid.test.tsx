import { correlationSettingsSchema } from '@ivlen/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import { buildMatrix } from '../src/coefficients/matrix';
import { oncePointerHasLeft } from '../src/controls/hold-still';
import { ThemeProvider } from '../src/controls/theme';
import { CorrelationGrid } from '../src/stages/correlations/correlation-grid';
import { GridLegend } from '../src/stages/correlations/grid-legend';
import { tileSizes } from '../src/stages/correlations/use-tile-sizes';
import { testResult, testStudy } from './test-study';

const study = testStudy();
const settings = correlationSettingsSchema.parse({});

const SKEWED = { marked: new Map([['v1', 'skewed to the right']]), rule: 'skewness 2 or excess kurtosis 7', known: true };

/** The legend has links, and needs a place that they lead from. */
function renderInRouter(content: React.ReactNode): void {
  render(<RouterProvider router={createMemoryRouter([{ path: '*', element: content }])} />);
}

type Cautions = Parameters<typeof buildMatrix>[4];

function show(patch: Partial<typeof settings> = {}, result = testResult(), cautions: Cautions = undefined) {
  const [onOpen, onCompare, onOrder, replace, set] = [vi.fn(), vi.fn(), vi.fn(), vi.fn(), vi.fn()];
  const workingSet = { variables: study.state.variables, has: () => true, replace, set };
  const { variables } = study.state;
  render(
    <ThemeProvider>
      <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { enabled: false } } })}>
        <CorrelationGrid
          study={study}
          workingSet={workingSet}
          matrix={buildMatrix(study, variables, [result], { ...settings, ...patch }, cautions)}
          settings={{ ...settings, ...patch }}
          selected={null}
          onOpen={onOpen}
          onCompare={onCompare}
          onOrder={onOrder}
          marked={SKEWED.marked}
        />
      </QueryClientProvider>
    </ThemeProvider>,
  );
  return { onOpen, onCompare, onOrder, replace, set, user: userEvent.setup() };
}

const matrix = buildMatrix(study, study.state.variables, [testResult()], settings, undefined);

const cell = (i: number, j: number) => screen.getAllByRole('row')[i + 1]?.querySelectorAll('[role="gridcell"]')[j] as HTMLElement;

describe('the grid', () => {
  it('marks on its diagonal what the shape rule marks, in words for those who do not see it', () => {
    show();
    expect(cell(0, 0).getAttribute('aria-label')).toBe('nitrate: distribution of 40 values; skewed to the right');
    expect(cell(0, 0).textContent).toContain('▲');
    expect(cell(1, 1).textContent).not.toContain('▲');
  });

  it('shows coefficients with marks below the diagonal and p-values above it', () => {
    show();
    expect(cell(2, 0).textContent).toBe('−.63***');
    expect(cell(1, 0).textContent).toBe('.15*');
    expect(cell(2, 1).textContent).toBe('–');
    expect(cell(0, 2).textContent).toBe('< .001');
    expect(cell(0, 1).textContent).toBe('.040');
  });

  it.each([
    ['n', '38'],
    // The lower limit over the upper one.
    ['interval', '.01.28'],
    ['nothing', ''],
  ] as const)('shows %s above the diagonal when chosen', (above, text) => {
    show({ above });
    expect(cell(0, 1).textContent).toBe(text);
  });

  it('tells marks by the levels chosen', () => {
    show({ levels: [0.01] });
    expect(cell(2, 0).textContent).toBe('−.63*');
    expect(cell(1, 0).textContent).toBe('.15');
  });

  it('names each cell in full for those who do not see it', () => {
    show();
    expect(cell(2, 0)).toHaveProperty('ariaLabel');
    expect(cell(2, 0).getAttribute('aria-label')).toBe(
      'mayfly taxa and nitrate: r = −.630, p < .001 (1.0 × 10⁻⁹); n = 40, 95 % interval [−.770, −.420]',
    );
    expect(cell(1, 2).getAttribute('aria-label')).toContain('phosphate has the same value in all 38 rows used');
  });

  it('has one cell in the tab order, moved by arrows, opened by Enter', async () => {
    const { onOpen, user } = show();
    await user.tab();
    expect(document.activeElement).toBe(cell(1, 0));
    await user.keyboard('{ArrowDown}');
    expect(document.activeElement).toBe(cell(2, 0));
    expect(document.querySelectorAll('[tabindex="0"]')).toHaveLength(1);
    await user.keyboard('{Enter}');
    expect(onOpen.mock.calls[0]?.map(({ name }) => name)).toEqual(['nitrate', 'mayfly_taxa']);
    await user.keyboard('{End}{ArrowUp}{Home}{Control>}{End}{/Control}');
    expect(document.activeElement).toBe(cell(2, 2));
  });

  it('opens the same pair from either side of the diagonal', async () => {
    const { onOpen, user } = show();
    await user.click(cell(0, 2));
    await user.click(cell(2, 0));
    expect(onOpen.mock.calls.map((pair) => pair.map(({ name }) => name))).toEqual([
      ['nitrate', 'mayfly_taxa'],
      ['nitrate', 'mayfly_taxa'],
    ]);
  });
});

it('the legend says every mark in words, the range of n and what chance would give', () => {
  renderInRouter(
    <GridLegend
      matrix={matrix}
      settings={{ ...settings, alternative: 'greater' }}
      marks={SKEWED}
      pairMethods={{}}
      identifier={undefined}
      cautionsNotSought={null}
    />,
  );
  const words = screen.getByTestId('legend').textContent;
  expect(words).toContain('3 asterisks: p ≤ .001');
  expect(words).toContain('one-sided for a positive correlation');
  expect(words).toContain('n = 38 to 40');
  expect(words).toContain('2 of 2 pairs marked at .05; 0.1 expected');
  expect(words).toContain('1 pair has no coefficient (–)');
  expect(words).toContain('▲ nitrate: beyond skewness 2 or excess kurtosis 7.');
  expect(words).not.toContain('another coefficient');
});

it('the legend names variables with a coefficient of their own, and cautions no rank coefficient for its shape', () => {
  const nitrate = study.state.variables.find(({ name }) => name === 'nitrate')?.id ?? '';
  renderInRouter(
    <GridLegend
      matrix={matrix}
      settings={settings}
      marks={SKEWED}
      pairMethods={{ [nitrate]: 'spearman' }}
      identifier={undefined}
      cautionsNotSought={null}
    />,
  );
  const words = screen.getByTestId('legend').textContent;
  expect(words).toContain('ρ in the tiles of nitrate: another coefficient than r, as decided for it; the trail says why.');
  expect(words).not.toContain('▲ nitrate');
});

it('a tile by another method than the others carries its symbol and is named by it', () => {
  const methods = testResult().methods.map((method, at) => (at === 6 || at === 2 ? ('spearman' as const) : method));
  show({}, { ...testResult(), methods });
  expect(cell(2, 0).textContent).toBe('ρ−.63***');
  expect(cell(2, 0).getAttribute('aria-label')).toContain('ρ = −.630');
  expect(cell(0, 2).getAttribute('aria-label')).toContain('ρ = −.630');
  expect(cell(1, 0).getAttribute('aria-label')).toContain('r = .150');
});

it('the legend says where cautions were not looked for', () => {
  renderInRouter(
    <GridLegend
      matrix={matrix}
      settings={settings}
      marks={SKEWED}
      pairMethods={{}}
      identifier={undefined}
      cautionsNotSought="too-many-values"
    />,
  );
  expect(screen.getByTestId('legend').textContent).toContain('too many values to look all pairs over for cautions');
});

describe('tiles', () => {
  const names = Array.from({ length: 12 }, (_, i) => `variable ${i}`);
  const look = { size: 'comfortable', descriptives: false, under: 'nothing' } as const;
  const laptop = { width: 992, height: 800 };

  it('use the room that there is: a dozen variables on a laptop, and on a large screen larger ones', () => {
    const small = tileSizes(laptop, names, look);
    expect(small.names + 12 * (small.tile + 2)).toBeLessThanOrEqual(992);
    expect(small.height).toBe(39);
    const large = tileSizes({ width: 1632, height: 1080 }, names, look);
    expect(large.tile).toBeGreaterThan(120);
    expect(large.names + 12 * (large.tile + 2)).toBeGreaterThan(0.95 * 1632);
    expect(large.height).toBeGreaterThan(52);
    expect(330 + 12 * (large.height + 2)).toBeLessThanOrEqual(1080);
  });

  it('are never too narrow for what stands in them', () => {
    const narrow = { width: 500, height: 800 };
    expect(tileSizes(narrow, names, look).tile).toBe(52);
    expect(tileSizes(narrow, names, look, 3).tile).toBe(60);
    expect(tileSizes(narrow, names, { ...look, under: 'interval' })).toMatchObject({ tile: 84, height: 46 });
    expect(tileSizes(narrow, names, { ...look, under: 'interval' }, 3).tile).toBe(100);
    expect(tileSizes(narrow, names, { ...look, size: 'compact' })).toMatchObject({ tile: 34, height: 24 });
    expect(tileSizes({ width: 0, height: 0 }, [], look).tile).toBe(52);
  });

  it('have on choice the interval or the number of rows under the coefficient, where there is one', () => {
    show({ under: 'interval' });
    expect(cell(2, 0).textContent).toBe('−.63***[−.77, −.42]');
    cleanup();
    show({ under: 'n' });
    expect(cell(1, 0).textContent).toBe('.15*38');
    expect(cell(2, 1).textContent).not.toContain('38');
  });
});

it('what holds still under the pointer makes room only once the pointer has left', () => {
  const run = vi.fn();
  const element = document.createElement('div');
  const under = vi.spyOn(document, 'querySelector').mockReturnValue(element);
  const forget = oncePointerHasLeft(run);
  expect(run).not.toHaveBeenCalled();
  element.dispatchEvent(new MouseEvent('mouseleave'));
  element.dispatchEvent(new MouseEvent('mouseleave'));
  expect(run).toHaveBeenCalledTimes(1);
  const later = vi.fn();
  oncePointerHasLeft(later)();
  element.dispatchEvent(new MouseEvent('mouseleave'));
  expect(later).not.toHaveBeenCalled();
  under.mockReturnValue(null);
  oncePointerHasLeft(later);
  expect(later).toHaveBeenCalledTimes(1);
  forget();
  under.mockRestore();
});
