/** What tables in the wild write where there is no value. */
export const COMMON_MISSING_CODES: readonly string[] = [
  'NA',
  'N/A',
  'n/a',
  'na',
  'n.a.',
  'NaN',
  'nan',
  'NULL',
  'null',
  'None',
  '-',
  '–',
  '—',
  '.',
  '..',
  '?',
  '*',
  'missing',
  '#N/A',
  '#DIV/0!',
  '#VALUE!',
  '#REF!',
  '#NAME?',
  '#NUM!',
  '#NULL!',
];

/** Errors that a spreadsheet leaves in a cell: the value existed once, so they deserve a look at the source. */
export function isSpreadsheetError(code: string): boolean {
  return /^#(N\/A|DIV\/0!|VALUE!|REF!|NAME\?|NUM!|NULL!)$/.test(code);
}
