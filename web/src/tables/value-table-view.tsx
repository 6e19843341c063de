import { useId } from 'react';
import { WithTerms } from '../terms/with-terms';
import { alignOf, columnsFor, type ValueTable } from './columns';
import { TableTools } from './table-tools';

interface ValueTableViewProps<Row> {
  readonly table: ValueTable<Row>;
  readonly fileName?: string;
  /** Over the table, beside what takes it along; a name for those who listen otherwise. */
  readonly captionShown?: boolean;
  /** Two columns of names and values explain themselves. */
  readonly headShown?: boolean;
  /** Whether what takes it along stands beside it; where there is a place of its own for that, not. */
  readonly tools?: boolean;
  readonly stickyHead?: boolean;
  readonly className?: string;
  /** By which tests find it. */
  readonly testId?: string;
}

const SIDES = { left: 'text-left', right: 'text-right' } as const;

/** A table of values on screen, with what copies and exports it. */
export function ValueTableView<Row>({
  table,
  fileName,
  captionShown = false,
  headShown = true,
  tools = true,
  stickyHead = false,
  className = 'w-full',
  testId,
}: ValueTableViewProps<Row>) {
  const columns = columnsFor(table, 'screen');
  const captionId = useId();
  const toolLine = tools && <TableTools table={table} className="shrink-0 text-[12px]" {...(fileName ? { fileName } : {})} />;
  return (
    <>
      {captionShown && (
        <div className="flex items-baseline justify-between gap-x-4 pb-1">
          <p id={captionId} className="text-[13px] text-muted">
            {table.caption}
          </p>
          {toolLine}
        </div>
      )}
      <table
        className={`numerals ${className}`}
        {...(captionShown ? { 'aria-labelledby': captionId } : { 'aria-label': table.caption })}
        {...(testId ? { 'data-testid': testId } : {})}
      >
        {headShown && (
          <thead className={stickyHead ? 'sticky top-0 bg-paper' : ''}>
            <tr className="border-b border-edge text-muted">
              {columns.map((column, i) => (
                <th
                  key={i}
                  scope="col"
                  className={`py-1 align-bottom font-normal ${SIDES[alignOf(column, i)]} ${i > 0 ? 'max-w-32 pl-3' : ''}`}
                >
                  {column.name ? <WithTerms text={column.name} /> : <span className="sr-only">{column.nameInFile}</span>}
                </th>
              ))}
            </tr>
          </thead>
        )}
        <tbody className={headShown ? '' : 'border-t border-rule'}>
          {table.rows.map((row, index) => {
            const weight = table.isStrong?.(row) ? 'font-semibold' : 'font-normal';
            const [first, ...others] = columns;
            return (
              <tr key={index} className={`border-b border-rule ${weight}`}>
                {first && (
                  <th scope="row" className={`py-1 pr-2 ${SIDES[alignOf(first, 0)]} ${weight}`}>
                    {first.onScreen?.(row) ?? (headShown ? first.shown(row) : <WithTerms text={first.shown(row)} />)}
                  </th>
                )}
                {others.map((column, k) => {
                  const side = alignOf(column, k + 1);
                  return (
                    <td key={k} className={`py-1 pl-3 ${SIDES[side]} ${side === 'right' ? 'whitespace-nowrap' : ''}`}>
                      {column.onScreen?.(row) ?? column.shown(row)}
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
      {!captionShown && toolLine && <p className="mt-1 text-right">{toolLine}</p>}
    </>
  );
}
