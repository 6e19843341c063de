/** What a spreadsheet would run as a formula, or swallow. */
const RUNS = /^[=+\-@\t\r]/;

/** A text for a cell of a file that spreadsheets open: an apostrophe before it keeps one a text that would be run. Numbers are untouched. */
export function spreadsheetText(text: string): string {
  return RUNS.test(text) && Number.isNaN(Number(text)) ? `'${text}` : text;
}
