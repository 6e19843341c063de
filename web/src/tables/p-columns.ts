import { pText } from '../numbers/number-text';
import type { TableColumn } from './columns';

/** p, and beside it the adjusted one where something is adjusted. */
export function pColumns<Row>(
  { levels, adjust }: { readonly levels: readonly number[]; readonly adjust: string },
  p: (row: Row) => number | null | undefined,
  adjusted: (row: Row) => number | null | undefined,
): TableColumn<Row>[] {
  const column = (name: string, of: (row: Row) => number | null | undefined): TableColumn<Row> => ({
    name,
    shown: (row) => {
      const value = of(row);
      return value === null || value === undefined ? '–' : pText(value, levels);
    },
    exact: (row) => of(row) ?? null,
  });
  return [column('p', p), ...(adjust === 'none' ? [] : [column('p, adjusted', adjusted)])];
}
