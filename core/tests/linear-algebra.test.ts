import { describe, expect, it, test } from 'vitest';
import { DoubleSum } from '../src/columns/double-sum';
import { invertPositiveDefinite, logDeterminant } from '../src/linear-algebra/cholesky';
import { dot } from '../src/linear-algebra/dot';
import {
  applyReflections,
  backSubstitute,
  factorize,
  forwardSubstitute,
  invertTriangle,
  undoReflections,
} from '../src/linear-algebra/householder';
import { symmetricEigen } from '../src/linear-algebra/jacobi-eigen';
import { singularValues } from '../src/linear-algebra/jacobi-svd';
import { Random } from '../src/random/random';

const random = new Random(5);
const randomColumns = (count: number, rows: number) =>
  Array.from({ length: count }, () => Float64Array.from({ length: rows }, () => random.normal()));

describe('Householder QR', () => {
  const columns = randomColumns(4, 12);
  const factors = factorize(
    columns.map((column) => column.slice()),
    { pivot: true },
  );

  it('is orthogonal: undoing the reflections gives back what they were applied to, at the same length', () => {
    const [y] = randomColumns(1, 12);
    const turned = applyReflections(factors, y.slice());
    expect(dot(turned, turned)).toBeCloseTo(dot(y, y), 12);
    undoReflections(factors, turned).forEach((value, i) => {
      expect(value).toBeCloseTo(y[i], 13);
    });
  });

  it('R is what is left of the columns, and its inverse undoes it', () => {
    const { pivots, diagonal, rank } = factors;
    expect([rank, [...pivots].sort()]).toEqual([4, [0, 1, 2, 3]]);
    pivots.forEach((original, position) => {
      const turned = applyReflections(factors, columns[original].slice());
      expect(turned[position]).toBeCloseTo(diagonal[position], 12);
      expect(Math.hypot(...turned.subarray(position + 1))).toBeLessThan(1e-12);
    });
    // Pivoting takes the largest remaining norm each time.
    for (let k = 1; k < rank; k++) expect(Math.abs(diagonal[k])).toBeLessThanOrEqual(Math.abs(diagonal[k - 1]) + 1e-12);
    const inverse = invertTriangle(factors);
    for (let k = 0; k < rank; k++) expect(inverse[k * rank + k] * diagonal[k]).toBeCloseTo(1, 13);
  });

  it('solves least squares, and R and its transpose forwards and backwards', () => {
    const wanted = [2, -1, 0.5, 3];
    const y = Float64Array.from({ length: 12 }, (_, i) => columns.reduce((sum, column, j) => sum + wanted[j] * column[i], 0));
    const solution = backSubstitute(factors, applyReflections(factors, y));
    factors.pivots.forEach((original, position) => {
      expect(solution[position]).toBeCloseTo(wanted[original], 12);
    });
    const d = forwardSubstitute(factors, Float64Array.of(1, 2, 3, 4));
    const back = factors.diagonal.map(
      (value, k) => value * d[k] + d.slice(0, k).reduce((sum, di, i) => sum + factors.columns[k][i] * di, 0),
    );
    expect([...back].map((value) => Math.round(value * 1e10) / 1e10)).toEqual([1, 2, 3, 4]);
  });

  it('stops at a column that depends on the others within its tolerance', () => {
    const [a, b] = randomColumns(2, 12);
    const dependent = a.map((value, i) => value - 2 * b[i]);
    expect(factorize([a.slice(), b.slice(), dependent], { pivot: true, tolerances: [1e-12, 1e-12, 1e-12] }).rank).toBe(2);
  });
});

test.each([1, 2, 5, 9])('eigenvalues of a symmetric matrix of size %d: A·v = λ·v, largest first', (size) => {
  const columns = randomColumns(size, size + 3);
  const matrix = Float64Array.from({ length: size * size }, (_, at) => dot(columns[Math.floor(at / size)], columns[at % size]));
  const { values, vectors } = symmetricEigen(matrix, size);
  for (let k = 0; k < size; k++) {
    if (k > 0) expect(values[k]).toBeLessThanOrEqual(values[k - 1]);
    for (let i = 0; i < size; i++) {
      const product = Array.from({ length: size }, (_, j) => matrix[i * size + j] * vectors[j * size + k]).reduce(
        (sum, term) => sum + term,
        0,
      );
      expect(product).toBeCloseTo(values[k] * vectors[i * size + k], 10);
    }
  }
  const inverse = invertPositiveDefinite(matrix, size);
  expect(inverse).not.toBeNull();
  const trace = Array.from({ length: size }, (_, k) => 1 / values[k]).reduce((sum, value) => sum + value, 0);
  expect(Array.from({ length: size }, (_, i) => inverse?.[i * (size + 1)] ?? 0).reduce((sum, value) => sum + value, 0) / trace).toBeCloseTo(
    1,
    9,
  );
  expect(logDeterminant(matrix, size)).toBeCloseTo(
    values.reduce((sum, value) => sum + Math.log(value), 0),
    9,
  );
});

test('a matrix that is singular, indefinite or not all numbers has no inverse and no finite determinant', () => {
  const [singular, indefinite, missing] = [
    Float64Array.of(1, 1, 1, 1),
    Float64Array.of(1, 2, 2, 1),
    Float64Array.of(1, Number.NaN, Number.NaN, 1),
  ];
  expect([singular, indefinite, missing].map((matrix) => invertPositiveDefinite(matrix, 2))).toEqual([null, null, null]);
  expect([singular, indefinite, missing].map((matrix) => logDeterminant(matrix, 2))).toEqual([
    Number.NEGATIVE_INFINITY,
    Number.NaN,
    Number.NaN,
  ]);
});

test('singular values keep the digits of the small ones', () => {
  // Diagonal but for a rotation of the first two rows: the values are known.
  const [c, s] = [Math.cos(0.7), Math.sin(0.7)];
  const columns = [Float64Array.of(3 * c, 3 * s, 0), Float64Array.of(-1e-9 * s, 1e-9 * c, 0), Float64Array.of(0, 0, 1e-15)];
  const { values } = singularValues(columns);
  [3, 1e-9, 1e-15].forEach((wanted, k) => {
    expect(values[k] / wanted).toBeCloseTo(1, 13);
  });
});

test('a sum of twice the working precision loses nothing that cancels', () => {
  const sum = new DoubleSum();
  for (const value of [1e16, 1, -1e16, 1e-20]) sum.add(value);
  expect(sum.value()).toBe(1 + 1e-20);
  const product = new DoubleSum();
  product.addProduct(1 + 2 ** -30, 1 - 2 ** -30);
  product.add(-1);
  expect(product.value()).toBe(-(2 ** -60));
  const mean = new DoubleSum();
  for (const value of [0.1, 0.2, 0.3]) mean.add(value);
  expect(mean.dividedBy(3)).toBe(0.2);
});
