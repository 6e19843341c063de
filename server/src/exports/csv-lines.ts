import { spreadsheetText } from '@ivlen/contract';
import { createCellWriter, type ExportTable, rowCount } from './export-table';

const ROWS_AT_A_TIME = 4096;
const NEEDS_QUOTES = /[",\r\n]|^\s|\s$/;

interface CsvOptions {
  readonly labels: boolean;
  /** Whether the row's number in the study comes first. */
  readonly rowNumbers: boolean;
  /** Whether texts that a spreadsheet would run as a formula stand as they are. */
  readonly faithful: boolean;
}

/** A table as comma-separated values with names on top (RFC 4180), some thousand rows at a time. */
export function* csvLines(table: ExportTable, { labels, rowNumbers, faithful }: CsvOptions): Generator<{ text: string; rows: number }> {
  const writers = table.variables.map((variable, i) => createCellWriter(variable, table.dictionaries[i] ?? [], labels));
  const asText = (text: string) => quoted(faithful ? text : spreadsheetText(text));
  const isText = table.variables.map(({ storage, valueLabels }) => storage === 'code' || (labels && Object.keys(valueLabels).length > 0));
  const names = table.variables.map(({ name }) => asText(name));
  yield { text: `${(rowNumbers ? ['row', ...names] : names).join(',')}\r\n`, rows: 0 };
  const total = rowCount(table);
  for (let start = 0; start < total; start += ROWS_AT_A_TIME) {
    const end = Math.min(total, start + ROWS_AT_A_TIME);
    let text = '';
    for (let i = start; i < end; i++) {
      const row = table.rows ? (table.rows[i] ?? 0) : i;
      const cells = writers.map((write, column) => {
        const text = write(table.columns[column]?.[row] ?? Number.NaN);
        return isText[column] ? asText(text) : quoted(text);
      });
      text += `${rowNumbers ? `${row + 1},` : ''}${cells.join(',')}\r\n`;
    }
    yield { text, rows: end };
  }
}

function quoted(text: string): string {
  return NEEDS_QUOTES.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}
