import type { ImportProblem } from '@ivlen/contract';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import { ColumnHeader } from '../src/new-study/column-header';
import { ProblemList } from '../src/new-study/problem-list';
import { ReadingSettings } from '../src/new-study/reading-settings';

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
  const settings = {
    encoding: 'utf-8' as const,
    format: 'text' as const,
    sheet: null,
    unitsRow: false,
    top: 0,
    nameRows: 1,
    foot: 0,
    separator: ',' as const,
    quotes: true,
    decimal: '.' as const,
    thousands: 'none' as const,
    header: true,
    missingCodes: ['NA'],
    columns: {},
  };
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
