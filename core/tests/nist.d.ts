export interface LinearSet {
  readonly name: string;
  readonly y: readonly number[];
  readonly xs: readonly (readonly number[])[];
  readonly intercept: boolean;
  /** Certified coefficients, intercept first, and their standard deviations. */
  readonly coefficients: readonly number[];
  readonly se: readonly number[];
  readonly residualSd: number;
  readonly r2: number;
  /** Digits of the coefficients that the stored doubles allow. */
  readonly digits: number;
}
export declare function linearSets(norris: { x: number[]; y: number[] }): LinearSet[];
/** Univariate sets beside the generated ones: values, certified mean and standard deviation. */
export declare const UNIVARIATE: readonly [
  {
    readonly name: 'Mavro';
    readonly values: number[];
    readonly mean: 2.001856;
    readonly sd: 0.000429123454003053;
  },
  {
    readonly name: 'Lew';
    readonly values: number[];
    readonly mean: -177.435;
    readonly sd: 277.332168044316;
  },
];
