import type { ImportSettings } from '@ivlen/contract';

const PLAIN = /^[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?$/;
/** The common one, and those that do not break. */
const SPACES = /[ \u00a0\u202f]/g;
const LEADING_ZERO = /^0\d/;

/** Reads a number written with the given marks; NaN for what is not one, ±Infinity for what a double cannot hold. */
export type NumberReader = (text: string) => number;

type Marks = Pick<ImportSettings, 'decimal' | 'thousands'> & Partial<Pick<ImportSettings, 'format'>>;

/** In formats that know numbers these are written in one way only, whatever marks the texts beside them have. */
const AS_WRITTEN = { decimal: '.', thousands: 'none' } as const;

export function createNumberReader({ format = 'text', ...marks }: Marks): NumberReader {
  const read = readerOf(marks);
  if (format === 'text') return read;
  const readWritten = readerOf(AS_WRITTEN);
  return (text) => {
    const written = readWritten(text);
    return written === written ? written : read(text);
  };
}

function readerOf({ decimal, thousands }: Pick<ImportSettings, 'decimal' | 'thousands'>): NumberReader {
  const grouped = thousands === 'none' ? null : groupedPattern(thousands, decimal);
  const separators = thousands === ' ' ? SPACES : thousands === 'none' ? null : new RegExp(escaped(thousands), 'g');
  return (text) => {
    let digits = text.replace('−', '-');
    if (grouped && separators && grouped.test(digits)) digits = digits.replace(separators, '');
    if (decimal === ',') {
      // A point is no decimal mark here: 1.5 must not pass for a number by chance.
      if (digits.includes('.')) return Number.NaN;
      digits = digits.replace(',', '.');
    }
    return PLAIN.test(digits) ? Number(digits) : Number.NaN;
  };
}

/** Codes such as 007 are names, not amounts: as numbers they would lose their zeros. */
export function hasLeadingZero(text: string): boolean {
  return LEADING_ZERO.test(text);
}

/** A number that uses the thousands separator, such as 12,345.6. */
export function groupedPattern(thousands: string, decimal: string): RegExp {
  const mark = thousands === ' ' ? '[ \\u00a0\\u202f]' : escaped(thousands);
  return new RegExp(`^[+-]?\\d{1,3}(?:${mark}\\d{3})+(?:${escaped(decimal)}\\d*)?$`);
}

function escaped(mark: string): string {
  return mark.replace(/[.]/g, '\\$&');
}
