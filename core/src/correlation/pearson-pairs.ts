import { centreColumn } from '../columns/centre';
import { gatherCompletePair } from '../columns/complete-rows';
import { adfVariance } from './adf-variance';
import { crossProducts } from './cross-products';
import type { ResolvedCorrelationOptions } from './options';
import { testFromProduct, testPearson } from './pearson';
import { FEWEST_ROWS } from './test-result';
import type { TestedPairs } from './tested-pairs';
import type { CorrelationTest } from './types';
import { NEAR_LINE, toUnitLength, type UnitProduct, unitProduct } from './unit-product';

/** A column made ready for all its pairs. */
interface PearsonColumn {
  readonly values: Float64Array;
  /** Centred at the column's own mean and of unit length, NaN where missing; null where it does not vary. */
  readonly unit: Float64Array | null;
  /** The same with 0 where missing, so that products need no test for missing values. */
  readonly filled: Float64Array;
  readonly missingRows: Uint32Array;
}

/** Smaller distances from a line are computed from the pair’s own rows, since what is left of their digits is rounding. */
const SURE_OF_NO_LINE = 1e-9;

/** If less than this of a column's variation is left after deletion, sums by difference would lose digits. */
const LEAST_LEFT = 0.5;

/**
 * Tests all pairs of columns. Products of centred columns are computed for all pairs at once; rows that the other
 * column misses are taken out of the sums afterwards. Where that could cost digits (|r| near 1, much of the variation
 * in the missing rows), the pair's rows are gathered and centred afresh.
 */
export function createPearsonPairs(columns: readonly Float64Array[], options: ResolvedCorrelationOptions): TestedPairs {
  const prepared = columns.map(prepareColumn);
  const products = crossProducts(prepared.map(({ filled }) => filled));
  const rows = columns[0]?.length ?? 0;
  const scratch = { x: new Float64Array(rows), y: new Float64Array(rows) };
  const test = (i: number, j: number): CorrelationTest => {
    const [a, b] = [prepared[i], prepared[j]];
    const quick = options.interval === 'adf' ? null : quickProduct(a, b, products[i * columns.length + j]);
    if (quick) return testFromProduct(quick.product, quick.n, options, noAdf);
    if (a.unit && b.unit && a.missingRows.length + b.missingRows.length === 0 && rows >= FEWEST_ROWS) {
      const [u, v] = [a.unit, b.unit];
      const product = unitProduct(u, v);
      return testFromProduct(product, rows, options, () => adfVariance(u, v, product));
    }
    const n = gatherCompletePair(a.values, b.values, scratch.x, scratch.y);
    return testPearson(scratch.x, scratch.y, n, options);
  };
  const column = (i: number) => ({ present: rows - prepared[i].missingRows.length, constant: prepared[i].unit === null });
  return { test, column };
}

function noAdf(): number {
  return Number.NaN;
}

function prepareColumn(values: Float64Array): PearsonColumn {
  const missingRows = findMissing(values);
  const present = missingRows.length === 0 ? values : values.filter((value) => value === value);
  const { centred, constant } = centreColumn(present);
  if (constant) return { values, unit: null, filled: new Float64Array(values.length), missingRows };
  toUnitLength(centred);
  if (missingRows.length === 0) return { values, unit: centred, filled: centred, missingRows };
  const unit = new Float64Array(values.length);
  const filled = new Float64Array(values.length);
  for (let i = 0, k = 0; i < values.length; i++) {
    const there = values[i] === values[i];
    unit[i] = there ? centred[k] : Number.NaN;
    filled[i] = there ? centred[k++] : 0;
  }
  return { values, unit, filled, missingRows };
}

function findMissing(values: Float64Array): Uint32Array {
  const rows: number[] = [];
  for (let i = 0; i < values.length; i++) if (values[i] !== values[i]) rows.push(i);
  return Uint32Array.from(rows);
}

/** The coefficient from sums over all rows less those that either column misses; null where that would lose digits. */
function quickProduct(a: PearsonColumn, b: PearsonColumn, product: number): { product: UnitProduct; n: number } | null {
  if (!a.unit || !b.unit) return null;
  const outOfA = sumsOverRows(a, b.missingRows);
  const outOfB = sumsOverRows(b, a.missingRows);
  const n = a.values.length - a.missingRows.length - outOfA.rows;
  if (n < FEWEST_ROWS) return null;
  const variationA = 1 - outOfA.squares - (outOfA.sum * outOfA.sum) / n;
  const variationB = 1 - outOfB.squares - (outOfB.sum * outOfB.sum) / n;
  if (variationA < LEAST_LEFT || variationB < LEAST_LEFT) return null;
  const r = (product - (outOfA.sum * outOfB.sum) / n) / Math.sqrt(variationA * variationB);
  if (Math.abs(r) < NEAR_LINE) return { product: { r, oneMinusAbs: 1 - Math.abs(r) }, n };
  if (outOfA.rows + outOfB.rows === 0) return null;
  const near = nearLine(a.unit, b.unit, r, { ...outOfA, variation: variationA }, { ...outOfB, variation: variationB }, n);
  return near.oneMinusAbs < SURE_OF_NO_LINE ? null : { product: near, n };
}

interface Removed {
  readonly rows: number;
  readonly sum: number;
  readonly squares: number;
}

function sumsOverRows({ filled, unit }: PearsonColumn, rows: Uint32Array): Removed {
  let sum = 0;
  let squares = 0;
  let present = 0;
  for (let k = 0; k < rows.length; k++) {
    const value = filled[rows[k]];
    sum += value;
    squares += value * value;
    if (unit && unit[rows[k]] === value) present++;
  }
  return { rows: present, sum, squares };
}

/** 1 − |r| = ½‖u ∓ v‖² over the rows complete for both, each column shifted and scaled to those rows. */
function nearLine(
  x: Float64Array,
  y: Float64Array,
  r: number,
  outX: Removed & { variation: number },
  outY: Removed & { variation: number },
  n: number,
): UnitProduct {
  const sign = r > 0 ? 1 : -1;
  const [meanX, meanY] = [-outX.sum / n, -outY.sum / n];
  const [scaleX, scaleY] = [1 / Math.sqrt(outX.variation), sign / Math.sqrt(outY.variation)];
  const shift = meanX * scaleX - meanY * scaleY;
  let sum = 0;
  for (let i = 0; i < x.length; i++) {
    const difference = x[i] * scaleX - y[i] * scaleY - shift;
    if (difference === difference) sum += difference * difference;
  }
  const oneMinusAbs = sum / 2;
  return { r: sign * (1 - oneMinusAbs), oneMinusAbs };
}
