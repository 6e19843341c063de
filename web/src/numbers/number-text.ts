import { formatCoefficient, formatInterval, formatP, formatPRelation } from '@ivlen/core';

/** Decimals of coefficients and of p, as the study has them. */
export interface Decimals {
  readonly coefficients: number;
  readonly p: number;
}

export const USUAL_DECIMALS: Decimals = { coefficients: 2, p: 3 };
/** Where rows, groups or methods are compared by one coefficient each, small differences matter. */
const FINE = 3;

/** Of the study on screen; there is one at a time (docs/decisions/0035). */
let decimals = USUAL_DECIMALS;

/** Says how numbers are written from here on. What is on screen is to be drawn anew. */
export function writeNumbersWith(chosen: Decimals): void {
  decimals = chosen;
}

/** How numbers are written, for what is made elsewhere: sentences of the core. */
export function decimalsInUse(): Decimals {
  return decimals;
}

/** A coefficient: "−.42". */
export function coefficientText(value: number): string {
  return formatCoefficient(value, decimals.coefficients);
}

/** A coefficient beside others that it is compared with: three decimals at least. */
export function fineCoefficientText(value: number): string {
  return formatCoefficient(value, Math.max(FINE, decimals.coefficients));
}

/** A symbol with a coefficient as it is written: "r = −.42", "r > .99". @param text of `coefficientText` or `fineCoefficientText` */
export function relationText(symbol: string, text: string): string {
  return /^[<>]/.test(text) ? `${symbol} ${text}` : `${symbol} = ${text}`;
}

/** "[−.52, −.31]". */
export function intervalText(low: number, high: number): string {
  return formatInterval(low, high, decimals.coefficients);
}

export function fineIntervalText(low: number, high: number): string {
  return formatInterval(low, high, Math.max(FINE, decimals.coefficients));
}

/** "< .001", ".034", ".0496" beside a level of .05. */
export function pText(p: number, levels?: readonly number[]): string {
  return formatP(p, levels, decimals.p);
}

/** "p < .001". */
export function pRelationText(p: number, levels?: readonly number[]): string {
  return formatPRelation(p, levels, decimals.p);
}

/** A level as sentences write it: ".05". */
export function levelText(value: number): string {
  return String(value).replace(/^0/, '');
}

const MOST_DIGITS = 6;

/** A coefficient below a threshold with as many digits as it takes to read as one below it: ".899", where ".90" is asked for. */
export function textBelow(coefficient: number, threshold: number): string {
  for (let digits = 3; digits <= MOST_DIGITS; digits++) {
    if (Number(Math.abs(coefficient).toFixed(digits)) < threshold) return formatCoefficient(coefficient, digits);
  }
  return `just below ${coefficientText(threshold)}`;
}
