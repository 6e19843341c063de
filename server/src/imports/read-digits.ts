export const POWERS_OF_TEN = Float64Array.from({ length: 23 }, (_, exponent) => Number(`1e${exponent}`));
/** Whole numbers of so many digits are exact, and so is their quotient by a power of ten up to 1e22 (Clinger 1990). */
export const EXACT_DIGITS = 15;
const [ZERO, NINE, MINUS, PLUS] = [48, 57, 45, 43];

/**
 * Reads a plainly written number fast: a sign, digits, and at most one decimal mark. Correctly rounded.
 * @param mark character code of the decimal mark
 * @returns NaN for everything else, which may be a number all the same.
 */
export function readDigits(text: string, mark: number): number {
  const { length } = text;
  const first = length > 0 ? text.charCodeAt(0) : 0;
  let value = 0;
  let digits = 0;
  let decimals = -1;
  for (let i = first === MINUS || first === PLUS ? 1 : 0; i < length; i++) {
    const code = text.charCodeAt(i);
    if (code >= ZERO && code <= NINE) {
      value = value * 10 + (code - ZERO);
      digits++;
      if (decimals >= 0) decimals++;
    } else if (code === mark && decimals < 0) decimals = 0;
    else return Number.NaN;
  }
  if (digits === 0 || digits > EXACT_DIGITS) return Number.NaN;
  const size = decimals > 0 ? value / (POWERS_OF_TEN[decimals] ?? 1) : value;
  return first === MINUS ? -size : size;
}
