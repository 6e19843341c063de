import { studySchema } from '@ivlen/contract';
import { screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { HelpPage } from '../src/help/help-page';
import { addressInDemo } from '../src/help-texts/address-in-demo';
import { serve } from './served';
import { showRoutes } from './show-routes';
import { testStudy } from './test-study';

const study = studySchema.parse({ ...testStudy(), name: 'Aldermere streams' });
const [first, second] = study.state.variables;
const listed = { id: study.id, name: study.name, rows: study.rows, variables: 3, head: study.head, changed: study.changed };
const open = (address: string) => showRoutes([{ path: '/help/:topic?', element: <HelpPage /> }], address);

beforeEach(() => {
  vi.stubGlobal('scrollTo', () => {});
  Element.prototype.scrollIntoView = () => {};
});

describe('a page of help', () => {
  it('stands beside the list of all pages', () => {
    open('/help/normality');
    expect(screen.getByRole('heading', { level: 1, name: 'Normality' })).toBeTruthy();
    const list = screen.getByRole('navigation', { name: 'Pages of help' });
    expect(within(list).getAllByRole('link')).toHaveLength(20);
    expect(within(list).getByRole('link', { name: 'Normality' }).getAttribute('aria-current')).toBe('page');
    expect(document.title).toBe('Normality · Ivlen');
    expect(screen.getByRole('img', { name: /^Turbidity of the demo/ })).toBeTruthy();
  });

  it('has tables with a head where they have one', () => {
    open('/help/bringing-in');
    const tables = screen.getAllByRole('table');
    expect(tables).toHaveLength(6);
    expect(tables.map((table) => within(table).queryAllByRole('columnheader').length)).toEqual([0, 0, 0, 0, 0, 3]);
  });

  it('leads back to where it was asked for, and nowhere else', () => {
    open('/help/glossary?from=%2Fstudies%2Fs1%2Fcorrelations%3Fpair%3Da~b');
    expect(screen.getByRole('link', { name: 'Back to the study' }).getAttribute('href')).toBe('/studies/s1/correlations?pair=a~b');
    const list = screen.getByRole('navigation', { name: 'Pages of help' });
    expect(within(list).getByRole('link', { name: 'Shape' }).getAttribute('href')).toBe(
      '/help/shape?from=%2Fstudies%2Fs1%2Fcorrelations%3Fpair%3Da%7Eb',
    );
  });

  it.each(['https://elsewhere.example/studies/x/y', '//elsewhere.example/studies/a/b', '/help', '/studies/../../x'])(
    'does not lead back to %s',
    (from) => {
      open(`/help/glossary?from=${encodeURIComponent(from)}`);
      expect(screen.queryByRole('link', { name: 'Back to the study' })).toBeNull();
    },
  );

  it('that is not there says so, and names those that are', () => {
    open('/help/regressions');
    expect(screen.getByText(/There is no page of help called “regressions”/)).toBeTruthy();
  });

  it('is searched as one types', async () => {
    const { user } = open('/help');
    await user.type(screen.getByRole('searchbox', { name: 'Search help' }), 'kurtosis');
    expect((await screen.findByRole('status')).textContent).toMatch(/^\d+ places hold “kurtosis”\.$/);
    expect(screen.getByRole('link', { name: 'Glossary: excess kurtosis' }).getAttribute('href')).toBe('/help/glossary#excess-kurtosis');
    await user.clear(screen.getByRole('searchbox', { name: 'Search help' }));
    await user.type(screen.getByRole('searchbox', { name: 'Search help' }), 'quaternion');
    expect((await screen.findByRole('status')).textContent).toContain('Nothing holds “quaternion”.');
  });
});

describe('a place of the demo', () => {
  it('is found by the names of its variables', () => {
    expect(addressInDemo(study, `correlations?pair=${first?.name}~${second?.name}`)).toBe(
      `/studies/${study.id}/correlations?${new URLSearchParams({ pair: `${first?.id}~${second?.id}` })}`,
    );
    expect(addressInDemo(study, 'shape')).toBe(`/studies/${study.id}/shape`);
    expect(addressInDemo(study, 'correlations?pair=nitrate~salt')).toBeNull();
  });

  it('is gone to from a page', async () => {
    serve({ 'GET /studies': [listed], 'GET /': study });
    const { user, router } = open('/help/normality');
    const link = screen.getByRole('link', { name: 'Open the shapes of the demo' });
    await waitFor(() => expect(link.getAttribute('href')).toBe(`/studies/${study.id}/shape`));
    await user.click(link);
    expect(router.state.location.pathname).toBe(`/studies/${study.id}/shape`);
  });

  it('is gone to also where it was pressed before the demo was found', async () => {
    let answer: (response: Response) => void = () => {};
    vi.stubGlobal('fetch', (path: string) =>
      path.endsWith('/studies')
        ? new Promise<Response>((resolve) => {
            answer = resolve;
          })
        : Promise.resolve(new Response(JSON.stringify(study))),
    );
    const { user, router } = open('/help/normality');
    await user.click(screen.getByRole('link', { name: 'Open the shapes of the demo' }));
    expect(router.state.location.pathname).toBe('/help/normality');
    answer(new Response(JSON.stringify([listed])));
    await waitFor(() => expect(router.state.location.pathname).toBe(`/studies/${study.id}/shape`));
  });

  it('that is not there any more is said, with the way to have it again', async () => {
    serve({ 'GET /studies': [] });
    open('/help/normality');
    expect(await screen.findAllByText(/there is no study called “Aldermere streams” any more/)).not.toHaveLength(0);
    expect(screen.queryByRole('link', { name: 'Open the shapes of the demo' })).toBeNull();
  });
});
