import { escapeHtml, withItalics } from '../controls/rich-text';
import type { Align, TextTable } from './columns';
import { isSymbol } from './symbol-names';

/** Lines over head and foot alone, as papers have them; symbols of statistics in italics. */
export function asHtml({ caption, head, align, rows, note }: TextTable): string {
  const rule = 'border-bottom:1px solid black';
  const cell = (tag: 'th' | 'td', html: string, side: Align = 'right', line = false) =>
    `<${tag} style="text-align:${side};font-weight:normal;padding:2px 8px;${line ? rule : ''}">${html}</${tag}>`;
  const line = (cells: readonly string[], isLast: boolean) =>
    `<tr>${cells.map((text, i) => cell(i === 0 ? 'th' : 'td', escapeHtml(text).replaceAll('\n', '<br>'), align[i], isLast)).join('')}</tr>`;
  const name = (text: string) => (isSymbol(text) ? `<i>${escapeHtml(text)}</i>` : escapeHtml(text));
  return [
    '<table style="border-collapse:collapse;border-top:1px solid black">',
    `<caption style="text-align:left">${escapeHtml(caption)}</caption>`,
    `<thead><tr>${head.map((text, i) => cell('th', name(text), align[i], true)).join('')}</tr></thead>`,
    `<tbody>${rows.map((cells, i) => line(cells, i === rows.length - 1)).join('')}</tbody>`,
    '</table>',
    note ? `<p>${withItalics(note)}</p>` : '',
  ].join('');
}

/** Cells for a spreadsheet: numbers with a plain minus sign, so that they are read as numbers. */
export function asTabs({ head, rows }: Pick<TextTable, 'head' | 'rows'>): string {
  const plain = (text: string) => text.replace(/^−(?=[\d.])/, '-').replaceAll(/[\t\n]/g, ' ');
  return [head, ...rows].map((cells) => cells.map(plain).join('\t')).join('\n');
}

/** A table in columns of spaces, for a post or mail that knows no tables: to be read in letters of one width. */
export function alignedText({ caption, head, align, rows, note }: TextTable): string {
  // What stands in several lines of a cell stands in one here.
  const cells = [head, ...rows].map((line) => line.map((text) => text.replaceAll('\n', ' ')));
  const widths = head.map((_, j) => cells.reduce((most, line) => Math.max(most, [...(line[j] ?? '')].length), 0));
  const padded = (text: string, j: number) => {
    const room = ' '.repeat(Math.max(0, (widths[j] ?? 0) - [...text].length));
    return (align[j] ?? 'right') === 'left' ? text + room : room + text;
  };
  const lines = cells.map((line) => line.map(padded).join('  ').trimEnd());
  const rule = '-'.repeat(widths.reduce((sum, width) => sum + width + 2, -2));
  return [caption, rule, lines[0], rule, ...lines.slice(1), rule, ...(note ? [note] : [])].join('\n');
}
