import { bootstrapCorrelation, correlationMatrix, shapiroWilk } from '@ivlen/core';

/** One thing that is timed, here and in the reference library, on the same columns. */
export interface BenchTask {
  readonly name: string;
  readonly columns: number;
  readonly rows: number;
  readonly missing: number;
  readonly run: (columns: Float64Array[]) => unknown;
  /** How many times the reference library's time this may take. */
  readonly goal: number;
}

const matrix = (method: 'pearson' | 'spearman' | 'kendall') => (columns: Float64Array[]) =>
  correlationMatrix(columns, { method, missing: 'pairwise' });

export const TASKS: readonly BenchTask[] = [
  { name: 'pearson', columns: 100, rows: 100_000, missing: 0, run: matrix('pearson'), goal: 2 },
  { name: 'pearson-missing', columns: 100, rows: 100_000, missing: 0.01, run: matrix('pearson'), goal: 1 / 3 },
  { name: 'spearman', columns: 20, rows: 10_000, missing: 0, run: matrix('spearman'), goal: 2 },
  { name: 'kendall', columns: 20, rows: 10_000, missing: 0, run: matrix('kendall'), goal: 1 / 3 },
  { name: 'shapiro-wilk', columns: 1, rows: 5_000, missing: 0, run: ([x]) => x && shapiroWilk(x), goal: 2 },
  {
    name: 'bca',
    columns: 2,
    rows: 500,
    missing: 0,
    run: ([x, y]) => x && y && bootstrapCorrelation(x, y, { method: 'pearson', replicates: 2000, kind: 'bca' }),
    goal: 1 / 3,
  },
];
