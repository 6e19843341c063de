import { escapeHtml, withItalics } from '../controls/rich-text';
import type { Align, TextTable } from './columns';

/** Lines over head and foot alone, as papers have them. */
export function asHtml({ caption, head, align, rows, note }: TextTable): string {
  const rule = 'border-bottom:1px solid black';
  const cell = (tag: 'th' | 'td', text: string, side: Align = 'right', line = false) =>
    `<${tag} style="text-align:${side};font-weight:normal;padding:2px 8px;${line ? rule : ''}">${escapeHtml(text)}</${tag}>`;
  const line = (cells: readonly string[], isLast: boolean) =>
    `<tr>${cells.map((text, i) => cell(i === 0 ? 'th' : 'td', text, align[i], isLast)).join('')}</tr>`;
  return [
    '<table style="border-collapse:collapse;border-top:1px solid black">',
    `<caption style="text-align:left">${escapeHtml(caption)}</caption>`,
    `<thead><tr>${head.map((text, i) => cell('th', text, align[i], true)).join('')}</tr></thead>`,
    `<tbody>${rows.map((cells, i) => line(cells, i === rows.length - 1)).join('')}</tbody>`,
    '</table>',
    note ? `<p>${withItalics(note)}</p>` : '',
  ].join('');
}

/** Cells for a spreadsheet: numbers with a plain minus sign, so that they are read as numbers. */
export function asTabs({ head, rows }: TextTable): string {
  return [head, ...rows].map((cells) => cells.map((text) => text.replace(/^−(?=[\d.])/, '-')).join('\t')).join('\n');
}
