import type { ColumnBuilder } from './column-builder';
import type { NumberReader } from './number-reader';

const SURE = /^(grand\s)?(totals?|sums?|means?|averages?|avg\.?|mittelwert|summe|s\.?d\.?|st\.?\s?dev\.?|standard deviation)\s?:?$/i;
const LIKELY = /^(median|min(imum)?|max(imum)?|n|count|s\.?e\.?m?\.?|standard error)\s?:?$/i;
const FEWEST_ABOVE = 3;

/** What stands at the foot of a table: how many of its last rows sum up the others, and what they are. */
export interface Foot {
  readonly rows: number;
  readonly words: string;
}

/**
 * Finds totals and means below the data: rows that are called so in one of their first cells, or whose every number is
 * the sum, or the mean, of its column above all such rows.
 * @param tail the last rows as text, the last of them last
 */
export function findFoot(tail: readonly (readonly string[])[], columns: readonly ColumnBuilder[], readNumber: NumberReader): Foot | null {
  let above: readonly Above[] = columns.map(({ reading, facts }) => ({
    numeric: reading.storage === 'number',
    sum: facts.sum,
    n: facts.present,
    spread: facts.max > facts.min,
  }));
  let foot: Foot | null = null;
  for (let rows = 1; rows < tail.length; rows++) {
    above = withoutRow(above, numbersOf(tail.at(-rows) ?? [], readNumber));
    const found = tail.slice(-rows).map((cells) => whatItIs(cells, numbersOf(cells, readNumber), above));
    const [top] = found;
    if (top?.sure && found.every((row) => row !== null)) foot = { rows, words: found.length === 1 ? top.words : wordsOf(found) };
  }
  return foot;
}

interface FootRow {
  /** Whether it is one without a neighbour that is one. */
  readonly sure: boolean;
  readonly words: string;
}

function whatItIs(cells: readonly string[], numbers: readonly number[], above: readonly Above[]): FootRow | null {
  const label = cells
    .slice(0, 2)
    .map((cell) => cell.trim())
    .find((cell) => SURE.test(cell) || LIKELY.test(cell));
  if (label !== undefined) return { sure: SURE.test(label), words: `“${label}”` };
  const computed = computedFrom(cells, numbers, above);
  return computed && { sure: true, words: `the ${computed} of the rows above` };
}

function wordsOf(found: readonly (FootRow | null)[]): string {
  return found.flatMap((row) => (row ? [row.words] : [])).join(', ');
}

function numbersOf(cells: readonly string[], readNumber: NumberReader): number[] {
  return cells.map((cell) => readNumber(cell.trim()));
}

function withoutRow(above: readonly Above[], numbers: readonly number[]): Above[] {
  return above.map((column, i) => {
    const value = numbers[i] ?? Number.NaN;
    return column.numeric && value === value ? { ...column, sum: column.sum - value, n: column.n - 1 } : column;
  });
}

interface Above {
  readonly numeric: boolean;
  readonly sum: number;
  readonly n: number;
  readonly spread: boolean;
}

/** Whether every number of a row, of two at least, is the sum or the mean of what stands above it. */
function computedFrom(cells: readonly string[], numbers: readonly number[], above: readonly Above[]): 'sums' | 'means' | null {
  const places = numbers.flatMap((value, i) => (above[i]?.numeric && above[i].spread && !Number.isNaN(value) ? [i] : []));
  if (places.length < 2) return null;
  const all = (statistic: (column: Above) => number) =>
    places.every((i) => {
      const column = above[i];
      const value = numbers[i];
      if (!column || value === undefined || column.n < FEWEST_ABOVE) return false;
      return Math.abs(value - statistic(column)) <= roundingOf(cells[i] ?? '') + 1e-9 * Math.abs(value);
    });
  if (all(({ sum, n }) => sum / n)) return 'means';
  return all(({ sum }) => sum) ? 'sums' : null;
}

/** Half a step of the last decimal written, and a little. */
function roundingOf(text: string): number {
  const decimals = /[.,](\d*)$/.exec(text.trim())?.[1]?.length ?? 0;
  return 0.501 * 10 ** -decimals;
}
