import { type Cell, labelOf, type Variable } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';

/** A cell as it is shown: labels instead of codes, the decimals of the codebook; null for a missing value. */
export function cellText(cell: Cell, { valueLabels, decimals }: Variable): string | null {
  if (cell === null) return null;
  const label = labelOf(valueLabels, String(cell));
  if (label !== undefined) return label;
  if (typeof cell === 'string') return cell;
  return decimals === null ? String(cell).replace('-', '−') : formatFixed(cell, decimals);
}

/** A cell as it is typed: all its digits, codes instead of labels. */
export function cellInput(cell: Cell): string {
  return cell === null ? '' : String(cell);
}

/** Cells as text copied from a spreadsheet gives them: rows by line breaks, cells by tabs; quoted cells may hold both. */
export function pastedCells(text: string): string[][] {
  const rows: string[][] = [[]];
  const pattern = /"((?:[^"]|"")*)"(?=\t|\r?\n|$)|([^\t\r\n]*)/y;
  let at = 0;
  for (;;) {
    pattern.lastIndex = at;
    const match = pattern.exec(text);
    rows.at(-1)?.push(match?.[1]?.replaceAll('""', '"') ?? match?.[2] ?? '');
    at += match?.[0].length ?? 0;
    if (at >= text.length) break;
    if (text[at] === '\t') at += 1;
    else {
      at += text[at] === '\r' ? 2 : 1;
      if (at >= text.length) break;
      rows.push([]);
    }
  }
  return rows;
}
