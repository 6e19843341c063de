/** A coefficient, with its p by the chosen alternative. */
export interface Judged {
  readonly coefficient: number;
  readonly pValue: number;
}

/** A difference of two coefficients that a reader would notice. */
const NOTICEABLE = 0.1;
/** In normal pairs r and ρ differ by an SD of about .35/√(n − 1); three times that is no chance. */
const THREE_SDS_OF_METHODS = 1.05;
/** Without its most influential row r of a normal pair moves by less than 6/(n − 1) in all but a few of a hundred samples. */
const CHANCE_OF_ONE_ROW = 6;

/**
 * By how much r and ρ must differ at n rows before the difference is more than chance brings.
 *
 * @example
 * noticeableBetweenMethods(50); // 0.15
 */
export function noticeableBetweenMethods(n: number): number {
  return Math.max(NOTICEABLE, THREE_SDS_OF_METHODS / Math.sqrt(n - 1));
}

/**
 * By how much a coefficient must move without one row before the move is more than chance brings.
 *
 * @example
 * noticeableWithoutRow(25); // 0.25
 */
export function noticeableWithoutRow(n: number): number {
  return Math.max(NOTICEABLE, CHANCE_OF_ONE_ROW / (n - 1));
}

/**
 * Whether two results decide clearly differently: p at most α for one and above 2α for the other, so that p on both sides of
 * the level by a hair alarms nobody; or both at most α with opposite signs. NaN decides nothing.
 *
 * @example
 * decideDifferently({ coefficient: 0.3, pValue: 0.04 }, { coefficient: 0.28, pValue: 0.06 }, 0.05); // false
 */
export function decideDifferently(a: Judged, b: Judged, alpha: number): boolean {
  if (a.pValue <= alpha && b.pValue <= alpha) return a.coefficient * b.coefficient < 0;
  return (a.pValue <= alpha && b.pValue > 2 * alpha) || (b.pValue <= alpha && a.pValue > 2 * alpha);
}

/**
 * Whether heeding a caution could change the conclusion: its remedy decides differently, or its coefficient differs by as
 * much as a reader would notice.
 * @param least the noticeable difference; default .10
 *
 * @example
 * couldChange({ coefficient: 0.5, pValue: 0.01 }, { coefficient: 0.38, pValue: 0.03 }, 0.05); // true
 */
export function couldChange(found: Judged, remedy: Judged, alpha: number, least = NOTICEABLE): boolean {
  return decideDifferently(found, remedy, alpha) || Math.abs(found.coefficient - remedy.coefficient) >= least;
}
