import { bootstrapCorrelation, type Method, modelTriangle, shapiroWilk } from '@ivlen/core';
import type { Matrices } from './matrices';

/** One thing that is timed, here and in a reference library, on the same columns. */
export interface BenchTask {
  /** Its name in reference.py as well. */
  readonly name: string;
  readonly against: 'array library' | 'data-frame library';
  readonly columns: number;
  readonly rows: number;
  readonly missing: number;
  readonly run: (columns: Float64Array[], matrices: Matrices) => unknown;
  /** How many times the reference library's time this may take. */
  readonly goal: number;
}

const matrix = (method: Method) => (columns: Float64Array[], matrices: Matrices) => matrices.compute(method, columns);
const arrays = { against: 'array library', missing: 0 } as const;

export const TASKS: readonly BenchTask[] = [
  { ...arrays, name: 'pearson', columns: 100, rows: 100_000, run: matrix('pearson'), goal: 1 },
  { ...arrays, name: 'pearson-missing', columns: 100, rows: 100_000, missing: 0.01, run: matrix('pearson'), goal: 1 / 3 },
  {
    name: 'pearson-frame',
    against: 'data-frame library',
    columns: 100,
    rows: 100_000,
    missing: 0.01,
    run: matrix('pearson'),
    goal: 0.15,
  },
  { ...arrays, name: 'spearman', columns: 20, rows: 10_000, run: matrix('spearman'), goal: 2 },
  { ...arrays, name: 'spearman', columns: 20, rows: 1_000_000, run: matrix('spearman'), goal: 0.4 },
  {
    name: 'spearman-frame',
    against: 'data-frame library',
    columns: 20,
    rows: 100_000,
    missing: 0.01,
    run: matrix('spearman'),
    goal: 0.3,
  },
  { ...arrays, name: 'kendall', columns: 20, rows: 10_000, run: matrix('kendall'), goal: 1 / 3 },
  { ...arrays, name: 'kendall', columns: 20, rows: 1_000_000, run: matrix('kendall'), goal: 0.3 },
  { ...arrays, name: 'triangle', columns: 100, rows: 200_000, run: (columns) => modelTriangle(columns), goal: 1 },
  { ...arrays, name: 'shapiro-wilk', columns: 1, rows: 5_000, run: ([x]) => x && shapiroWilk(x), goal: 2 },
  {
    ...arrays,
    name: 'bca',
    columns: 2,
    rows: 500,
    run: ([x, y]) => x && y && bootstrapCorrelation(x, y, { method: 'pearson', replicates: 2000, kind: 'bca' }),
    goal: 1 / 3,
  },
];
