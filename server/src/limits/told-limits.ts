/** The cells of a column that tell a limit only, such as "<0.5": which text stood in which row, from 0. */
export interface ToldLimits {
  readonly texts: readonly string[];
  readonly rows: readonly number[];
  /** For each of the rows its place among the texts. */
  readonly codes: readonly number[];
}

/** Collects them row by row. */
export class LimitCollector {
  readonly #texts = new Map<string, number>();
  readonly #rows: number[] = [];
  readonly #codes: number[] = [];

  add(row: number, text: string): void {
    const code = this.#texts.get(text) ?? this.#texts.size;
    this.#texts.set(text, code);
    this.#rows.push(row);
    this.#codes.push(code);
  }

  get found(): ToldLimits {
    return { texts: [...this.#texts.keys()], rows: this.#rows, codes: this.#codes };
  }
}

/** As a column of texts: a code where a limit stood, missing elsewhere. @param rowCount rows of the table */
export function limitCodes({ rows, codes }: ToldLimits, rowCount: number): Float64Array {
  const values = new Float64Array(rowCount).fill(Number.NaN);
  for (let i = 0; i < rows.length; i++) values[rows[i] ?? 0] = codes[i] ?? Number.NaN;
  return values;
}
