import { byMethod, METHOD_NAMES } from '@ivlen/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef } from 'react';
import type { Matrix } from '../../../coefficients/matrix';
import { commonMethod } from '../../../coefficients/requests';
import { distinctPairs } from '../../../coefficients/tally';
import { useMatrix } from '../../../coefficients/use-matrix';
import type { ArrangementProps } from '../../../pair-card/arrangement';
import { TableTools } from '../../../tables/table-tools';
import { TermsLine } from '../../../terms/terms-line';
import { GridSkeleton } from '../grid-skeleton';
import { filterPairs, type RankedPair, rankedColumns, sortPairs } from './ranked-columns';
import { RankedFilters } from './ranked-filters';
import { RankedRow } from './ranked-row';
import { rankedTable } from './ranked-table';
import { UnseenSearch } from './unseen-search';
import { useRanking } from './use-ranking';

const ROW_HEIGHT = 30;
const DRAWN_BEYOND = 12;

/** All pairs in a table, by every method; sorted, filtered, exported. */
export function RankedView(props: ArrangementProps) {
  const { study, variables, settings } = props;
  // All three are wanted here, whatever the matrix shows.
  const whole = useMemo(() => {
    const first = commonMethod(settings);
    return { ...settings, methods: [first, ...METHOD_NAMES.filter((method) => method !== first)] };
  }, [settings]);
  const { matrix, stale } = useMatrix(study, variables, whole, true);
  return matrix ? <Ranked {...props} matrix={matrix} waiting={stale || !matrix.complete} /> : <GridSkeleton size={8} />;
}

interface RankedProps extends ArrangementProps {
  readonly matrix: Matrix;
  /** Whether numbers of these variables and settings are still being computed. */
  readonly waiting: boolean;
}

function Ranked({ study, settings, selection, matrix, waiting }: RankedProps) {
  const { ranking, change } = useRanking();
  const columns = useMemo(() => rankedColumns(settings), [settings]);
  const all = useMemo(
    () =>
      distinctPairs(matrix).map(
        (main): RankedPair => ({
          main,
          by: byMethod((method) => matrix.cellBy(method, main.row, main.column)),
        }),
      ),
    [matrix],
  );
  const shown = useMemo(() => sortPairs(filterPairs(all, ranking, settings), ranking, columns), [all, ranking, settings, columns]);
  const table = useRef<HTMLTableElement>(null);
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => table.current?.closest<HTMLElement>('[data-scrolls]') ?? null,
    estimateSize: () => ROW_HEIGHT,
    overscan: DRAWN_BEYOND,
    scrollMargin: table.current?.offsetTop ?? 0,
  });
  const items = virtual.getVirtualItems();
  const before = (items[0]?.start ?? 0) - virtual.options.scrollMargin;
  const after = Math.max(0, virtual.getTotalSize() - ((items.at(-1)?.end ?? 0) - virtual.options.scrollMargin));
  const chosen = selection.pair;
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 pb-2">
        <RankedFilters ranking={ranking} onChange={change} />
        <span className="text-muted" data-testid="ranked-count">
          {shown.length === all.length ? `${all.length} pairs` : `${shown.length} of ${all.length} pairs`}
        </span>
        <span className="ml-auto">
          <TableTools table={rankedTable(shown, columns, settings)} fileName={`${study.name} correlations`} waiting={waiting} />
        </span>
      </div>
      <div className="pb-1">
        <TermsLine names={columns.map(({ name }) => name)} />
      </div>
      <table ref={table} className="numerals w-full text-[13px]" aria-label="Pairs, ranked" aria-rowcount={shown.length + 1}>
        <thead className="sticky -top-3 z-10 bg-paper">
          <tr className="border-b border-edge">
            {columns.map((column) => {
              const sorted = ranking.sort === column.id ? (ranking.ascending ? 'ascending' : 'descending') : 'none';
              return (
                <th
                  key={column.id}
                  scope="col"
                  aria-sort={sorted}
                  className={`px-1.5 py-1.5 align-bottom font-normal text-muted ${column.align === 'left' ? 'text-left' : 'text-right'}`}
                >
                  <button
                    type="button"
                    className={sorted === 'none' ? '' : 'font-semibold text-ink'}
                    onClick={() =>
                      change({
                        sort: column.id,
                        ascending: ranking.sort === column.id ? !ranking.ascending : (column.ascendingFirst ?? false),
                      })
                    }
                  >
                    {column.name}
                    {sorted !== 'none' && <span aria-hidden="true">{sorted === 'ascending' ? ' ↑' : ' ↓'}</span>}
                  </button>
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {before > 0 && (
            <tr aria-hidden="true">
              <td colSpan={columns.length} style={{ height: before }} />
            </tr>
          )}
          {items.map(({ index }) => {
            const pair = shown[index];
            if (!pair) return null;
            const { row, column } = pair.main;
            const isChosen = chosen !== null && [row.id, column.id].every((id) => id === chosen.x.id || id === chosen.y.id);
            return (
              <RankedRow
                key={`${row.id}.${column.id}`}
                index={index}
                pair={pair}
                columns={columns}
                settings={settings}
                chosen={isChosen}
                onOpen={() => selection.open(column, row)}
              />
            );
          })}
          {after > 0 && (
            <tr aria-hidden="true">
              <td colSpan={columns.length} style={{ height: after }} />
            </tr>
          )}
        </tbody>
      </table>
      {shown.length === 0 && (
        <p className="py-10 text-center text-muted">
          No pair is left by these filters{ranking.find && `: no variable is called “${ranking.find}”, or its pairs do not fit the rest`}.
        </p>
      )}
      <UnseenSearch study={study} variables={matrix.variables} settings={settings} selection={selection} />
    </>
  );
}
