import type { CorrelationResult, CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { type KeyboardEvent, useMemo, useState } from 'react';
import { analysisQuery } from '../../api/queries';
import { useCoefficientScale } from '../../figures/use-coefficient-scale';
import { useElementWidth } from '../../frame/use-element-width';
import { displayName } from '../../variable-name';
import { CellReadout } from './cell-readout';
import { cellData, cellId, type GridCellData } from './grid-cell-data';
import { CoefficientCell, DiagonalCell, UpperCell } from './grid-cells';
import { type Place, useGridKeys } from './use-grid-keys';
import type { Pair } from './use-pair-selection';

interface CorrelationGridProps {
  readonly study: Study;
  readonly variables: readonly Variable[];
  readonly result: CorrelationResult;
  readonly settings: CorrelationSettings;
  readonly selected: Pair | null;
  readonly onOpen: (x: Variable, y: Variable) => void;
  /** Variables whose shape is marked, with what marks it. */
  readonly marked: ReadonlyMap<string, string>;
}

/** The matrix: coefficients below the diagonal, distributions on it, and what is chosen above it. */
export function CorrelationGrid({ study, variables, result, settings, selected, onOpen, marked }: CorrelationGridProps) {
  const size = variables.length;
  const scale = useCoefficientScale();
  const { data: summary } = useQuery(analysisQuery(study.id, study.head, { kind: 'summary' }));
  const bins = useMemo(() => new Map(summary?.variables.map(({ id, bins }) => [id, bins])), [summary]);
  const { rows, mostRows, places } = useMemo(() => {
    const rows = variables.map((_, i) => variables.map((__, j) => cellData(result, variables, i, j)));
    const counts = rows.flatMap((cells, i) => cells.filter((_, j) => j < i).map(({ n }) => n));
    const places = new Map(rows.flatMap((cells, i) => cells.map((cell, j) => [cellId(cell), { i, j }] as const)));
    return { rows, mostRows: Math.max(0, ...counts), places };
  }, [result, variables]);
  const { grid, active, setActive, onKeyDown } = useGridKeys(size, ({ i, j }) => {
    const cell = rows[i]?.[j];
    return cell ? cellId(cell) : '';
  });
  const [lit, setLit] = useState<LitCell | null>(null);
  const tileWidth = (useElementWidth(grid) - ROW_NAMES) / size;
  const upright = variables.every((variable) => longestWord(displayName(variable)) * LETTER <= tileWidth);
  const height = tileHeight(size);
  const isSelected = ({ row, column }: GridCellData) =>
    selected !== null && [selected.x.id, selected.y.id].includes(row.id) && [selected.x.id, selected.y.id].includes(column.id);

  /** The cell that an event is about: its place, and its element. */
  const cellUnder = (target: EventTarget): LitCell | null => {
    const element = target instanceof Element ? target.closest<HTMLElement>('[data-cell]') : null;
    const place = places.get(element?.dataset.cell ?? '');
    return element && place ? { place, element } : null;
  };
  const open = (target: EventTarget) => {
    const place = cellUnder(target)?.place;
    if (!place || place.i === place.j) return;
    const [x, y] = [variables[Math.min(place.i, place.j)], variables[Math.max(place.i, place.j)]];
    if (x && y) onOpen(x, y);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      open(event.target);
    } else onKeyDown(event);
  };
  const lightUp = ({ target }: { target: EventTarget }) => setLit((before) => sameLight(before, cellUnder(target)));
  const litCell = lit && lit.place.i !== lit.place.j ? rows[lit.place.i]?.[lit.place.j] : undefined;

  return (
    <div
      ref={grid}
      role="grid"
      aria-label={`Correlation matrix of ${size} variables`}
      aria-rowcount={size + 1}
      aria-colcount={size + 1}
      className="figures grid max-w-full gap-0.5"
      style={{ gridTemplateColumns: `minmax(84px, max-content) repeat(${size}, minmax(${size > 16 ? 40 : 52}px, 82px))` }}
      onClick={({ target }) => open(target)}
      onKeyDown={onKey}
      onFocus={(event) => {
        const cell = cellUnder(event.target);
        if (cell) setActive(cell.place);
        lightUp(event);
      }}
      onMouseOver={lightUp}
      onMouseLeave={() => setLit(null)}
      onBlur={() => setLit(null)}
    >
      <div role="row" className="contents">
        <div role="columnheader" className="sticky left-0 z-20" aria-label="Variable" />
        {variables.map((variable, j) => (
          <div
            key={variable.id}
            role="columnheader"
            className={`sticky top-0 z-10 flex items-end justify-center self-end bg-paper px-0.5 pb-1 text-center text-[12px] leading-tight ${lit?.place.j === j ? 'font-semibold' : ''}`}
          >
            <span className={upright ? '' : 'max-h-32 rotate-180 [writing-mode:vertical-rl]'}>{displayName(variable)}</span>
          </div>
        ))}
      </div>
      {rows.map((cells, i) => (
        <div key={variables[i]?.id} role="row" className="contents">
          <div
            role="rowheader"
            className={`sticky left-0 z-10 flex max-w-44 items-center justify-end bg-paper pr-2 text-right leading-tight ${lit?.place.i === i ? 'font-semibold' : ''}`}
          >
            {displayName(variables[i] ?? { name: '' })}
          </div>
          {cells.map((cell, j) => {
            const common = { cell, height, active: active.i === i && active.j === j };
            if (i === j)
              return (
                <DiagonalCell key={cell.column.id} {...common} bins={bins.get(cell.row.id) ?? NO_BINS} marked={marked.get(cell.row.id)} />
              );
            if (i < j) return <UpperCell key={cell.column.id} {...common} settings={settings} />;
            return (
              <CoefficientCell
                key={cell.column.id}
                {...common}
                settings={settings}
                scale={scale}
                selected={isSelected(cell)}
                otherN={cell.n !== mostRows}
              />
            );
          })}
        </div>
      ))}
      {lit && litCell && <CellReadout cell={litCell} levels={settings.levels} anchor={lit.element} />}
    </div>
  );
}

interface LitCell {
  readonly place: Place;
  readonly element: HTMLElement;
}

const NO_BINS: readonly number[] = [];

function sameLight(before: LitCell | null, after: LitCell | null): LitCell | null {
  return before?.element === after?.element ? before : after;
}

/** About the widths, in pixels, of the column of names and of one letter over a column. */
const ROW_NAMES = 100;
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
