import { BLOCK_ROWS, type RowOrder, type Study } from '@ivlen/contract';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import type { VirtualItem } from '@tanstack/react-virtual';
import { useEffect } from 'react';
import { blockQuery } from '../../../api/queries';
import type { RowSelection } from '../../../study/row-selection';
import type { Place } from './grid-cursor';
import { NUMBER_WIDTH, ROW_HEIGHT, type RowHandlers, RowLine } from './row-line';

interface RowBlockProps {
  readonly study: Study;
  readonly order: RowOrder;
  readonly block: number;
  readonly rows: readonly VirtualItem[];
  readonly columns: readonly VirtualItem[];
  readonly cursor: Place;
  readonly draft: string | null;
  readonly selection: RowSelection;
  readonly found: ReadonlyMap<number, ReadonlySet<string>>;
  readonly handlers: RowHandlers;
}

/** The rows in view of one block, read when they come into view; an earlier revision's show until the new ones are there. */
export function RowBlock({ study, order, block, rows, columns, cursor, draft, selection, found, handlers }: RowBlockProps) {
  const { data, error } = useQuery({ ...blockQuery(study.id, study.head, order, block), placeholderData: keepPreviousData });
  usePrefetched(study, order, block);
  return rows.map(({ index, start }) => {
    const row = data?.rows[index - block * BLOCK_ROWS];
    if (!row) {
      return (
        <div
          key={index}
          className="absolute left-0 border-b border-rule text-muted"
          style={{ height: ROW_HEIGHT, width: '100%', paddingLeft: NUMBER_WIDTH + 8, transform: `translateY(${start}px)` }}
        >
          {error ? error.message : '…'}
        </div>
      );
    }
    const here = cursor.position === index;
    return (
      <RowLine
        key={index}
        row={row}
        position={index}
        top={start}
        columns={columns}
        variables={study.state.variables}
        active={here ? cursor.column : -1}
        draft={here ? draft : null}
        selected={selection.has(row.number)}
        found={found.get(row.number)}
        reason={study.state.setAside?.reasons[row.setAside - 1]}
        {...handlers}
      />
    );
  });
}

/** Reads the blocks above and below, so that scrolling meets rows and not gaps. */
function usePrefetched(study: Study, order: RowOrder, block: number): void {
  const client = useQueryClient();
  const last = Math.ceil(study.rows / BLOCK_ROWS) - 1;
  useEffect(() => {
    for (const next of [block + 1, block + 2, block - 1]) {
      if (next >= 0 && next <= last) void client.prefetchQuery(blockQuery(study.id, study.head, order, next));
    }
  }, [client, study.id, study.head, order, block, last]);
}
