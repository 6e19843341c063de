import type { Trail } from '@ivlen/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Tooltips } from '../src/controls/tooltip';
import { StudyEntry } from '../src/stages/data/codebook/study-entry';
import { HistoryButtons } from '../src/trail/history-buttons';
import { testStudy } from './test-study';

const study = { ...testStudy(), head: 2 };
const trail: Trail = {
  decisions: [
    { number: 2, kind: 'codebook', summary: 'nitrate: unit mg/L', reason: null, created: '2026-05-02T09:30:00.000Z', earlier: false },
    {
      number: 1,
      kind: 'created',
      summary: 'Brought in from “brook.csv”',
      reason: 'first look',
      created: '2026-05-01T09:30:00.000Z',
      earlier: false,
    },
  ],
  undo: 'nitrate: unit mg/L',
  redo: null,
};

/** Requests that were sent, as "METHOD path" with their bodies. */
let sent: { what: string; body: unknown }[] = [];
beforeEach(() => {
  sent = [];
  vi.stubGlobal('fetch', async (path: string, init: RequestInit = {}) => {
    sent.push({ what: `${init.method} ${path.replace(/.*\/studies\/[^/]+/, '')}`, body: init.body ? JSON.parse(String(init.body)) : null });
    const isTrail = path.endsWith('/trail') || init.method === 'PATCH';
    return new Response(JSON.stringify(isTrail ? trail : study));
  });
});
afterEach(() => vi.unstubAllGlobals());

const changes = () => sent.filter(({ what }) => !what.startsWith('GET'));

function show(content: React.ReactNode) {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <Tooltips>{content}</Tooltips>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return userEvent.setup();
}

describe('undo and redo', () => {
  it('name what they would do, and do nothing where there is nothing', async () => {
    const user = show(<HistoryButtons study={study} />);
    await user.click(await screen.findByRole('button', { name: 'Undo: nitrate: unit mg/L' }));
    await waitFor(() => expect(changes()).toEqual([{ what: 'POST /undo', body: { expectedHead: 2 } }]));
    const redo = screen.getByRole('button', { name: 'Nothing to redo' });
    expect(redo.getAttribute('aria-disabled')).toBe('true');
    await user.click(redo);
    expect(changes()).toHaveLength(1);
  });

  it('answer to the keyboard, but leave a field’s own undo alone', async () => {
    const user = show(
      <>
        <HistoryButtons study={study} />
        <input aria-label="A field" />
      </>,
    );
    await screen.findByRole('button', { name: 'Undo: nitrate: unit mg/L' });
    await user.click(screen.getByLabelText('A field'));
    await user.keyboard('{Control>}z{/Control}');
    expect(changes()).toEqual([]);
    await user.click(document.body);
    await user.keyboard('{Control>}{Shift>}z{/Shift}{/Control}');
    expect(changes()).toEqual([]);
    await user.keyboard('{Control>}z{/Control}');
    await waitFor(() => expect(changes().map(({ what }) => what)).toEqual(['POST /undo']));
  });
});

describe('the trail', () => {
  it('lists decisions with reasons, the last one to be taken back, reasons to be written', async () => {
    const user = show(<HistoryButtons study={study} />);
    await screen.findByRole('button', { name: 'Undo: nitrate: unit mg/L' });
    await user.click(screen.getByRole('button', { name: /^Trail/ }));
    const [last, first] = screen.getAllByRole('listitem');
    expect(last?.textContent).toContain('nitrate: unit mg/L');
    expect(last?.textContent).toContain('revision 2');
    expect(first?.textContent).toContain('first look');
    expect(screen.getAllByRole('button', { name: 'Take back' })).toHaveLength(1);
    await user.click(screen.getByRole('button', { name: 'Add a reason' }));
    await user.type(screen.getByRole('textbox', { name: 'Reason' }), 'label on the bottle');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(changes()).toEqual([{ what: 'PATCH /revisions/2', body: { reason: 'label on the bottle' } }]));
    await waitFor(() => expect(screen.queryByRole('textbox', { name: 'Reason' })).toBeNull());
  });
});

describe('the study’s own entry', () => {
  it('is saved as one decision, and not at all where nothing was written', async () => {
    const user = show(<StudyEntry study={study} />);
    await user.click(screen.getByRole('button', { name: 'Edit the study’s entry' }));
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(changes()).toEqual([]);
    await user.click(screen.getByRole('button', { name: 'Edit the study’s entry' }));
    await user.type(screen.getByLabelText('Source'), ' river board ');
    await user.selectOptions(screen.getByRole('combobox', { name: 'The rows' }), 'were drawn at random');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    const patch = { rowMeaning: null, rowsChosen: 'at-random', source: 'river board', citation: null, exclusions: null };
    await waitFor(() =>
      expect(changes()).toEqual([{ what: 'POST /changes', body: { expectedHead: 2, change: { type: 'edit-study', patch } } }]),
    );
  });
});
