import { formatFixed } from '@ivlen/core';
import { grouped, powerOfTen } from '../numbers/plain-number';

const LARGEST_PLAIN = 1e9;
const DIGITS_OF_SD = 3;

/**
 * A mean or SD in the variable's unit: one decimal more than the values show, or as many as give the SD three digits;
 * very large and very small ones as powers of ten.
 */
export function formatMeasured(value: number | null, sd: number | null, decimals: number | null): string {
  if (value === null) return '–';
  const size = Math.max(Math.abs(value), sd ?? 0);
  if (size >= LARGEST_PLAIN || (size > 0 && size < 1e-5)) return powerOfTen(value, 3);
  return grouped(formatFixed(value, decimals === null ? decimalsFor(sd) : decimals + 1).replace('−', '-'));
}

function decimalsFor(sd: number | null): number {
  if (!sd || !Number.isFinite(sd)) return 2;
  return Math.max(0, Math.min(8, DIGITS_OF_SD - 1 - Math.floor(Math.log10(sd))));
}
