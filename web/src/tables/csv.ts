export type Cell = string | number | null;

/** Rows of cells as comma-separated text; null and what is no finite number stand as nothing. */
export function csvOf(rows: readonly (readonly Cell[])[]): string {
  return rows.map((cells) => cells.map(cellOf).join(',')).join('\r\n');
}

/** What a spreadsheet would run as a formula is kept a text by an apostrophe; numbers are untouched. */
function harmless(text: string): string {
  return /^[=+\-@\t\r]/.test(text) && Number.isNaN(Number(text)) ? `'${text}` : text;
}

function cellOf(value: Cell): string {
  if (typeof value === 'number') return Number.isFinite(value) ? String(value) : '';
  const text = harmless(value ?? '');
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}
