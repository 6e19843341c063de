/** Rows above the names are looked for among so many. */
const MOST_ABOVE = 20;
/** A row of names may lack the name of a column or two. */
const AS_FULL = 0.8;

/** Where a table begins: the rows above it, and in how many rows its names seem to stand. */
export interface TableTop {
  readonly top: number;
  readonly nameRows: number;
}

/**
 * Finds the first row of a table below titles and notes. Above the first row that holds numbers and fills at least half of
 * the cells that rows usually fill, names fill more than titles do. A row above them that names groups of columns, with empty
 * cells between them, belongs to the names.
 */
export function guessTop(rows: readonly (readonly string[])[]): TableTop {
  const usual = usualFill(rows);
  const enough = Math.max(2, usual / 2);
  const data = rows.findIndex((row) => filled(row) >= enough && row.some(isNumber));
  const head = rows.slice(0, data < 0 ? rows.length : data);
  if (usual < 2 || head.length > MOST_ABOVE || head.length === 0) return { top: 0, nameRows: 1 };
  const fullest = head.reduce((most, row) => Math.max(most, filled(row)), Number.NEGATIVE_INFINITY);
  if (fullest < enough) return { top: head.length, nameRows: 1 };
  const names = head.findIndex((row) => filled(row) >= AS_FULL * fullest);
  const above = head[names - 1];
  return above && namesGroups(above) ? { top: names - 1, nameRows: 2 } : { top: names, nameRows: 1 };
}

/** The names of the columns from the rows that they stand in: the name of a group goes to all the columns under it. */
export function joinedNames(rows: readonly (readonly string[])[]): string[] {
  const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
  const lines = rows.map((row, k) => {
    let group = '';
    return Array.from({ length: width }, (_, i) => {
      const text = row[i]?.trim() ?? '';
      if (k === rows.length - 1) return text;
      if (text !== '') group = text;
      return group;
    });
  });
  return Array.from({ length: width }, (_, i) =>
    lines
      .map((line) => line[i] ?? '')
      .filter((text) => text !== '')
      .join(' '),
  );
}

function usualFill(rows: readonly (readonly string[])[]): number {
  const counts = new Map<number, number>();
  for (const row of rows) counts.set(filled(row), (counts.get(filled(row)) ?? 0) + 1);
  // Of fills that are equally common the larger is the table's.
  return [...counts].sort(([a, m], [b, n]) => n - m || b - a)[0]?.[0] ?? 0;
}

function filled(row: readonly string[]): number {
  return row.filter((cell) => cell.trim() !== '').length;
}

/** Texts with empty cells between or before them: a title fills the first cells only. */
function namesGroups(row: readonly string[]): boolean {
  const places = row.flatMap((cell, i) => (cell.trim() === '' ? [] : [i]));
  const [last = -1] = places.slice(-1);
  return places.length > 1 && last >= places.length && !row.some(isNumber);
}

function isNumber(cell: string): boolean {
  return /\d/.test(cell) && /^[\s\d.,+−-]+$/.test(cell);
}
