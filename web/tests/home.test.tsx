import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { HomePage } from '../src/home/home-page';
import { bytesInWords, deletedInWords } from '../src/home/space-words';
import { serve, show } from './served';
import { testResult, testStudy } from './test-study';

const study = testStudy();
const listed = { id: study.id, name: study.name, rows: 12_400, variables: 3, head: 1, changed: '2026-05-01T09:00:00.000Z' };

function served(studies: object[], more: Parameters<typeof serve>[0] = {}) {
  return serve({
    'GET /studies': studies,
    'GET /space': { studies: studies.length, bytes: 2_400_000, deleted: null },
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

  it('tells what all studies take, and removes the deleted ones for good only after asking', async () => {
    let emptied = 0;
    served([listed], {
      'GET /space': () => ({
        studies: 1,
        bytes: 50_331_648,
        deleted:
          emptied > 0
            ? null
            : { studies: 2, bytes: 12_582_912, firstGoes: '2026-12-03T12:00:00.000Z', lastGoes: '2026-12-09T12:00:00.000Z' },
      }),
      'DELETE /deleted-studies': () => {
        emptied++;
        return { studies: 2, bytes: 12_500_000 };
      },
    });
    show(<HomePage />, '/');
    const words = '2 deleted ones, 12 MB, kept until 3 December (the first) to 9 December (the last)';
    const line = (await screen.findByRole('button', { name: 'Empty now …' })).parentElement as HTMLElement;
    expect(line.textContent).toBe(`1 study, 48 MB·${words}Empty now …`);
    fireEvent.click(screen.getByRole('button', { name: 'Empty now …' }));
    const dialog = await screen.findByRole('dialog', { name: 'Remove the deleted studies for good?' });
    expect(dialog.textContent).toContain(words);
    fireEvent.click(within(dialog).getByRole('button', { name: 'Keep them' }));
    expect(emptied).toBe(0);
    fireEvent.click(screen.getByRole('button', { name: 'Empty now …' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Remove for good' }));
    await waitFor(() => expect(screen.queryByText(/deleted ones/)).toBeNull());
    expect(emptied).toBe(1);
    expect(screen.getByText('1 study, 48 MB')).toBeTruthy();
  });
});

describe('bytes in words', () => {
  it.each([
    [0, '0 bytes'],
    [1023, '1023 bytes'],
    [1024, '1 kB'],
    [1_500_000, '1.4 MB'],
    [50_331_648, '48 MB'],
    [3_221_225_472, '3,072 MB'],
  ])('%d', (bytes, words) => {
    expect(bytesInWords(bytes)).toBe(words);
  });

  it('names one day where all go together, and one study as one', () => {
    const day = '2026-12-03T12:00:00.000Z';
    expect(deletedInWords({ studies: 1, bytes: 2048, firstGoes: day, lastGoes: day })).toBe('1 deleted one, 2 kB, kept until 3 December');
  });
});
