import type { Row, Variable } from '@ivlen/contract';
import type { VirtualItem } from '@tanstack/react-virtual';
import { type MouseEvent, memo } from 'react';
import { cellText } from '../cell-text';
import { CellEditor } from './cell-editor';

export const ROW_HEIGHT = 28;
export const NUMBER_WIDTH = 96;

export interface RowHandlers {
  onCell(position: number, column: number): void;
  onEdit(position: number, column: number): void;
  /** An edit has ended; undefined leaves the cell as it was. */
  onEdited(row: Row, column: number, text: string | undefined, step: { down: number; right: number } | null): void;
  onNumber(position: number, row: Row, event: MouseEvent): void;
}

interface RowLineProps extends RowHandlers {
  readonly row: Row;
  readonly position: number;
  readonly top: number;
  readonly columns: readonly VirtualItem[];
  readonly variables: readonly Variable[];
  /** The active column in this row, or −1. */
  readonly active: number;
  /** What the cell editor starts with, while the active cell is edited. */
  readonly draft: string | null;
  readonly selected: boolean;
  /** Columns in this row that hold what was looked for. */
  readonly found: ReadonlySet<string> | undefined;
  readonly reason: string | undefined;
}

/** One row of the table: its number with a mark if it is left out, then the cells that are in view. */
export const RowLine = memo(function RowLine({
  row,
  position,
  top,
  columns,
  variables,
  active,
  draft,
  selected,
  found,
  reason,
  onCell,
  onEdit,
  onEdited,
  onNumber,
}: RowLineProps) {
  const out = row.setAside > 0 || !row.inSubset;
  return (
    <div
      role="row"
      aria-rowindex={position + 2}
      aria-selected={selected}
      className={`absolute left-0 w-full border-b border-rule ${selected ? 'bg-accent-soft' : ''} ${row.setAside > 0 ? 'bg-caution-soft' : ''}`}
      style={{ height: ROW_HEIGHT, transform: `translateY(${top}px)`, contain: 'layout style' }}
    >
      <div
        role="rowheader"
        aria-colindex={1}
        title={reason ?? (row.inSubset ? undefined : 'outside the subset')}
        className={`numerals sticky left-0 z-10 flex h-full cursor-pointer items-center justify-end gap-1.5 border-r border-rule pr-2 text-[12px] ${selected ? 'bg-accent-soft font-semibold' : 'bg-sunken text-muted'}`}
        style={{ width: NUMBER_WIDTH }}
        onMouseDown={(event) => onNumber(position, row, event)}
      >
        {row.setAside > 0 && (
          <span className="mr-auto truncate pl-1 text-caution">
            <span aria-hidden="true">{reason}</span>
            <span className="sr-only">set aside: {reason}, </span>
          </span>
        )}
        {row.number.toLocaleString('en-GB')}
      </div>
      {columns.map(({ index, start, size }) => {
        const variable = variables[index];
        if (!variable) return null;
        const editing = active === index && draft !== null;
        const text = cellText(row.cells[index] ?? null, variable);
        const numeric = variable.storage === 'number' && Object.keys(variable.valueLabels).length === 0;
        return (
          <div
            key={variable.id}
            id={`cell-${position}-${index}`}
            role="gridcell"
            aria-colindex={index + 2}
            aria-selected={active === index}
            className={`numerals absolute top-0 h-full truncate px-2 leading-[27px] ${numeric ? 'text-right' : ''} ${out ? 'text-muted' : ''} ${active === index ? 'z-[5] outline-2 -outline-offset-1 outline-accent' : ''} ${found?.has(variable.id) ? 'bg-accent-soft underline decoration-accent' : ''} ${variable.derivation ? 'italic' : ''}`}
            style={{ left: NUMBER_WIDTH + start, width: size }}
            onMouseDown={() => onCell(position, index)}
            onDoubleClick={() => onEdit(position, index)}
          >
            {editing ? (
              <CellEditor
                initial={draft}
                label={`${variable.name} in row ${row.number}`}
                numeric={numeric}
                onDone={(value, step) => onEdited(row, index, value, step)}
              />
            ) : text === null ? (
              <span className="text-muted">
                <span aria-hidden="true">–</span>
                <span className="sr-only">missing</span>
              </span>
            ) : (
              text
            )}
          </div>
        );
      })}
    </div>
  );
});
