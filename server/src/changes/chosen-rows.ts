import type { RowChoice, RowRanges } from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import type { ChangeContext } from './applied-change';

/** The rows of a choice, rising, numbers from 0. @throws {DomainError} a row that the table does not have. */
export async function chosenRows({ db, table, columns }: ChangeContext, choice: RowChoice): Promise<number[]> {
  if ('rule' in choice) {
    const mask = await columns.inSubset(db, table, choice.rule);
    return Array.from(mask.keys()).filter((row) => mask[row] === 1);
  }
  const rows: number[] = [];
  for (const [first, last] of merged(choice.rows)) {
    assertRow(last, table.rows);
    for (let row = first; row <= last; row++) rows.push(row - 1);
  }
  return rows;
}

/** Ranges rising and apart: those that overlap would have their rows gone through again and again. */
function merged(ranges: RowRanges): readonly [number, number][] {
  const rising = ranges.map(([a, b]): [number, number] => [Math.min(a, b), Math.max(a, b)]).sort(([a], [b]) => a - b);
  const apart: [number, number][] = [];
  for (const [first, last] of rising) {
    const before = apart.at(-1);
    if (before && first <= before[1] + 1) before[1] = Math.max(before[1], last);
    else apart.push([first, last]);
  }
  return apart;
}

/** @param number counted from 1 */
export function assertRow(number: number, rows: number): void {
  if (number <= rows) return;
  throw new DomainError('no-such-row', `There is no row ${number}; the last is row ${rows}.`, {
    where: `row ${number}`,
    hint: 'Reload the page.',
  });
}
