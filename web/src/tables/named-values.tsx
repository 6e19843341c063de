import type { ValueTable } from './columns';
import type { Cell } from './csv';
import { ValueTableView } from './value-table-view';

/** A name, its value as it is read, and with every digit where that is more. */
type NamedValue = readonly [name: string, shown: string | number, exact?: Cell];

/** Values under each other, each with its name. */
export function NamedValues({ label, rows }: { label: string; rows: readonly NamedValue[] }) {
  const table: ValueTable<NamedValue> = {
    caption: label,
    columns: [
      { name: 'statistic', shown: ([name]) => name },
      { name: 'value', shown: ([, shown]) => String(shown), exact: ([, shown, exact]) => exact ?? shown },
    ],
    rows,
  };
  return <ValueTableView table={table} headShown={false} />;
}
