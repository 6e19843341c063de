import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { type KeyboardEvent, type MouseEvent, useMemo, useState } from 'react';
import { analysisQuery } from '../../api/queries';
import { useCoefficientScale } from '../../figures/use-coefficient-scale';
import { useElementWidth } from '../../frame/use-element-width';
import type { WorkingSet } from '../../settings/use-working-set';
import { displayName } from '../../variable-name';
import { CellReadout } from './cell-readout';
import type { GridCellData } from './grid-cell-data';
import { DiagonalCell, PairCell } from './grid-cells';
import { HeaderMenu } from './header-menu';
import type { Matrix } from './matrix';
import { MeanAndSd } from './mean-and-sd';
import { MiniPlot } from './mini-plot';
import { type Place, useGridKeys } from './use-grid-keys';
import { useGridWindow } from './use-grid-window';
import type { Pair } from './use-pair-selection';

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
  const height = compact ? 24 : tileHeight(size);
  const narrowest = compact ? 34 : size > 16 ? 40 : 52;
  const tileWidth = (useElementWidth(grid) - ROW_NAMES - (settings.descriptives ? FIGURES : 0)) / size;
  const upright = !compact && variables.every((variable) => longestWord(displayName(variable)) * LETTER <= tileWidth);
  const { rows, columns } = useGridWindow(grid, size, { width: Math.max(narrowest, tileWidth) + 2, height: height + 2 });
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
  const litCell = lit && lit.place.i !== lit.place.j ? cellAt(matrix, lit.place) : null;
  const isSelected = (a: Variable, b: Variable) =>
    selected !== null && [a.id, b.id].every((id) => id === selected.x.id || id === selected.y.id);
  const withPlots = settings.below === 'plot' || settings.above === 'plot';

  return (
    <div
      ref={grid}
      role="grid"
      aria-label={`Correlation matrix of ${size} variables`}
      aria-rowcount={size + 1}
      aria-colcount={size + 1}
      className="figures grid max-w-full gap-0.5"
      style={{
        gridTemplateColumns: `minmax(84px, max-content) repeat(${size}, minmax(${narrowest}px, ${compact ? 44 : 82}px))${settings.descriptives ? ' max-content max-content' : ''}`,
        gridTemplateRows: `auto repeat(${size}, ${height}px)`,
      }}
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
      <div role="row" aria-rowindex={1} className="contents">
        <div role="columnheader" className="sticky left-0 z-20" style={{ gridRow: 1, gridColumn: 1 }} aria-label="Variable" />
        {variables.slice(...columns).map((variable, k) => {
          const j = columns[0] + k;
          return (
            <div
              key={variable.id}
              role="columnheader"
              aria-colindex={j + 2}
              className={`sticky top-0 z-10 flex items-end justify-center self-end bg-paper px-0.5 pb-1 text-center text-[12px] leading-tight ${lit?.place.j === j ? 'font-semibold' : ''}`}
              style={{ gridRow: 1, gridColumn: j + 2 }}
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
              >
                <span className={upright ? 'block' : 'block max-h-32 rotate-180 [writing-mode:vertical-rl]'}>{displayName(variable)}</span>
              </HeaderMenu>
            </div>
          );
        })}
        {settings.descriptives && <MeanAndSd.Header column={size + 2} />}
      </div>
      {variables.slice(...rows).map((row, k) => {
        const i = rows[0] + k;
        return (
          <div key={row.id} role="row" aria-rowindex={i + 2} className="contents">
            <div
              role="rowheader"
              aria-colindex={1}
              className={`sticky left-0 z-10 flex max-w-44 items-center justify-end bg-paper pr-2 text-right leading-tight ${compact ? 'overflow-hidden text-[12px]' : ''} ${lit?.place.i === i ? 'font-semibold' : ''}`}
              style={{ gridRow: i + 2, gridColumn: 1 }}
            >
              <HeaderMenu
                study={study}
                variable={row}
                workingSet={workingSet}
                shown={variables}
                onOrder={onOrder}
                cell={`${row.id}.${ROW}`}
                active={active.j < 0 && active.i === i}
                className={`text-right ${compact ? 'truncate' : ''}`}
              >
                {displayName(row)}
              </HeaderMenu>
            </div>
            {variables.slice(...columns).map((column, l) => {
              const j = columns[0] + l;
              const cell = matrix.cell(row, column);
              const common = { cell, height, i, j, active: active.i === i && active.j === j };
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
                    withPlots && half === 'plot' ? (
                      <MiniPlot
                        study={study}
                        x={column}
                        y={row}
                        width={Math.max(narrowest, Math.min(compact ? 44 : 82, tileWidth)) - 4}
                        height={height - 4}
                      />
                    ) : null
                  }
                />
              );
            })}
            {settings.descriptives && <MeanAndSd study={study} variable={row} variables={variables} row={i + 2} column={size + 2} />}
          </div>
        );
      })}
      {lit && litCell && <CellReadout cell={litCell} settings={settings} place={lit.element.getBoundingClientRect()} />}
    </div>
  );
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

/** About the widths, in pixels, of the column of names, of means and SDs, and of one letter over a column. */
const ROW_NAMES = 100;
const FIGURES = 130;
const LETTER = 5.2;

function longestWord(name: string): number {
  return Math.max(...name.split(' ').map((word) => word.length));
}

/** Tiles get lower as variables get more, so that a dozen fit a laptop's screen. */
function tileHeight(size: number): number {
  if (size <= 7) return 54;
  if (size <= 9) return 48;
  return size <= 12 ? 39 : 32;
}
