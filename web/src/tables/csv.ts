import { spreadsheetText } from '@ivlen/contract';

export type Cell = string | number | null;

/** Rows of cells as comma-separated text; null and what is no finite number stand as nothing. */
export function csvOf(rows: readonly (readonly Cell[])[]): string {
  return rows.map((cells) => cells.map(cellOf).join(',')).join('\r\n');
}

function cellOf(value: Cell): string {
  if (typeof value === 'number') return Number.isFinite(value) ? String(value) : '';
  const text = spreadsheetText(value ?? '');
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}
