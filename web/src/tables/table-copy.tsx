import { Check, Copy } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';

/** A table of texts, ready to be pasted elsewhere. */
export interface TextTable {
  readonly caption: string;
  readonly head: readonly string[];
  /** The first cell of each row names it. */
  readonly rows: readonly (readonly string[])[];
  /** What a note under the table says. */
  readonly note?: string;
}

const SHOWN_MS = 1500;

/** Copies a table so that it pastes as a table into word processors and as cells into spreadsheets. */
export function CopyTableButton({ table }: { table: TextTable }) {
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    try {
      await navigator.clipboard.write([
        new ClipboardItem({
          'text/html': new Blob([asHtml(table)], { type: 'text/html' }),
          'text/plain': new Blob([asTabs(table)], { type: 'text/plain' }),
        }),
      ]);
      setCopied(true);
      setTimeout(() => setCopied(false), SHOWN_MS);
    } catch {
      toast.error('The browser does not let this page copy. Export the table instead.');
    }
  };
  return (
    <button type="button" className="button-quiet text-[13px]" onClick={() => void copy()}>
      {copied ? <Check size={14} aria-hidden="true" /> : <Copy size={14} aria-hidden="true" />}
      <span aria-live="polite">{copied ? 'Copied' : 'Copy table'}</span>
    </button>
  );
}

/** Lines over head and foot alone, as papers have them. */
export function asHtml({ caption, head, rows, note }: TextTable): string {
  const rule = 'border-bottom:1px solid black';
  const cell = (tag: 'th' | 'td', text: string, i: number, line = false) =>
    `<${tag} style="text-align:${i === 0 ? 'left' : 'right'};font-weight:normal;padding:2px 8px;${line ? rule : ''}">${escaped(text)}</${tag}>`;
  const line = (cells: readonly string[], isLast: boolean) =>
    `<tr>${cells.map((text, i) => cell(i === 0 ? 'th' : 'td', text, i, isLast)).join('')}</tr>`;
  return [
    '<table style="border-collapse:collapse;border-top:1px solid black">',
    `<caption style="text-align:left">${escaped(caption)}</caption>`,
    `<thead><tr>${head.map((text, i) => cell('th', text, i, true)).join('')}</tr></thead>`,
    `<tbody>${rows.map((cells, i) => line(cells, i === rows.length - 1)).join('')}</tbody>`,
    '</table>',
    note ? `<p>${escaped(note)}</p>` : '',
  ].join('');
}

/** Cells for a spreadsheet: numbers with a plain minus sign, so that they are read as numbers. */
export function asTabs({ head, rows }: TextTable): string {
  return [head, ...rows].map((cells) => cells.map((text) => text.replace(/^−(?=[\d.])/, '-')).join('\t')).join('\n');
}

function escaped(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}
