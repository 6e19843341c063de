import type { RankColumn } from '../ranks/rank-column';
import type { ColumnSums } from './column-sums';

/** What was made of columns before, for a matrix that need not make it again; what is absent is made. */
export interface PreparedColumns {
  /** By column, for coefficients of ranks; see `rankColumn`. */
  readonly ranked?: readonly (RankColumn | undefined)[];
  /** Of all columns, for Pearson's r; see `columnSums`. */
  readonly sums?: ColumnSums;
}
