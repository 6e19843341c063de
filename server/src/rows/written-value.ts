import type { Variable } from '@ivlen/contract';

const DAY_MS = 86_400_000;

/** A value as text that reads back to the same value: numbers with all their digits, dates as 2023-05-31; null if missing. */
export function writtenValue(value: number, { storage }: Pick<Variable, 'storage'>, dictionary: readonly string[]): string | null {
  if (Number.isNaN(value)) return null;
  if (storage === 'code') return dictionary[value] ?? null;
  return storage === 'day' ? new Date(value * DAY_MS).toISOString().slice(0, 10) : String(value);
}
