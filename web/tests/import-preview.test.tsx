import type { ImportPreview, ImportProblem } from '@ivlen/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { ColumnHeader } from '../src/new-study/column-header';
import { ImportPreviewScreen } from '../src/new-study/import-preview-screen';
import { ProblemList } from '../src/new-study/problem-list';
import { ReadingSettings } from '../src/new-study/reading-settings';

const settings = {
  encoding: 'utf-8' as const,
  format: 'text' as const,
  sheet: null,
  unitsRow: false,
  top: 0,
  nameRows: 1,
  foot: 0,
  between: false,
  separator: ',' as const,
  quotes: true,
  decimal: '.' as const,
  thousands: 'none' as const,
  header: true,
  missingCodes: ['NA'],
  columns: {},
};

const column = {
  name: 'turbidity',
  kind: 'continuous' as const,
  storage: 'number' as const,
  kinds: ['continuous' as const, 'discrete' as const, 'nominal' as const],
  leftOut: false,
  present: 8,
  missing: 2,
  distinct: 7,
  unit: null,
  note: null,
};

function inTable(header: React.ReactNode) {
  render(
    <table>
      <thead>
        <tr>{header}</tr>
      </thead>
    </table>,
  );
}

it('corrects the name and the kind of a column, and leaves it out', async () => {
  const onCorrect = vi.fn();
  const user = userEvent.setup();
  inTable(<ColumnHeader column={column} index={3} onCorrect={onCorrect} />);
  const name = screen.getByRole('textbox', { name: 'Name of column 4' });
  await user.clear(name);
  await user.type(name, ' cloudiness {Enter}');
  expect(onCorrect).toHaveBeenLastCalledWith({ columns: { 3: { name: 'cloudiness' } } });
  await user.selectOptions(screen.getByRole('combobox'), 'nominal');
  expect(onCorrect).toHaveBeenLastCalledWith({ columns: { 3: { kind: 'nominal', leaveOut: false } } });
  await user.selectOptions(screen.getByRole('combobox'), 'leave out');
  expect(onCorrect).toHaveBeenLastCalledWith({ columns: { 3: { leaveOut: true } } });
  expect(screen.getByRole('columnheader').textContent).toContain('2 missing');
});

it('does not take an empty name', async () => {
  const onCorrect = vi.fn();
  const user = userEvent.setup();
  inTable(<ColumnHeader column={column} index={0} onCorrect={onCorrect} />);
  await user.clear(screen.getByRole('textbox'));
  await user.tab();
  expect(onCorrect).not.toHaveBeenCalled();
  expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('turbidity');
});

it('lists problems with their mends, the rest on demand', async () => {
  const onMend = vi.fn();
  const user = userEvent.setup();
  const problems = Array.from(
    { length: 7 },
    (_, i): ImportProblem => ({
      severity: i === 0 ? 'stops' : i === 6 ? 'note' : 'check',
      code: `c${i}`,
      message: `Problem ${i}.`,
      hint: 'Mend it.',
      mends: i === 1 ? [{ label: 'Read it otherwise', patch: { decimal: ',' } }] : [],
    }),
  );
  render(<ProblemList problems={problems} busy={false} onMend={onMend} />);
  expect(screen.getByRole('heading').textContent).toBe('6 things to check');
  expect(screen.getAllByRole('listitem')).toHaveLength(5);
  expect(screen.getByRole('img', { name: 'Stops the import' })).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Read it otherwise' }));
  expect(onMend).toHaveBeenCalledWith({ decimal: ',' });
  await user.click(screen.getByRole('button', { name: 'Show 2 more' }));
  expect(screen.getAllByRole('listitem')).toHaveLength(7);
});

it('changes how the text is read', async () => {
  const onCorrect = vi.fn();
  const user = userEvent.setup();
  render(<ReadingSettings settings={settings} sheets={[]} busy={false} onCorrect={onCorrect} />);
  await user.selectOptions(screen.getByRole('combobox', { name: 'Between cells' }), 'semicolon');
  expect(onCorrect).toHaveBeenLastCalledWith({ separator: ';' });
  await user.selectOptions(screen.getByRole('combobox', { name: 'Decimal mark' }), ',');
  expect(onCorrect).toHaveBeenLastCalledWith({ decimal: ',' });
  await user.click(screen.getByRole('checkbox', { name: 'The first row holds names' }));
  expect(onCorrect).toHaveBeenLastCalledWith({ header: false });
  await user.click(screen.getByRole('button', { name: 'No longer read NA as missing' }));
  expect(onCorrect).toHaveBeenLastCalledWith({ missingCodes: [] });
  await user.type(screen.getByRole('textbox', { name: 'Another code for missing' }), '-99{Enter}');
  expect(onCorrect).toHaveBeenLastCalledWith({ missingCodes: ['NA', '-99'] });
});

const preview: ImportPreview = {
  id: '7b1f0c4e-8f0e-4d7e-9a55-0d8c0e7e3a11',
  fileName: 'brook_survey.csv',
  bytes: 120,
  settings,
  sheets: [],
  rows: 8,
  columns: [column, { ...column, name: 'nitrate' }, { ...column, name: 'site', kind: 'identifier' }, { ...column, name: 'taxa' }],
  head: [['1', '2', 'A', '3']],
  problems: [],
};

function showScreen(of: ImportPreview) {
  render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <ImportPreviewScreen preview={of} destination={null} />
      </QueryClientProvider>
    </MemoryRouter>,
  );
  return userEvent.setup();
}
afterEach(() => vi.unstubAllGlobals());

it('proposes the name of the file; of pasted cells the names of their columns', () => {
  showScreen(preview);
  expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the study' }).value).toBe('brook survey');
  showScreen({ ...preview, fileName: 'Pasted cells' });
  const [, second] = screen.getAllByRole<HTMLInputElement>('textbox', { name: 'Name of the study' });
  expect(second?.value).toBe('turbidity, nitrate and 1 more');
});

it('a click on Create study right after typing a name is kept until the name is read', async () => {
  const sent: string[] = [];
  let answer = () => {};
  const answered = new Promise<void>((resolve) => {
    answer = resolve;
  });
  vi.stubGlobal('fetch', async (path: string, { method = 'GET' }: RequestInit = {}) => {
    sent.push(`${method} ${path}`);
    if (method === 'PATCH') {
      await answered;
      return new Response(JSON.stringify(preview));
    }
    return new Response(JSON.stringify({ error: { code: 'x', message: 'Enough for this test.' } }), { status: 400 });
  });
  const user = showScreen(preview);
  const name = screen.getByRole('textbox', { name: 'Name of column 1' });
  await user.clear(name);
  await user.type(name, 'cloudiness');
  await user.click(screen.getByRole('button', { name: 'Create study' }));
  expect(sent).toEqual([`PATCH /api/imports/${preview.id}`]);
  answer();
  await waitFor(() => expect(sent).toEqual([`PATCH /api/imports/${preview.id}`, 'POST /api/studies']));
});
