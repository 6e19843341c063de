const DIGITS = 4;

/** A figure of a line or test, to four digits; very large and very small ones as powers of ten. */
export function significant(value: number | null): string {
  if (value === null || !Number.isFinite(value)) return '–';
  const size = Math.abs(value);
  if (size !== 0 && (size >= 1e7 || size < 1e-4))
    return value
      .toExponential(DIGITS - 1)
      .replaceAll('-', '−')
      .replace('e+', 'e');
  const decimals = size === 0 ? 0 : Math.max(0, DIGITS - 1 - Math.floor(Math.log10(size)));
  return value.toFixed(Math.min(8, decimals)).replace('-', '−');
}

/** A value of the data as it is, without digits that are not there. */
export function asMeasured(value: number | null): string {
  return value === null || Number.isNaN(value) ? '–' : String(Number(value.toPrecision(8))).replace('-', '−');
}
