import type { Method } from '../correlation/types';

/** Coefficients that a way may rest on: those of a matrix, and one that far values hardly move. */
export type WayMethod = Method | 'percentage-bend';

/** A scale of a variable: its values on that scale, row by row, or normal scores of the rows that a way uses. */
export type WayScale = Float64Array | 'rank-normal';

/** What a way holds constant: nothing, variables, or the groups of one. */
export type WayHeld =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'controls'; readonly columns: readonly Float64Array[] }
  | { readonly kind: 'groups'; readonly labels: Float64Array };

/**
 * A choice that bears on a coefficient, with its defensible alternatives. Columns and masks are of all rows; which option is
 * in force stands beside, in the order of the choices.
 */
export type Choice =
  | { readonly kind: 'coefficient'; readonly options: readonly WayMethod[] }
  | { readonly kind: 'scale'; readonly of: 'x' | 'y'; readonly options: readonly WayScale[] }
  /** Rows that are set aside or taken in together: one bit of doubt, whether it is one row or many. */
  | { readonly kind: 'rows'; readonly rows: Uint8Array; readonly options: readonly ('out' | 'in')[] }
  | { readonly kind: 'subset'; readonly inside: Uint8Array; readonly options: readonly ('inside' | 'all')[] }
  | {
      readonly kind: 'missing';
      readonly set: readonly Float64Array[];
      readonly options: readonly ('pairwise' | 'listwise' | 'maximum-likelihood')[];
    }
  | { readonly kind: 'held'; readonly options: readonly WayHeld[] }
  | { readonly kind: 'identifier'; readonly labels: Float64Array; readonly options: readonly ('rows' | 'means')[] };

/** All combinations of some numbers of options, or as many of them as are wanted. */
export interface Combinations {
  /** Options by choice, a list for each combination. */
  readonly chosen: readonly (readonly number[])[];
  /** How many there are in all. */
  readonly total: number;
}
