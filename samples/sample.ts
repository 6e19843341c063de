export type Cell = string | number;

interface CodebookEntry {
  kind: 'continuous' | 'discrete' | 'ordinal' | 'nominal' | 'identifier' | 'date';
  label: string;
  unit?: string;
  decimals?: number;
  role?: 'outcome' | 'predictor' | 'grouping';
  highMeans?: string;
  valueLabels?: Record<string, string>;
}

/** A sample study: a table and its codebook, written to `file`.csv and `file`.json. */
export interface Sample {
  readonly file: string;
  readonly name: string;
  readonly rowMeaning: string;
  readonly source: string;
  /** By name, in the order of the columns. */
  readonly variables: Readonly<Record<string, CodebookEntry>>;
  readonly rows: readonly Readonly<Record<string, Cell>>[];
}

/** The table as CSV, one line a row, names first. */
export function toCsv({ variables, rows }: Sample): string {
  const names = Object.keys(variables);
  const lines = rows.map((row) => names.map((name) => row[name] ?? '').join(','));
  return `${[names.join(','), ...lines].join('\n')}\n`;
}

export function toCodebookJson({ name, rowMeaning, source, variables }: Sample): string {
  return `${JSON.stringify({ name, rowMeaning, source, variables }, null, 2)}\n`;
}
