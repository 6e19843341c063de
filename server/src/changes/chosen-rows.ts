import type { RowChoice } from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import type { ChangeContext } from './applied-change';

/** The rows of a choice, rising, numbers from 0. @throws {DomainError} a row that the table does not have. */
export async function chosenRows({ db, table, columns }: ChangeContext, choice: RowChoice): Promise<number[]> {
  if ('rule' in choice) {
    const mask = await columns.inSubset(db, table, choice.rule);
    return Array.from(mask.keys()).filter((row) => mask[row] === 1);
  }
  const rows = new Set<number>();
  for (const [first, last] of choice.rows) {
    assertRow(Math.max(first, last), table.rows);
    for (let row = Math.min(first, last); row <= Math.max(first, last); row++) rows.add(row - 1);
  }
  return [...rows].sort((a, b) => a - b);
}

/** @param number counted from 1 */
export function assertRow(number: number, rows: number): void {
  if (number <= rows) return;
  throw new DomainError('no-such-row', `There is no row ${number}; the last is row ${rows}.`, {
    where: `row ${number}`,
    hint: 'Reload the page.',
  });
}
