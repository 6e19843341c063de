import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { type CSSProperties, type KeyboardEvent, type MouseEvent, type RefObject, useEffect, useMemo, useState } from 'react';
import { analysisQuery } from '../../api/queries';
import type { GridCellData } from '../../coefficients/cell-data';
import type { Matrix } from '../../coefficients/matrix';
import { type Place, useGridKeys } from '../../coefficients/use-grid-keys';
import { useCoefficientScale } from '../../figures/use-coefficient-scale';
import type { Pair } from '../../pair-card/use-pair-selection';
import type { WorkingSet } from '../../settings/use-working-set';
import { CellReadout } from './cell-readout';
import { DiagonalCell, PairCell } from './grid-cells';
import { HeaderMenu } from './header-menu';
import { MeanAndSd } from './mean-and-sd';
import { MiniPlot } from './mini-plot';
import { useGridWindow } from './use-grid-window';
import { GAP, useTileSizes } from './use-tile-sizes';

export interface CorrelationGridProps {
  readonly study: Study;
  readonly workingSet: WorkingSet;
  readonly matrix: Matrix;
  readonly settings: CorrelationSettings;
  readonly selected: Pair | null;
  readonly onOpen: (x: Variable, y: Variable) => void;
  /** A second cell that shares a variable with the selected one. */
  readonly onCompare: (a: Variable, b: Variable) => void;
  /** Variables whose shape is marked, with what marks it. */
  readonly marked: ReadonlyMap<string, string>;
  /** Called when an own order is made. */
  readonly onOrder: () => void;
}

/** The matrix: what is chosen below and above the diagonal, distributions on it. */
export function CorrelationGrid(props: CorrelationGridProps) {
  const { study, workingSet, matrix, settings, selected, onOpen, onCompare, marked, onOrder } = props;
  const { variables } = matrix;
  const size = variables.length;
  const scale = useCoefficientScale();
  const { data: summary } = useQuery(analysisQuery(study.id, study.head, { kind: 'summary' }));
  const bins = useMemo(() => new Map(summary?.variables.map(({ id, bins }) => [id, bins])), [summary]);
  const places = useMemo(() => new Map(variables.map(({ id }, i) => [id, i])), [variables]);
  const mostRows = useMemo(() => mostRowsOf(matrix), [matrix]);
  const {
    grid,
    active: wanted,
    setActive,
    onKeyDown,
  } = useGridKeys(size, ({ i, j }) => `${i < 0 ? COLUMN : variables[i]?.id}.${j < 0 ? ROW : variables[j]?.id}`);
  const [lit, setLit] = useState<LitCell | null>(null);
  const compact = settings.size === 'compact';
  const sizes = useTileSizes(grid, variables, settings);
  const { rows, columns } = useGridWindow(grid, size, { width: sizes.tile + GAP, height: sizes.height + GAP });
  // One cell is always in the tab order, also where the last one that had the focus is not drawn.
  const drawn =
    wanted.i < rows[1] && wanted.j < columns[1] && (wanted.i < 0 || wanted.i >= rows[0]) && (wanted.j < 0 || wanted.j >= columns[0]);
  const active = drawn ? wanted : { i: rows[0], j: columns[0] };

  /** The cell that an event is about: its place, and its element. */
  const cellUnder = (target: EventTarget): LitCell | null => {
    const element = target instanceof Element ? target.closest<HTMLElement>('[data-cell]') : null;
    const [row, column] = (element?.dataset.cell ?? '').split('.');
    const [i, j] = [places.get(row ?? ''), places.get(column ?? '')];
    return element && i !== undefined && j !== undefined ? { place: { i, j }, element } : null;
  };
  const headerUnder = (target: EventTarget): Place | null => {
    const [row, column] = (target instanceof HTMLElement ? (target.dataset.cell ?? '') : '').split('.');
    if (row === COLUMN) return { i: -1, j: places.get(column ?? '') ?? 0 };
    return column === ROW ? { i: places.get(row ?? '') ?? 0, j: -1 } : null;
  };
  const open = (target: EventTarget, another: boolean) => {
    const place = cellUnder(target)?.place;
    if (!place || place.i === place.j) return;
    const [x, y] = [variables[Math.min(place.i, place.j)], variables[Math.max(place.i, place.j)]];
    if (x && y) (another ? onCompare : onOpen)(x, y);
  };
  const onKey = (event: KeyboardEvent) => {
    if (!(event.target instanceof Element && event.target.closest('[data-cell]'))) return;
    if (cellUnder(event.target) === null) return onKeyDown(event);
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      open(event.target, event.ctrlKey || event.metaKey);
    } else onKeyDown(event);
  };
  const lightUp = ({ target }: { target: EventTarget }) => setLit((before) => sameLight(before, cellUnder(target)));
  useReadoutEnds(grid, setLit);
  useSelectedInView(grid, selected);
  const litCell = lit && lit.place.i !== lit.place.j ? cellAt(matrix, lit.place) : null;
  const isSelected = (a: Variable, b: Variable) =>
    selected !== null && [a.id, b.id].every((id) => id === selected.x.id || id === selected.y.id);

  return (
    <div
      ref={grid}
      role="grid"
      aria-label={`Correlation matrix of ${size} variables`}
      aria-rowcount={size + 1}
      aria-colcount={size + 1}
      className="numerals w-fit"
      style={
        { '--tile': `${sizes.tile}px`, '--names': `${sizes.names}px`, minWidth: sizes.names + size * (sizes.tile + GAP) } as CSSProperties
      }
      onClick={(event: MouseEvent) => open(event.target, event.ctrlKey || event.metaKey || event.shiftKey)}
      onKeyDown={onKey}
      onFocus={(event) => {
        const place = cellUnder(event.target)?.place ?? headerUnder(event.target);
        if (place) setActive(place);
        lightUp(event);
      }}
      onMouseOver={lightUp}
      onMouseLeave={() => setLit(null)}
      onBlur={() => setLit(null)}
    >
      <div role="row" aria-rowindex={1} className="sticky top-0 z-20 flex items-end gap-0.5 bg-paper pb-1">
        <div role="columnheader" className="sticky left-0 z-20 w-(--names) shrink-0 self-stretch bg-paper" aria-label="Variable" />
        <Skipped tiles={columns[0]} />
        {variables.slice(...columns).map((variable, k) => {
          const j = columns[0] + k;
          return (
            <div
              key={variable.id}
              role="columnheader"
              aria-colindex={j + 2}
              className={`flex w-(--tile) shrink-0 items-end justify-center px-0.5 text-center text-[12px] leading-tight ${lit?.place.j === j ? 'font-semibold' : ''}`}
            >
              <HeaderMenu
                study={study}
                variable={variable}
                workingSet={workingSet}
                shown={variables}
                onOrder={onOrder}
                className="max-w-full"
                cell={`${COLUMN}.${variable.id}`}
                active={active.i < 0 && active.j === j}
                upright={sizes.upright}
              />
            </div>
          );
        })}
        {settings.descriptives && <MeanAndSd.Header />}
      </div>
      <div aria-hidden="true" style={{ height: rows[0] * (sizes.height + GAP) }} />
      {variables.slice(...rows).map((row, k) => {
        const i = rows[0] + k;
        return (
          // A row lays itself out alone, so that one more or less costs the others nothing.
          <div
            key={row.id}
            role="row"
            aria-rowindex={i + 2}
            className="mb-0.5 flex gap-0.5 [contain:layout_style]"
            style={{ height: sizes.height }}
          >
            <div
              role="rowheader"
              aria-colindex={1}
              className={`sticky left-0 z-10 flex w-(--names) shrink-0 items-center justify-end bg-paper pr-2 text-right leading-tight ${compact ? 'overflow-hidden text-[12px]' : ''} ${lit?.place.i === i ? 'font-semibold' : ''}`}
            >
              <HeaderMenu
                study={study}
                variable={row}
                workingSet={workingSet}
                shown={variables}
                onOrder={onOrder}
                cell={`${row.id}.${ROW}`}
                active={active.j < 0 && active.i === i}
                className={compact ? 'truncate text-right' : 'text-right'}
                upright
              />
            </div>
            <Skipped tiles={columns[0]} />
            {variables.slice(...columns).map((column, l) => {
              const j = columns[0] + l;
              const cell = matrix.cell(row, column);
              const common = { cell, height: sizes.height, j, active: active.i === i && active.j === j };
              if (i === j)
                return <DiagonalCell key={column.id} {...common} bins={bins.get(row.id) ?? NO_BINS} marked={marked.get(row.id)} />;
              const half = i > j ? settings.below : settings.above;
              return (
                <PairCell
                  key={column.id}
                  {...common}
                  settings={settings}
                  scale={scale}
                  half={half}
                  selected={isSelected(row, column)}
                  otherN={cell.n !== mostRows}
                  plot={
                    half === 'plot' ? <MiniPlot study={study} x={column} y={row} width={sizes.tile - 4} height={sizes.height - 4} /> : null
                  }
                />
              );
            })}
            {settings.descriptives && (
              <>
                <Skipped tiles={size - columns[1]} />
                <MeanAndSd study={study} variable={row} variables={variables} />
              </>
            )}
          </div>
        );
      })}
      <div aria-hidden="true" style={{ height: (size - rows[1]) * (sizes.height + GAP) }} />
      {lit && litCell && <CellReadout cell={litCell} settings={settings} place={lit.element.getBoundingClientRect()} />}
    </div>
  );
}

/** Numbers of a cell belong to the cell they stand at: where it moves, they go. */
function useReadoutEnds(grid: RefObject<HTMLElement | null>, setLit: (lit: null) => void) {
  useEffect(() => {
    const scroller = grid.current?.closest('[data-scrolls]');
    if (!scroller) return;
    const end = () => setLit(null);
    scroller.addEventListener('scroll', end, { passive: true });
    const observer = new ResizeObserver(end);
    observer.observe(scroller);
    return () => {
      scroller.removeEventListener('scroll', end);
      observer.disconnect();
    };
  }, [grid, setLit]);
}

/** The card takes room, which may lie where the cell is that opened it: then the cell comes into view. */
function useSelectedInView(grid: RefObject<HTMLElement | null>, selected: Pair | null) {
  const open = selected !== null;
  useEffect(() => {
    const scroller = grid.current?.closest('[data-scrolls]');
    if (!open || !scroller) return;
    const observer = new ResizeObserver(() =>
      grid.current?.querySelector('[aria-selected=true][tabindex="0"]')?.scrollIntoView?.({ block: 'nearest', inline: 'nearest' }),
    );
    observer.observe(scroller);
    return () => observer.disconnect();
  }, [grid, open]);
}

interface LitCell {
  readonly place: Place;
  readonly element: HTMLElement;
}

/** Headers are cells too, for the arrow keys. */
const [COLUMN, ROW] = ['column', 'row'];
const NO_BINS: readonly number[] = [];

function sameLight(before: LitCell | null, after: LitCell | null): LitCell | null {
  return before?.element === after?.element ? before : after;
}

function cellAt(matrix: Matrix, { i, j }: Place): GridCellData | null {
  const [row, column] = [matrix.variables[i], matrix.variables[j]];
  return row && column ? matrix.cell(row, column) : null;
}

/** The largest number of rows that a pair rests on. */
function mostRowsOf({ variables, cell }: Pick<Matrix, 'variables' | 'cell'>): number {
  return variables.reduce((most, row, i) => variables.slice(0, i).reduce((m, column) => Math.max(m, cell(row, column).n), most), 0);
}

/** Room for tiles that are not drawn. */
function Skipped({ tiles }: { tiles: number }) {
  return tiles > 0 ? (
    <div aria-hidden="true" className="shrink-0" style={{ width: `calc(${tiles} * (var(--tile) + ${GAP}px) - ${GAP}px)` }} />
  ) : null;
}
