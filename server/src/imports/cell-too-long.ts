import { DomainError } from '../errors/domain-error';
import { CELL_LETTERS } from './budgets';

/** A cell that no table of cases has. */
export function cellTooLong(letters: number, row: number, column: number): DomainError {
  return new DomainError(
    'cell-too-long',
    `The cell in row ${row.toLocaleString('en-GB')}, column ${column.toLocaleString('en-GB')}, holds ${letters.toLocaleString('en-GB')} letters; a cell may have ${CELL_LETTERS.toLocaleString('en-GB')}.`,
    {
      where: `row ${row}, column ${column}`,
      hint: 'A quotation mark that opens there and never closes would do this, or a file that is no table. Correct it where it came from.',
    },
  );
}
