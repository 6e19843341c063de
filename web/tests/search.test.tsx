import { type Study, studySchema } from '@ivlen/contract';
import { screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { ThemeProvider } from '../src/controls/theme';
import { findItems } from '../src/frame/search/find-items';
import { helpItems } from '../src/frame/search/help-items';
import { SearchButton } from '../src/frame/search/search-button';
import { TopBar } from '../src/frame/top-bar';
import { STAGES } from '../src/stages';
import { serve, show } from './served';
import { testStudy } from './test-study';

const plain = testStudy();
const study: Study = studySchema.parse({
  ...plain,
  state: {
    ...plain.state,
    questions: [{ id: 'q1', text: 'Does fertiliser go with the mayflies?', hypotheses: [] }],
  },
});
const names = (typed: string, of = study) => findItems(of, STAGES, typed).map(({ group, name }) => `${group}: ${name}`);

describe('what is found', () => {
  it('is a variable, its pairs, and a question by a part of a name', () => {
    expect(names('mayfl')).toEqual([
      'Variables: mayfly taxa',
      'Pairs: nitrate × mayfly taxa',
      'Pairs: phosphate × mayfly taxa',
      'Questions: Does fertiliser go with the mayflies?',
    ]);
  });

  it('is one pair by parts of both names, in any order', () => {
    for (const typed of ['nitr mayf', 'mayf × nitr', 'NITRATE taxa']) expect(names(typed)).toEqual(['Pairs: nitrate × mayfly taxa']);
    expect(findItems(study, STAGES, 'nitr mayf')[0]?.to).toBe('correlations?pair=v1~v3');
  });

  it('is a stage, its parts, and help', () => {
    expect(names('codebook')).toContain('Stages: Data: Codebook');
    expect(names('shape')[0]).toBe('Stages: Shape');
    const help = (typed: string) => helpItems(typed, (page, anchor) => `/help/${page}${anchor ? `#${anchor}` : ''}`);
    expect(help('footnote marks').map(({ name, to }) => [name, to])).toEqual([
      ['Bringing a table in: Numbers written as text', '/help/bringing-in#numbers-written-as-text'],
    ]);
    expect(help('cautions')[0]).toMatchObject({ group: 'Help', to: '/help/cautions' });
  });

  it('begins with what begins so, and nothing fits nonsense', () => {
    expect(names('t')[0]).toBe('Variables: nitrate');
    expect(names('ph').slice(0, 1)).toEqual(['Variables: phosphate']);
    expect(names('xyzzy')).toEqual([]);
  });

  it('of a wide study is no more than can be looked over', () => {
    const wide = studySchema.parse({
      ...study,
      state: {
        ...study.state,
        variables: Array.from({ length: 200 }, (_, i) => ({ ...plain.state.variables[0], id: `w${i}`, name: `depth ${i}` })),
      },
    });
    const found = findItems(wide, STAGES, 'depth');
    expect(found.filter(({ group }) => group === 'Pairs')).toHaveLength(8);
    expect(found.filter(({ group }) => group === 'Variables')).toHaveLength(8);
  });
});

describe('the search of the bar', () => {
  beforeEach(() => {
    vi.stubGlobal(
      'ResizeObserver',
      class {
        observe(): void {}
        unobserve(): void {}
        disconnect(): void {}
      },
    );
    Element.prototype.scrollIntoView = () => {};
  });

  it('opens by Ctrl K, is gone through by arrows, and goes where Enter says', async () => {
    const { user, router } = show(<SearchButton study={study} />);
    await user.keyboard('{Control>}k{/Control}');
    const field = await screen.findByRole('combobox');
    await user.type(field, 'mayfl');
    expect(
      screen
        .getAllByRole('option')
        .slice(0, 4)
        .map(({ textContent }) => textContent)[3],
    ).toContain('Does fertiliser go with the mayflies?');
    await user.keyboard('{ArrowDown}{Enter}');
    expect(router.state.location.pathname + router.state.location.search).toMatch(/correlations\?pair=v1~v3$/);
    expect(screen.queryByRole('combobox')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Search' }));
    await user.type(await screen.findByRole('combobox'), 'xyzzy');
    expect(screen.getByText('Nothing in this study or in help is called “xyzzy”.')).toBeTruthy();
    await user.keyboard('{Escape}');
    expect(screen.queryByRole('combobox')).toBeNull();
  });
});

it('the bar counts what wants attention, each count a link to the list of it, and has help', async () => {
  const figures = [
    'mean',
    'sd',
    'se',
    'variance',
    'median',
    'min',
    'max',
    'range',
    'q1',
    'q3',
    'skewnessSe',
    'excessKurtosis',
    'excessKurtosisSe',
  ];
  const described = (id: string, skewness: number) => ({
    id,
    n: 40,
    missing: 0,
    skewness,
    bins: [],
    ...Object.fromEntries(figures.map((name) => [name, 0.5])),
    max: 9,
  });
  serve({
    'GET /settings/working-set': { version: 1, settings: { variables: ['v1', 'v2', 'v3'] } },
    'GET /settings/shape': { version: 0, settings: null },
    'GET /trail': { head: 1, decisions: [] },
    'POST /analyses': ({ analysis }: { analysis: { kind: string } }) =>
      analysis.kind === 'suspicious'
        ? { kind: 'suspicious', suspicions: [], more: 6 }
        : {
            kind: 'describe',
            variables: ['v1', 'v2', 'v3'].map((id, i) => described(id, i === 0 ? 3.1 : 0.2)),
          },
  });
  show(
    <ThemeProvider>
      <TopBar study={study} />
    </ThemeProvider>,
  );
  const stages = await screen.findByRole('navigation', { name: 'Stages' });
  const data = await within(stages).findByRole('link', { name: 'Data: 6 to check' });
  expect([data.textContent, data.getAttribute('href')]).toEqual(['6', expect.stringMatching(/data\?view=check$/)]);
  const shape = await within(stages).findByRole('link', { name: 'Shape: 1 marked by its shape' });
  expect(shape.getAttribute('href')).toMatch(/shape\?only=marked$/);
  expect(screen.getByRole('link', { name: 'Help' }).getAttribute('href')).toBe('/help?from=%2Fstudies%2Fx%2Fdata');
});
