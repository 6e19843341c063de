/** A number as JSON can carry it: null for what cannot be computed. log10 P of an exact line, −∞, is null too. */
export function finiteOrNull(value: number): number | null {
  return Number.isFinite(value) ? value : null;
}
