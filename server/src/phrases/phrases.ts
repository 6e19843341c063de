/** "row 14", "rows 14, 92 and 180", "rows 1, 2, 3, 4, 5 and 20 more". */
export function rowsPhrase(rows: readonly number[], count: number): string {
  const [first] = rows;
  if (count === 1) return `row ${thousands(first ?? 0)}`;
  const named = rows.map(thousands);
  if (count > rows.length) return `rows ${named.join(', ')} and ${thousands(count - rows.length)} more`;
  return `rows ${named.slice(0, -1).join(', ')} and ${named.at(-1)}`;
}

/** "1 cell", "12 cells", "12,000 cells". */
export function countOf(count: number, noun: string, plural = `${noun}s`): string {
  return `${thousands(count)} ${count === 1 ? noun : plural}`;
}

export function thousands(count: number): string {
  return count.toLocaleString('en-GB');
}
