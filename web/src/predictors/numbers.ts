import { formatFixed } from '@ivlen/core';
import { grouped, powerOfTen } from '../numbers/plain-number';

/** A variance inflation factor: two decimals up to 10, fewer above, where they say nothing any more. */
export function vifText(value: number): string {
  if (Number.isNaN(value)) return '–';
  if (value === Number.POSITIVE_INFINITY) return '∞';
  return grouped(formatFixed(value, value < 9.995 ? 2 : value < 99.95 ? 1 : 0));
}

/** A share told: whole percents, and as many digits as tell it from all of it. */
export function shareText(share: number): string {
  if (Number.isNaN(share)) return '–';
  if (share === 1) return '100 %';
  const percent = 100 * share;
  for (const decimals of [0, 1, 2, 3, 4]) {
    const text = percent.toFixed(decimals);
    // 99.5 % is no 100 %, and 99.96 % is more than 99.9 %: nines are what tells here.
    if (Number(text) < 100 && !(share >= 0.985 && decimals === 0)) return `${text} %`;
  }
  return '> 99.9999 %';
}

/** 1/VIF, to two digits that count. */
export function toleranceText(value: number): string {
  if (Number.isNaN(value)) return '–';
  if (value === 0) return '0';
  if (value < 0.0000095) return powerOfTen(value, 1);
  return value.toFixed(Math.max(2, 1 - Math.floor(Math.log10(value * 1.0526))));
}

/** A condition index: the last digits say nothing. */
export function indexText(value: number): string {
  if (value === Number.POSITIVE_INFINITY) return '∞';
  return grouped(value < 9.95 ? formatFixed(value, 1) : formatFixed(value, 0));
}
