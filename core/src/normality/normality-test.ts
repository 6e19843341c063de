/** Why a test of normality has no p-value. */
export type NormalityUndefined = 'too-few-cases' | 'too-many-cases' | 'constant' | 'singular';

/** A test of normality. A small p speaks against it; a large one detects no departure, and proves nothing. */
export interface NormalityTest {
  readonly statistic: number;
  readonly pValue: number;
  readonly log10P: number;
  /** Values used. */
  readonly n: number;
  readonly undefinedBecause?: NormalityUndefined;
}

export function undefinedNormality(n: number, undefinedBecause: NormalityUndefined): NormalityTest {
  return { statistic: Number.NaN, pValue: Number.NaN, log10P: Number.NaN, n, undefinedBecause };
}
