import { expect, it } from 'vitest';
import { asHtml, asTabs } from '../src/tables/table-copy';

const table = {
  caption: 'Nitrate & phosphate <mg/L>',
  head: ['Variable', 'M', 'Skewness'],
  rows: [
    ['nitrate', '2.13', '−0.31'],
    ['soil − depth', '.42', '–'],
  ],
  note: 'M < 3 in both.',
};

it('pastes into a spreadsheet as cells, with a minus sign that a spreadsheet reads as one', () => {
  expect(asTabs(table)).toBe('Variable\tM\tSkewness\nnitrate\t2.13\t-0.31\nsoil − depth\t.42\t–');
});

it('pastes into a word processor as a table with its caption, its names as headers, and its note', () => {
  const holder = document.createElement('div');
  holder.innerHTML = asHtml(table);
  expect(holder.querySelector('caption')?.textContent).toBe(table.caption);
  expect([...holder.querySelectorAll('thead th')].map((cell) => cell.textContent)).toEqual(table.head);
  const rows = [...holder.querySelectorAll('tbody tr')].map((row) =>
    [...row.children].map((cell) => `${cell.tagName} ${cell.textContent}`),
  );
  expect(rows).toEqual([
    ['TH nitrate', 'TD 2.13', 'TD −0.31'],
    ['TH soil − depth', 'TD .42', 'TD –'],
  ]);
  expect(holder.querySelector('p')?.textContent).toBe(table.note);
});
