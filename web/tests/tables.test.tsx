import { render, screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { tableCsv, textTable, type ValueTable } from '../src/tables/columns';
import { intervalColumns } from '../src/tables/interval-columns';
import { asHtml, asTabs } from '../src/tables/table-as-text';
import { ValueTableView } from '../src/tables/value-table-view';

interface Line {
  readonly name: string;
  readonly r: number | null;
  readonly p: number;
  readonly interval: { readonly low: number; readonly high: number } | null;
}

const table: ValueTable<Line> = {
  caption: 'Nitrate & phosphate <mg/L>',
  columns: [
    { name: '', nameInFile: 'variable', shown: ({ name }) => name },
    { name: 'r', shown: ({ r }) => (r === null ? '–' : `−${Math.abs(r).toFixed(2).slice(1)}`), exact: ({ r }) => r },
    ...intervalColumns<Line>('95 % interval', ({ interval }) => interval),
    { name: 'p', shown: ({ p }) => p.toFixed(3), exact: ({ p }) => p, onScreen: ({ p }) => <em>p = {p.toFixed(3)}</em> },
    { name: 'in words', shown: ({ r }) => (r === null ? 'constant' : 'falls'), align: 'left' },
  ],
  rows: [
    { name: 'nitrate, "raw"', r: -0.3141592653589793, p: 0.012345678, interval: { low: -0.5, high: -0.1 } },
    { name: 'soil − depth', r: null, p: Number.NaN, interval: null },
  ],
  note: 'M < 3 in both.',
  isStrong: ({ r }) => r !== null,
};

describe('a table of values', () => {
  it('is on screen what its columns say, with more than text where they have more', () => {
    render(<ValueTableView table={table} />);
    const [head, first, second] = within(screen.getByRole('table', { name: table.caption })).getAllByRole('row');
    const texts = (row: HTMLElement | undefined) => [...(row?.children ?? [])].map((cell) => cell.textContent);
    // A column without a name on screen has one for those who listen.
    expect(texts(head)).toEqual(['variable', 'r', '95 % interval', 'p', 'in words']);
    expect(texts(first)).toEqual(['nitrate, "raw"', '−.31', '[−.50, −.10]', 'p = 0.012', 'falls']);
    expect(texts(second)).toEqual(['soil − depth', '–', '–', 'p = NaN', 'constant']);
    expect(first?.classList.contains('font-semibold')).toBe(true);
    expect(second?.classList.contains('font-semibold')).toBe(false);
    expect(first?.lastElementChild?.className).toContain('text-left');
    expect(first?.children[1]?.className).toContain('text-right');
    expect(screen.getByRole('button', { name: 'Export CSV' })).toBeTruthy();
  });

  it('is copied as it is read, without what is for files alone', () => {
    expect(textTable(table)).toEqual({
      caption: table.caption,
      head: ['', 'r', '95 % interval', 'p', 'in words'],
      align: ['left', 'right', 'right', 'right', 'left'],
      rows: [
        ['nitrate, "raw"', '−.31', '[−.50, −.10]', '0.012', 'falls'],
        ['soil − depth', '–', '–', 'NaN', 'constant'],
      ],
      note: 'M < 3 in both.',
    });
  });

  it('goes into files with every digit, limits in columns of their own, and nothing where there is no number', () => {
    expect(tableCsv(table).split('\r\n')).toEqual([
      'variable,r,low,high,p,in words',
      '"nitrate, ""raw""",-0.3141592653589793,-0.5,-0.1,0.012345678,falls',
      'soil − depth,,,,,constant',
    ]);
  });
});

describe('a copied table', () => {
  it('pastes into a spreadsheet as cells, with a minus sign that a spreadsheet reads as one', () => {
    expect(asTabs(textTable(table)).split('\n')[1]).toBe('nitrate, "raw"\t-.31\t[−.50, −.10]\t0.012\tfalls');
    expect(asTabs(textTable(table))).toContain('soil − depth\t–');
  });

  it('pastes into a word processor as a table with its caption, its names as headers, and its note', () => {
    const holder = document.createElement('div');
    holder.innerHTML = asHtml(textTable(table));
    expect(holder.querySelector('caption')?.textContent).toBe(table.caption);
    expect([...holder.querySelectorAll('thead th')].map((cell) => cell.textContent)).toEqual(['', 'r', '95 % interval', 'p', 'in words']);
    const rows = [...holder.querySelectorAll('tbody tr')].map((row) =>
      [...row.children].map((cell) => `${cell.tagName} ${cell.textContent}`),
    );
    expect(rows[1]).toEqual(['TH soil − depth', 'TD –', 'TD –', 'TD NaN', 'TD constant']);
    const sides = [...holder.querySelectorAll<HTMLElement>('tbody tr:first-child > *')].map(({ style }) => style.textAlign);
    expect(sides).toEqual(['left', 'right', 'right', 'right', 'left']);
    expect(holder.querySelector('p')?.textContent).toBe(table.note);
  });
});
