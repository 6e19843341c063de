import { gatherCompletePair } from '../columns/complete-rows';
import { addColumnSums, type ColumnSums, columnSums, sumStretches } from './column-sums';
import type { ResolvedCorrelationOptions } from './options';
import { testFromProduct, testPearson } from './pearson';
import type { PreparedColumns } from './prepared-columns';
import { FEWEST_ROWS } from './test-result';
import type { TestedPairs } from './tested-pairs';
import type { CorrelationTest } from './types';
import { NEAR_LINE, type UnitProduct } from './unit-product';

/** A column with its sums, shifted to about its middle. */
interface PearsonColumn {
  readonly values: Float64Array;
  readonly shift: number;
  readonly present: number;
  readonly total: number;
  readonly squares: number;
}

/** If less than this share of a column's squares is variation of the pair's rows, sums by difference would lose digits. */
const LEAST_LEFT = 0.25;
/** Sums of squares within these sizes neither overflow nor lose digits to underflow. */
const SMALLEST = 1e-280;
const LARGEST = 1e280;
/** Closer to a line than this, the coefficient is computed from the pair's own rows, since what is left of its digits is rounding. */
const SURE_OF_NO_LINE = 1e-9;

/**
 * Tests all pairs of columns. Sums and products of shifted columns are computed for all pairs at once; rows that the
 * other column misses are taken out of them afterwards. Where that could cost digits (points near a line, most of the
 * variation in the missing rows, values of extreme size), the pair's rows are gathered and centred afresh.
 */
export function createPearsonPairs(
  columns: readonly Float64Array[],
  options: ResolvedCorrelationOptions,
  { sums = allSums(columns) }: PreparedColumns,
): TestedPairs {
  const { products, totals, present, shifts, lost } = sums;
  const size = columns.length;
  const prepared = columns.map((values, j): PearsonColumn => {
    const squares = products[j * size + j];
    return { values, shift: shifts[j], present: present[j], total: totals[j], squares };
  });
  const rows = columns[0]?.length ?? 0;
  const scratch = { x: new Float64Array(rows), y: new Float64Array(rows) };
  const hasGaps = lost.counts.length > 0;
  const out = (i: number, j: number): Sums => {
    const at = i * size + j;
    return hasGaps ? { rows: lost.counts[at], total: lost.totals[at], squares: lost.squares[at] } : NONE_LOST;
  };
  const test = (i: number, j: number): CorrelationTest => {
    const [a, b] = [prepared[i], prepared[j]];
    const quick = options.interval === 'adf' ? null : quickProduct(a, b, products[i * size + j], out(i, j), out(j, i));
    if (quick) return testFromProduct(quick.product, quick.n, options, noAdf);
    const n = gatherCompletePair(a.values, b.values, scratch.x, scratch.y);
    return testPearson(scratch.x, scratch.y, n, options);
  };
  return { test };
}

function noAdf(): number {
  return Number.NaN;
}

function allSums(columns: readonly Float64Array[]): ColumnSums {
  const stretches = sumStretches(columns[0]?.length ?? 0);
  return addColumnSums(Array.from({ length: stretches }, (_, stretch) => columnSums(columns, stretch)));
}

/** The coefficient from sums over all rows less those that either column misses; null where that would lose digits. */
function quickProduct(
  a: PearsonColumn,
  b: PearsonColumn,
  product: number,
  outOfA: Sums,
  outOfB: Sums,
): { product: UnitProduct; n: number } | null {
  const n = a.present - outOfA.rows;
  if (n < FEWEST_ROWS) return null;
  const x = { column: a, ...leftOf(a, outOfA, n) };
  const y = { column: b, ...leftOf(b, outOfB, n) };
  if (!isUsable(x) || !isUsable(y)) return null;
  const r = (product - n * x.mean * y.mean) / (Math.sqrt(x.variation) * Math.sqrt(y.variation));
  if (Math.abs(r) < NEAR_LINE) return { product: { r, oneMinusAbs: 1 - Math.abs(r) }, n };
  const oneMinusAbs = distanceFromLine(x, y, Math.sign(r));
  return oneMinusAbs < SURE_OF_NO_LINE ? null : { product: { r: Math.sign(r) * (1 - oneMinusAbs), oneMinusAbs }, n };
}

/** Of a column over the rows that the other one of a pair lacks. */
interface Sums {
  readonly rows: number;
  readonly total: number;
  readonly squares: number;
}

const NONE_LOST: Sums = { rows: 0, total: 0, squares: 0 };

/** Mean (shifted) and Σ(x − x̄)² of the rows complete for the pair. */
function leftOf(column: PearsonColumn, out: Sums, n: number): { mean: number; variation: number } {
  const mean = (column.total - out.total) / n;
  return { mean, variation: column.squares - out.squares - n * mean * mean };
}

interface PairColumn {
  readonly column: PearsonColumn;
  readonly mean: number;
  readonly variation: number;
}

function isUsable({ column: { squares }, variation }: PairColumn): boolean {
  return squares > SMALLEST && squares < LARGEST && variation > LEAST_LEFT * squares;
}

/** 1 − |r| = ½‖u ∓ v‖² over the rows complete for both, u and v centred and of unit length there. */
function distanceFromLine(x: PairColumn, y: PairColumn, sign: number): number {
  const [a, b] = [x.column.values, y.column.values];
  const [scaleX, scaleY] = [1 / Math.sqrt(x.variation), sign / Math.sqrt(y.variation)];
  const [centreX, centreY] = [x.column.shift, y.column.shift];
  const shift = x.mean * scaleX - y.mean * scaleY;
  let sum = 0;
  for (let i = 0; i < a.length; i++) {
    const difference = (a[i] - centreX) * scaleX - (b[i] - centreY) * scaleY - shift;
    if (difference === difference) sum += difference * difference;
  }
  return sum / 2;
}
