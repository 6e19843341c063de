/** The minus sign of typeset numbers; the hyphen on the keyboard is shorter and breaks lines. */
const MINUS = '−';

/**
 * A number with fixed decimals, a true minus sign and never a negative zero. `–` for what is not a number.
 *
 * @example
 * formatFixed(-2.5, 1); // '−2.5'
 */
export function formatFixed(value: number, decimals: number): string {
  if (Number.isNaN(value)) return '–';
  if (!Number.isFinite(value)) return value > 0 ? '∞' : `${MINUS}∞`;
  const text = Math.abs(value).toFixed(decimals);
  return value < 0 && Number(text) !== 0 ? MINUS + text : text;
}

/**
 * A correlation coefficient: no leading zero, true minus, no −.00, and `> .99` where |r| < 1 would round to 1.
 * @param decimals 2 or 3 are usual
 *
 * @example
 * formatCoefficient(-0.314); // '−.31'
 */
export function formatCoefficient(value: number, decimals = 2): string {
  if (Number.isNaN(value)) return '–';
  const size = Math.abs(value);
  const text = formatFixed(size, decimals);
  if (size < 1 && Number(text) >= 1) {
    const limit = `.${'9'.repeat(decimals)}`;
    return value > 0 ? `> ${limit}` : `< ${MINUS}${limit}`;
  }
  const sign = value < 0 && Number(text) !== 0 ? MINUS : '';
  return sign + text.replace(/^0\./, '.');
}

/**
 * A p-value, never `.000`: to three decimals `< .001` below .001, `> .999` above .9995, and more digits where rounding
 * would carry it to or across one of the significance levels in use (.0496 stays apart from .05).
 * @param decimals 3 are usual; 2 to 4 are sensible
 *
 * @example
 * formatP(0.0123); // '.012'
 */
export function formatP(p: number, levels: readonly number[] = [0.05, 0.01, 0.001], decimals = 3): string {
  if (Number.isNaN(p)) return '–';
  const least = 10 ** -decimals;
  // A level below what the decimals can tell: "< .01" would hide on which side of .001 it lies.
  const finest = levels.reduce((a, b) => Math.min(a, b), least);
  if (p < finest) return `< ${withoutZero(finest.toFixed(15).replace(/0+$/, ''))}`;
  if (p > 1 - least / 2) return `> .${'9'.repeat(decimals)}`;
  for (let digits = decimals; digits <= decimals + 5; digits++) {
    const rounded = Number(p.toFixed(digits));
    if (
      (p >= least || digits > decimals) &&
      levels.every((level) => p <= level === rounded <= level && (p === level || rounded !== level))
    ) {
      return withoutZero(p.toFixed(digits));
    }
  }
  return withoutZero(String(p));
}

function withoutZero(text: string): string {
  return text.replace(/^0\./, '.');
}

/**
 * A p-value with its relation, for sentences: `p = .031`, `p < .001`.
 *
 * @example
 * formatPRelation(0.00001); // 'p < .001'
 */
export function formatPRelation(p: number, levels?: readonly number[], decimals = 3): string {
  const text = formatP(p, levels, decimals);
  return /^[<>]/.test(text) ? `p ${text}` : `p = ${text}`;
}

/**
 * The value of a p-value in full, from its logarithm: 3.1 × 10⁻³⁷, also where the p-value underflows.
 *
 * @example
 * formatFullP(0.00012345, Math.log10(0.00012345)); // '.0001234'
 */
export function formatFullP(p: number, log10P: number): string {
  if (Number.isNaN(p)) return '–';
  if (log10P === Number.NEGATIVE_INFINITY) return '0';
  if (p >= 0.0001) return p.toPrecision(4).replace(/^0\./, '.');
  let exponent = Math.floor(log10P);
  let digits = (10 ** (log10P - exponent)).toFixed(1);
  if (digits === '10.0') {
    digits = '1.0';
    exponent += 1;
  }
  return `${digits} × 10${superscript(exponent)}`;
}

/**
 * An interval in brackets: `[.27, .64]`.
 *
 * @example
 * formatInterval(-0.1, 0.35); // '[−.10, .35]'
 */
export function formatInterval(low: number, high: number, decimals = 2): string {
  if (Number.isNaN(low) || Number.isNaN(high)) return '–';
  return `[${formatCoefficient(low, decimals)}, ${formatCoefficient(high, decimals)}]`;
}

const SUPERSCRIPTS: Readonly<Record<string, string>> = {
  '-': '⁻',
  '0': '⁰',
  '1': '¹',
  '2': '²',
  '3': '³',
  '4': '⁴',
  '5': '⁵',
  '6': '⁶',
  '7': '⁷',
  '8': '⁸',
  '9': '⁹',
};

function superscript(value: number): string {
  return [...String(value)].map((digit) => SUPERSCRIPTS[digit] ?? digit).join('');
}
