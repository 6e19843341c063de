/** A row as people call it: "row 31 (AS-031)". @param name null where no identifier names it */
export function rowInWords(row: number, name: string | null): string {
  return `row ${row.toLocaleString('en-GB')}${name === null ? '' : ` (${name})`}`;
}
