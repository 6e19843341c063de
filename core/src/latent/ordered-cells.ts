import { bivariateNormal, bivariateNormalDensity } from '../distributions/bivariate-normal';
import { normalDensity, normalUpperTail } from '../distributions/normal';
import { invertPositiveDefinite } from '../linear-algebra/cholesky';
import type { Contingency } from './contingency';

/** Where a likelihood stands: thresholds of the rows, of the columns, and the coefficient. */
export interface LatentPoint {
  readonly a: Float64Array;
  readonly b: Float64Array;
  readonly rho: number;
}

/** Probabilities of cells are differences of others: below this they are rounding. */
const SMALLEST = 1e-15;

/** Probabilities of all cells. Source: Olsson (1979), eq. 4. */
export function cellProbabilities({ a, b, rho }: LatentPoint): Float64Array {
  const [rows, columns] = [a.length + 1, b.length + 1];
  const below = new Float64Array((rows + 1) * (columns + 1));
  for (let i = 1; i <= rows; i++) {
    for (let j = 1; j <= columns; j++) {
      below[i * (columns + 1) + j] = bivariateNormal(a[i - 1] ?? Number.POSITIVE_INFINITY, b[j - 1] ?? Number.POSITIVE_INFINITY, rho);
    }
  }
  const cells = new Float64Array(rows * columns);
  for (let i = 0; i < rows; i++) {
    for (let j = 0; j < columns; j++) {
      const at = (row: number, column: number) => below[row * (columns + 1) + column];
      cells[i * columns + j] = Math.max(SMALLEST, at(i + 1, j + 1) - at(i, j + 1) - at(i + 1, j) + at(i, j));
    }
  }
  return cells;
}

export function logLikelihood({ counts }: Contingency, probabilities: Float64Array): number {
  let sum = 0;
  for (let at = 0; at < counts.length; at++) if (counts[at] > 0) sum += counts[at] * Math.log(probabilities[at]);
  return sum;
}

/**
 * Score and expected information of thresholds and coefficient, the coefficient last.
 * Source: Olsson (1979), eq. 13–20.
 */
export function scoreAndInformation(table: Contingency, point: LatentPoint, probabilities: Float64Array) {
  const slopes = cellSlopes(point);
  const size = slopes.length;
  const cells = probabilities.length;
  const [score, information] = [new Float64Array(size), new Float64Array(size * size)];
  for (let k = 0; k < size; k++) {
    for (let at = 0; at < cells; at++) score[k] += (table.counts[at] / probabilities[at]) * slopes[k][at];
    for (let l = 0; l <= k; l++) {
      let sum = 0;
      for (let at = 0; at < cells; at++) sum += (slopes[k][at] * slopes[l][at]) / probabilities[at];
      information[k * size + l] = information[l * size + k] = table.n * sum;
    }
  }
  return { score, information, inverse: invertPositiveDefinite(information, size), size };
}

/** Derivatives of the cells' probabilities by each threshold and by the coefficient. */
function cellSlopes({ a, b, rho }: LatentPoint): Float64Array[] {
  const [rows, columns] = [a.length + 1, b.length + 1];
  const s = Math.sqrt((1 - rho) * (1 + rho));
  const none = () => new Float64Array(rows * columns);
  const byRow = Array.from(a, (threshold, i) => {
    const slope = none();
    for (let j = 0; j < columns; j++) {
      const change = normalDensity(threshold) * between(b, j, (limit) => (limit - rho * threshold) / s);
      slope[i * columns + j] += change;
      slope[(i + 1) * columns + j] -= change;
    }
    return slope;
  });
  const byColumn = Array.from(b, (threshold, j) => {
    const slope = none();
    for (let i = 0; i < rows; i++) {
      const change = normalDensity(threshold) * between(a, i, (limit) => (limit - rho * threshold) / s);
      slope[i * columns + j] += change;
      slope[i * columns + j + 1] -= change;
    }
    return slope;
  });
  const byRho = none();
  for (let i = 0; i < a.length; i++) {
    for (let j = 0; j < b.length; j++) {
      const density = bivariateNormalDensity(a[i], b[j], rho);
      byRho[i * columns + j] += density;
      byRho[(i + 1) * columns + j] -= density;
      byRho[i * columns + j + 1] -= density;
      byRho[(i + 1) * columns + j + 1] += density;
    }
  }
  return [...byRow, ...byColumn, byRho];
}

/** The normal probability between two thresholds as another variable sees them. */
function between(thresholds: Float64Array, place: number, seen: (limit: number) => number): number {
  const low = place === 0 ? Number.NEGATIVE_INFINITY : seen(thresholds[place - 1]);
  const high = place === thresholds.length ? Number.POSITIVE_INFINITY : seen(thresholds[place]);
  // From the side on which both tails are small.
  return low > 0 ? normalUpperTail(low) - normalUpperTail(high) : normalUpperTail(-high) - normalUpperTail(-low);
}
