import type { ColumnReading } from './column-builder';
import { detectDateReader } from './date-reader';
import { hasLeadingZero } from './number-reader';

/** A share of cells that are not numbers above this makes the column text. */
export const MOST_EXCEPTIONS = 0.2;

/** Decides from a sample of cells how a column is to be read. */
export function chooseReading(sample: readonly string[], numbers: Extract<ColumnReading, { storage: 'number' }>): ColumnReading {
  if (sample.length === 0) return { storage: 'code' };
  const found = sample.filter((text) => !Number.isNaN(numbers.read(text)));
  if (found.length >= sample.length * (1 - MOST_EXCEPTIONS) && !found.some(hasLeadingZero)) return numbers;
  const readDate = detectDateReader(sample);
  return readDate ? { storage: 'day', read: readDate } : { storage: 'code' };
}
