import type { ColumnBuilder } from './column-builder';
import { countWithout, type StatisticName, type StatisticsAbove, statisticsOf } from './column-statistics';
import type { NumberReader } from './number-reader';

const SURE =
  /^(grand\s|sub[-\s]?)?(totals?|sums?|means?|averages?|avg\.?|mittelwert|summe|s\.?d\.?|st\.?\s?dev\.?|standard deviation|var(iance)?\.?)\s?:?$/i;
const LIKELY = /^(median|min(imum)?\.?|max(imum)?\.?|n|count|s\.?e\.?m?\.?|standard error)\s?:?$/i;

interface Statistic {
  readonly name: StatisticName;
  readonly words: string;
  readonly sure: boolean;
  /** What a rounding must be fine beside: the spread of the values among which it lies, or its own size; a count is whole. */
  readonly beside: 'spread' | 'size' | 'nothing';
}

/** What the numbers of a row may be of the rows above, in words; the first ones are hardly ever met by chance. */
const STATISTICS: readonly Statistic[] = [
  { name: 'mean', words: 'means', sure: true, beside: 'spread' },
  { name: 'sum', words: 'sums', sure: true, beside: 'size' },
  { name: 'sd', words: 'SDs', sure: true, beside: 'size' },
  { name: 'se', words: 'standard errors', sure: true, beside: 'size' },
  { name: 'variance', words: 'variances', sure: true, beside: 'size' },
  { name: 'median', words: 'medians', sure: false, beside: 'spread' },
  { name: 'min', words: 'smallest values', sure: false, beside: 'spread' },
  { name: 'max', words: 'largest values', sure: false, beside: 'spread' },
  { name: 'n', words: 'numbers of values', sure: false, beside: 'nothing' },
];
/** A number that is rounded to more than this share of what it would vary by could be met by any row. */
const COARSEST = 0.1;
const FEWEST_COLUMNS = 2;

/** What stands at the foot of a table: how many of its last rows sum up the others, and what they are. */
export interface Foot {
  readonly rows: number;
  readonly words: string;
}

/**
 * Finds totals, means and the like below the data: rows that are called so in one of their cells, or whose numbers are,
 * within their rounding, a statistic of the rows above all such rows in most columns. Smallest and largest values, medians
 * and numbers of rows are met by chance: they count only beside others that are not.
 * @param tail the last rows as text, the last of them last
 */
export function findFoot(tail: readonly (readonly string[])[], columns: readonly ColumnBuilder[], readNumber: NumberReader): Foot | null {
  const numbers = tail.map((cells) => cells.map((cell) => readNumber(cell.trim())));
  let foot: Foot | null = null;
  for (let rows = 1; rows < tail.length; rows++) {
    const below = numbers.slice(-rows);
    const quick = columns.map((column, i) => countWithout(column, i, below));
    const texts = tail.slice(-rows);
    // The whole column is gone through only where something speaks for a foot of this size.
    if (!texts.some((cells, k) => isCalledSo(cells) || computedFrom(cells, below[k] ?? [], quick, ['mean', 'sum']) !== null)) continue;
    const above = columns.map((column, i) => statisticsOf(column, i, below));
    const found = texts.map((cells, k) => whatItIs(cells, below[k] ?? [], above));
    const [top] = found;
    if (!top?.isFirst || !found.every((row) => row !== null) || !found.some((row) => row.sure)) continue;
    foot = { rows, words: found.map(({ words }) => words).join(', ') };
  }
  return foot;
}

interface FootRow {
  /** Whether it is one without a neighbour that is one. */
  readonly sure: boolean;
  /** Whether it can be the first of them. */
  readonly isFirst: boolean;
  readonly words: string;
}

function whatItIs(cells: readonly string[], numbers: readonly number[], above: readonly StatisticsAbove[]): FootRow | null {
  const computed = computedFrom(cells, numbers, above, null);
  const label = labelOf(cells);
  if (label !== undefined)
    return { sure: SURE.test(label) || computed?.sure === true, isFirst: SURE.test(label) || computed !== null, words: `“${label}”` };
  return computed && { sure: computed.sure, isFirst: true, words: `the ${computed.words} of the rows above` };
}

/** Whether a row is called a total, a mean or the like. */
export function isCalledSo(cells: readonly string[]): boolean {
  const label = labelOf(cells);
  return label !== undefined && SURE.test(label);
}

/** What a row is called: in one of its first cells, or in its last. */
function labelOf(cells: readonly string[]): string | undefined {
  const places = [...cells.slice(0, 2), ...cells.slice(-1)].map((cell) => cell.trim());
  return places.find((cell) => SURE.test(cell) || LIKELY.test(cell));
}

/** Which statistic the numbers of a row are in most columns, of two at least; null if none. */
function computedFrom(
  cells: readonly string[],
  numbers: readonly number[],
  above: readonly StatisticsAbove[],
  among: readonly StatisticName[] | null,
) {
  const places = numbers.flatMap((value, i) => (above[i]?.usable && !Number.isNaN(value) ? [i] : []));
  if (places.length < FEWEST_COLUMNS) return null;
  return (
    STATISTICS.find(({ name, beside }) => {
      if (among && !among.includes(name)) return false;
      let [told, met] = [0, 0];
      for (const i of places) {
        const [value, column] = [numbers[i] ?? Number.NaN, above[i]];
        const wanted = column?.[name] ?? Number.NaN;
        const rounding = roundingOf(cells[i] ?? '');
        const scale = { spread: column?.sd ?? Number.NaN, size: Math.abs(wanted), nothing: Number.POSITIVE_INFINITY }[beside];
        if (!(rounding <= COARSEST * scale)) continue;
        told++;
        if (Math.abs(value - wanted) <= rounding + 1e-9 * Math.abs(value)) met++;
      }
      return met >= FEWEST_COLUMNS && met > told / 2 && met > places.length / 2;
    }) ?? null
  );
}

/** Half a step of the last decimal written, and a little. */
function roundingOf(text: string): number {
  const decimals = /[.,](\d*)$/.exec(text.trim())?.[1]?.length ?? 0;
  return 0.501 * 10 ** -decimals;
}
