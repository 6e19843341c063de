import type { NumberReader } from './number-reader';

/**
 * Whether the first row holds names: it does where a column of numbers starts with something that is not a number, and
 * does not where every such column starts with a number. In a table without numbers it does if its first row differs
 * from all that stands below it.
 */
export function guessHeader(rows: readonly (readonly string[])[], readNumber: NumberReader, missingCodes: readonly string[]): boolean {
  const [first, ...below] = rows;
  if (!first) return false;
  if (below.length === 0) return first.every((cell) => Number.isNaN(readNumber(cell.trim())));
  const isNumber = (cell: string | undefined) => cell !== undefined && !Number.isNaN(readNumber(cell.trim()));
  const hasValue = (cell: string | undefined) => cell !== undefined && cell.trim() !== '' && !missingCodes.includes(cell.trim());

  let numeric = 0;
  let named = 0;
  first.forEach((cell, i) => {
    const values = below.map((row) => row[i]).filter(hasValue);
    if (values.length === 0 || values.filter(isNumber).length < values.length / 2) return;
    numeric++;
    if (!isNumber(cell)) named++;
  });
  if (numeric > 0) return named > numeric / 2;
  const distinct = new Set(first).size === first.length;
  return distinct && first.every((cell, i) => cell.trim() !== '' && below.every((row) => row[i] !== cell));
}
