/** Sums over columns that are shifted by a number each, with missing values (NaN) counting for 0. */
export interface ShiftedProducts {
  /** Σ xᵢyᵢ of all pairs, size × size, row-major; the diagonal holds the sums of squares. */
  readonly products: Float64Array;
  readonly totals: Float64Array;
  /** How many values of each column are present. */
  readonly present: Float64Array;
}
