import { DoubleSum } from '../columns/double-sum';
import { scaleToOne } from '../columns/power-of-two';
import { applyReflections, backSubstitute, forwardSubstitute, type QrFactorization, undoReflections } from '../linear-algebra/householder';
import { scaleOf, type UnitColumn } from './unit-columns';

/** A least-squares problem with the factorization of its (centred) unit columns. */
export interface LeastSquares {
  readonly y: Float64Array;
  readonly xs: readonly Float64Array[];
  readonly columns: readonly UnitColumn[];
  readonly factors: QrFactorization;
  readonly intercept: boolean;
}

export interface LeastSquaresSolution {
  /** Intercept first; 0 where there is none. */
  readonly coefficients: Float64Array;
  readonly residuals: Float64Array;
}

const ROUNDS = 4;

/**
 * Coefficients and residuals together, refined with residuals of twice the working precision.
 *
 * Source: Björck (1967), iterative refinement of the augmented system r + Ax = b, Aᵀr = 0: unlike refining x alone, it
 * keeps its digits where the residuals are large. The factorization of the centred columns serves as the solver.
 */
export function solveRefined(problem: LeastSquares): LeastSquaresSolution {
  const { y, xs, columns, factors, intercept } = problem;
  const n = y.length;
  const coefficients = new Float64Array(xs.length + 1);
  const residuals = new Float64Array(n);
  for (let round = 0; round <= ROUNDS; round++) {
    const { misfit, mean } = misfitOf(problem, coefficients, residuals);
    const { slopes, total } = missedOrthogonality(problem, residuals);
    const projected = applyReflections(factors, misfit);
    const d = forwardSubstitute(
      factors,
      Float64Array.from(factors.pivots, (column) => -slopes[column]),
    );
    const head = projected.slice(0, factors.rank);
    projected.set(d);
    const solution = backSubstitute(
      factors,
      head.map((value, k) => value - d[k]),
    );
    const steps = new Float64Array(xs.length);
    factors.pivots.forEach((column, position) => {
      steps[column] = solution[position] / columns[column].length;
    });
    const change = undoReflections(factors, projected);
    for (let i = 0; i < n; i++) residuals[i] += change[i] - total / n;
    steps.forEach((step, j) => {
      coefficients[j + 1] += step;
    });
    if (intercept) coefficients[0] += mean + total / n - steps.reduce((sum, step, j) => sum + step * columns[j].shift, 0);
  }
  return { coefficients, residuals };
}

/** y − r − b₀ − Σbⱼxⱼ, less its mean where there is an intercept. */
function misfitOf({ y, xs, intercept }: LeastSquares, coefficients: Float64Array, residuals: Float64Array) {
  const misfit = new Float64Array(y.length);
  let mean = 0;
  for (let i = 0; i < y.length; i++) {
    const sum = new DoubleSum();
    sum.add(y[i]);
    sum.add(-residuals[i]);
    sum.add(-coefficients[0]);
    for (let j = 0; j < xs.length; j++) sum.addProduct(-coefficients[j + 1], xs[j][i]);
    misfit[i] = sum.value();
    mean += misfit[i] / y.length;
  }
  if (!intercept) return { misfit, mean: 0 };
  for (let i = 0; i < misfit.length; i++) misfit[i] -= mean;
  return { misfit, mean };
}

/** Products of the (centred) unit columns with the residuals, and the residuals' sum: all would be 0 at the solution. */
function missedOrthogonality({ xs, columns, intercept }: LeastSquares, residuals: Float64Array) {
  // By powers of two to about 1, so that products neither overflow nor lose their low halves.
  const scale = scaleOf(residuals);
  const rests = residuals.map((value) => value * scale);
  const total = new DoubleSum();
  for (let i = 0; i < rests.length; i++) total.add(rests[i]);
  const slopes = xs.map((x, j) => {
    const ofColumn = scaleToOne(Math.max(columns[j].length, Math.abs(columns[j].shift)));
    const sum = new DoubleSum();
    for (let i = 0; i < rests.length; i++) sum.addProduct(x[i] * ofColumn, rests[i]);
    if (intercept) {
      sum.addProduct(-columns[j].shift * ofColumn, total.high);
      sum.addProduct(-columns[j].shift * ofColumn, total.low);
    }
    return sum.value() / (columns[j].length * ofColumn) / scale;
  });
  return { slopes, total: intercept ? total.value() / scale : 0 };
}
