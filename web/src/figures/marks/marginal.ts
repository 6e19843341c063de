interface Curve {
  readonly x: readonly number[];
  readonly y: readonly number[];
}

export interface Box {
  /** The group it is of; null for all rows. */
  readonly group: number | null;
  readonly n: number;
  readonly low: number;
  readonly q1: number;
  readonly median: number;
  readonly q3: number;
  readonly high: number;
}

/** How the values of one variable are distributed, for the diagonal and for margins. */
export interface Marginal {
  readonly variable: string;
  readonly n: number;
  readonly edges: readonly number[];
  readonly counts: readonly number[];
  /** Of all rows, and of each group asked for. */
  readonly densities: readonly (Curve & { readonly group: number | null })[];
  readonly boxes: readonly Box[];
}
