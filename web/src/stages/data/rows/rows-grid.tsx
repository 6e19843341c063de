import { BLOCK_ROWS, type FoundCells, type Row, type RowOrder, type Study } from '@ivlen/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, type MouseEvent, useEffect, useMemo, useRef } from 'react';
import { analysisQuery, blockQuery } from '../../../api/queries';
import { useElementWidth } from '../../../controls/use-element-width';
import { useLatest } from '../../../controls/use-latest';
import type { RowSelection } from '../../../study/row-selection';
import { ColumnHead } from './column-head';
import { COLUMN_WIDTH, columnWidths } from './column-widths';
import { moved, type Place } from './grid-cursor';
import { RowBlock } from './row-block';
import { NUMBER_WIDTH, ROW_HEIGHT, type RowHandlers } from './row-line';
import { RowsFoot } from './rows-foot';
import { useCellEditing } from './use-cell-editing';

const HEAD_HEIGHT = 46;
const OVERSCAN_ROWS = 12;
const OVERSCAN_COLUMNS = 2;

interface RowsGridProps {
  readonly study: Study;
  readonly order: RowOrder;
  readonly cursor: Place;
  readonly onCursor: (place: Place) => void;
  readonly selection: RowSelection;
  readonly onSelect: (selection: RowSelection) => void;
  readonly found: FoundCells | undefined;
  /** Whether n, mean, SD, smallest and largest stand under the columns. */
  readonly foot: boolean;
  readonly head: Pick<Parameters<typeof ColumnHead>[0], 'onSort' | 'onDescribe' | 'onOpenEntry' | 'onDefine'>;
}

/** The table, of which only what is in view is drawn and read. Arrow keys move, typing or Enter edits, a paste fills a block. */
export function RowsGrid({ study, order, cursor, onCursor, selection, onSelect, found, foot, head }: RowsGridProps) {
  const client = useQueryClient();
  const { variables } = study.state;
  const scroller = useRef<HTMLDivElement>(null);
  const anchor = useRef<number | null>(null);
  const rowVirtualizer = useVirtualizer({
    count: study.rows,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: OVERSCAN_ROWS,
    // Head and row numbers stick, and push what scrolls by their size.
    scrollPaddingEnd: HEAD_HEIGHT,
  });
  const room = useElementWidth(scroller);
  const widths = useMemo(() => columnWidths(variables, room - NUMBER_WIDTH), [variables, room]);
  const columnVirtualizer = useVirtualizer({
    horizontal: true,
    count: variables.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => widths[index] ?? COLUMN_WIDTH.usual,
    overscan: OVERSCAN_COLUMNS,
    scrollPaddingEnd: NUMBER_WIDTH,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: other widths are measured anew.
  useEffect(() => columnVirtualizer.measure(), [widths, columnVirtualizer]);
  const { data: summary } = useQuery(analysisQuery(study.id, study.head, { kind: 'summary' }));
  const summaries = useMemo(() => new Map(summary?.variables.map((item) => [item.id, item])), [summary]);
  const foundByRow = useMemo(() => byRow(found), [found]);

  useEffect(() => {
    rowVirtualizer.scrollToIndex(cursor.position, { align: 'auto' });
    columnVirtualizer.scrollToIndex(cursor.column, { align: 'auto' });
  }, [cursor, rowVirtualizer, columnVirtualizer]);

  const rowAt = (position: number): Row | undefined => {
    const block = Math.floor(position / BLOCK_ROWS);
    return client.getQueryData(blockQuery(study.id, study.head, order, block).queryKey)?.rows[position - block * BLOCK_ROWS];
  };
  const move = (place: Place) => {
    onCursor(place);
    scroller.current?.focus({ preventScroll: true });
  };
  const editing = useCellEditing({ study, cursor, rowAt, onMove: move });
  const onCell = useLatest((position: number, column: number) => move({ position, column }));
  const onNumber = useLatest((position: number, row: Row, event: MouseEvent) => {
    event.preventDefault();
    scroller.current?.focus({ preventScroll: true });
    const next = new Set(event.ctrlKey || event.metaKey || event.shiftKey ? selection : []);
    if (event.shiftKey && anchor.current !== null) {
      const [from, to] = [Math.min(anchor.current, position), Math.max(anchor.current, position)];
      for (let at = from; at <= to; at++) next.add(order.sort === undefined ? at + 1 : (rowAt(at)?.number ?? row.number));
    } else {
      const wasOnly = selection.size === 1 && selection.has(row.number);
      if (next.has(row.number) || wasOnly) next.delete(row.number);
      else next.add(row.number);
      anchor.current = position;
    }
    onSelect(next);
  });
  const { onEdit, onEdited } = editing;
  const handlers = useMemo((): RowHandlers => ({ onCell, onNumber, onEdit, onEdited }), [onCell, onNumber, onEdit, onEdited]);

  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>) => {
    if (editing.draft !== null) return;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 400) / ROW_HEIGHT) - 3);
    const next = moved(cursor, event.nativeEvent, { rows: study.rows, columns: variables.length, page });
    if (next) {
      event.preventDefault();
      onCursor(next);
    } else if (event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault();
      editing.start();
    } else if (event.key === 'Escape') onSelect(new Set());
    else if (event.key === ' ') {
      event.preventDefault();
      const row = rowAt(cursor.position);
      if (row)
        onSelect(
          selection.has(row.number) ? new Set([...selection].filter((item) => item !== row.number)) : new Set([...selection, row.number]),
        );
    } else if (event.key === 'Delete' || event.key === 'Backspace') editing.start('');
    else if (event.key.length === 1 && /[-+.\d]/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
      // A number begun to be typed edits the cell; letters and / keep their meaning as keys of the page.
      event.preventDefault();
      event.stopPropagation();
      editing.start(event.key);
    }
  };

  const columns = columnVirtualizer.getVirtualItems();
  const shown = groupByBlock(rowVirtualizer.getVirtualItems());
  return (
    <>
      <div
        ref={scroller}
        role="grid"
        tabIndex={0}
        aria-label={`Rows of ${study.name}`}
        aria-rowcount={study.rows + 1}
        aria-colcount={variables.length + 1}
        aria-multiselectable="true"
        aria-activedescendant={`cell-${cursor.position}-${cursor.column}`}
        className="relative min-h-0 flex-1 overflow-auto bg-surface"
        onKeyDown={onKeyDown}
        onPaste={editing.onPaste}
        onCopy={editing.onCopy}
      >
        <div
          role="presentation"
          style={{ width: NUMBER_WIDTH + columnVirtualizer.getTotalSize(), height: HEAD_HEIGHT + rowVirtualizer.getTotalSize() }}
        >
          <div role="row" aria-rowindex={1} className="sticky top-0 z-20 border-b border-edge bg-sunken" style={{ height: HEAD_HEIGHT }}>
            <div
              role="columnheader"
              aria-colindex={1}
              className="sticky left-0 z-30 flex h-full items-end justify-end border-r border-rule bg-sunken pr-2 pb-1 text-[12px] text-muted"
              style={{ width: NUMBER_WIDTH }}
            >
              row
            </div>
            {columns.map(({ index, start, size }) => {
              const variable = variables[index];
              if (!variable) return null;
              const sorted = order.sort === variable.id ? (order.descending === '1' ? 'down' : 'up') : null;
              return (
                <div
                  key={variable.id}
                  role="columnheader"
                  aria-colindex={index + 2}
                  aria-sort={sorted === null ? 'none' : sorted === 'up' ? 'ascending' : 'descending'}
                  className="absolute top-0 h-full border-r border-rule/60"
                  style={{ left: NUMBER_WIDTH + start, width: size }}
                >
                  <ColumnHead study={study} variable={variable} summary={summaries.get(variable.id)} sorted={sorted} {...head} />
                </div>
              );
            })}
          </div>
          <div role="rowgroup" className="relative" style={{ height: rowVirtualizer.getTotalSize() }}>
            {shown.map(([block, rows]) => (
              <RowBlock
                key={`${order.sort} ${order.descending} ${block}`}
                study={study}
                order={order}
                block={block}
                rows={rows}
                columns={columns}
                cursor={cursor}
                draft={editing.draft}
                selection={selection}
                found={foundByRow}
                handlers={handlers}
              />
            ))}
          </div>
        </div>
      </div>
      {foot && <RowsFoot study={study} columns={columns} scroller={scroller} />}
    </>
  );
}

function groupByBlock<T extends { index: number }>(items: readonly T[]): [number, T[]][] {
  const blocks = new Map<number, T[]>();
  for (const item of items) {
    const block = Math.floor(item.index / BLOCK_ROWS);
    blocks.set(block, [...(blocks.get(block) ?? []), item]);
  }
  return [...blocks];
}

function byRow(found: FoundCells | undefined): ReadonlyMap<number, ReadonlySet<string>> {
  const rows = new Map<number, Set<string>>();
  for (const { row, variable } of found?.cells ?? []) rows.set(row, (rows.get(row) ?? new Set()).add(variable));
  return rows;
}
