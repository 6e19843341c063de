import { screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { HomePage } from '../src/home/home-page';
import { serve, show } from './served';
import { testResult, testStudy } from './test-study';

const study = testStudy();
const listed = { id: study.id, name: study.name, rows: 12_400, variables: 3, head: 1, changed: '2026-05-01T09:00:00.000Z' };

function served(studies: object[], more: Parameters<typeof serve>[0] = {}) {
  return serve({
    'GET /studies': studies,
    'GET /': study,
    'GET /settings/working-set': { version: 1, settings: { variables: ['v1', 'v2', 'v3'] } },
    'GET /settings/correlations': { version: 0, settings: null },
    'POST /analyses': testResult(),
    ...more,
  });
}

beforeEach(() => served([listed]));
afterEach(() => vi.unstubAllGlobals());

describe('the first page', () => {
  it('lists each study with its size, its date and the way into it', async () => {
    show(<HomePage />, '/');
    const link = await screen.findByRole('link', { name: 'Three quantities' });
    expect(link.getAttribute('href')).toBe(`/studies/${study.id}/correlations`);
    const card = link.closest('li') as HTMLElement;
    expect(card.textContent).toContain('12,400 rows × 3 variables');
    expect(card.textContent).toContain('changed 1 May 2026');
    expect(screen.queryByText(/There is no study yet/)).toBeNull();
  });

  it('counts one row and one variable as one', async () => {
    served([{ ...listed, rows: 1, variables: 1 }]);
    show(<HomePage />, '/');
    await screen.findByText('1 row × 1 variable');
  });

  it('draws the lower half of the matrix small, and nothing where there is no coefficient', async () => {
    show(<HomePage />, '/');
    await waitFor(() => expect(document.querySelectorAll('li svg[width="72"] rect').length).toBeGreaterThan(0));
    const squares = [...document.querySelectorAll('li svg[width="72"] rect')].map((rect) => [
      rect.getAttribute('x'),
      rect.getAttribute('y'),
    ]);
    // Three on the diagonal, and two of the three pairs: of the third nothing can be computed.
    expect(squares).toEqual([
      ['0', '0'],
      ['0', '24'],
      ['24', '24'],
      ['0', '48'],
      ['48', '48'],
    ]);
  });

  it('says so where there is no study, and how one comes about', async () => {
    served([]);
    show(<HomePage />, '/');
    await screen.findByText('There is no study yet. Bring a table in above.');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Choose a file' }).disabled).toBe(false);
  });

  it('tells what failed where the list cannot be read', async () => {
    serve({});
    show(<HomePage />, '/');
    await screen.findByText(/no answer for GET/);
  });

  it('renames from the menu of a card', async () => {
    const sent = served([listed], { 'PATCH /': { ...study, name: 'Brooks' } });
    const { user } = show(<HomePage />, '/');
    await user.click(await screen.findByRole('button', { name: 'Menu of Three quantities' }));
    await user.click(await screen.findByRole('menuitem', { name: 'Rename …' }));
    const dialog = await screen.findByRole('dialog');
    const name = within(dialog).getByRole<HTMLInputElement>('textbox');
    expect(name.value).toBe('Three quantities');
    await user.clear(name);
    await user.type(name, 'Brooks{Enter}');
    await waitFor(() => expect(sent.find(({ what }) => what === 'PATCH /')?.body).toEqual({ name: 'Brooks' }));
  });
});
