import { greatest } from '../numbers/ends';
import { grouped, powerOfTen } from '../numbers/plain-number';

const DIGITS = 4;
/** Larger numbers, and smaller ones, are powers of ten. */
const [LARGEST, SMALLEST] = [1e9, 1e-4];

/** A value of a line or test, to four digits; very large and very small ones as powers of ten. */
export function significant(value: number | null): string {
  if (value === null || !Number.isFinite(value)) return '–';
  const size = Math.abs(value);
  if (size !== 0 && (size >= LARGEST || size < SMALLEST)) return powerOfTen(value, DIGITS - 1);
  const decimals = size === 0 ? 0 : Math.max(0, DIGITS - 1 - Math.floor(Math.log10(size)));
  return grouped(value.toFixed(Math.min(8, decimals)));
}

/** A value of the data as it is, without digits that are not there. */
export function asMeasured(value: number | null): string {
  if (value === null || Number.isNaN(value)) return '–';
  const shown = Number(value.toPrecision(8));
  const text = String(shown);
  return text.includes('e') || Math.abs(shown) >= 1e12 ? powerOfTen(shown) : grouped(text);
}

/** Values that stand under each other: as many decimals in each as the longest has. @param most decimals at the most */
export function asMeasuredAlike(values: readonly (number | null)[], most = 8): (value: number | null) => string {
  const decimals = Math.max(0, greatest(values.map((value) => decimalsOf(value))));
  return (value) => {
    const text = asMeasured(value);
    return value === null || text.includes('×') || Number.isNaN(value) ? text : grouped(value.toFixed(Math.min(most, decimals)));
  };
}

function decimalsOf(value: number | null): number {
  if (value === null || !Number.isFinite(value)) return 0;
  const text = String(Number(value.toPrecision(8)));
  return text.includes('e') ? 0 : (text.split('.')[1]?.length ?? 0);
}
