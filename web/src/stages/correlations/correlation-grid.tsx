import type { CorrelationResult, CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { analysisQuery } from '../../api/queries';
import { useCoefficientScale } from '../../figures/use-coefficient-scale';
import { useElementWidth } from '../../frame/use-element-width';
import { displayName } from '../../variable-name';
import { CellReadout } from './cell-readout';
import { cellData, type GridCellData } from './grid-cell-data';
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
}

/** The matrix: coefficients below the diagonal, distributions on it, and what is chosen above it. */
export function CorrelationGrid({ study, variables, result, settings, selected, onOpen }: CorrelationGridProps) {
  const size = variables.length;
  const scale = useCoefficientScale();
  const { data: summary } = useQuery(analysisQuery(study.id, study.head, { kind: 'summary' }));
  const bins = useMemo(() => new Map(summary?.variables.map(({ id, bins }) => [id, bins])), [summary]);
  const { grid, active, setActive, onKeyDown } = useGridKeys(size);
  const [lit, setLit] = useState<{ place: Place; element: HTMLElement } | null>(null);
  const { rows, mostRows } = useMemo(() => {
    const rows = variables.map((_, i) => variables.map((__, j) => cellData(result, variables, i, j)));
    const counts = rows.flatMap((cells, i) => cells.filter((_, j) => j < i).map(({ n }) => n));
    return { rows, mostRows: Math.max(0, ...counts) };
  }, [result, variables]);
  const height = tileHeight(size);
  const tileWidth = (useElementWidth(grid) - ROW_NAMES) / size;
  const upright = variables.every((variable) => longestWord(displayName(variable)) * LETTER <= tileWidth);
  const open = ({ row, column }: GridCellData) => onOpen(column, row);
  const isSelected = ({ row, column }: GridCellData) =>
    selected !== null && [selected.x.id, selected.y.id].includes(row.id) && [selected.x.id, selected.y.id].includes(column.id);

  return (
    <div
      ref={grid}
      role="grid"
      aria-label={`Correlation matrix of ${size} variables`}
      aria-rowcount={size + 1}
      aria-colcount={size + 1}
      className="figures grid max-w-full gap-0.5"
      style={{ gridTemplateColumns: `minmax(84px, max-content) repeat(${size}, minmax(${size > 16 ? 40 : 52}px, 82px))` }}
      onKeyDown={onKeyDown}
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
            const common = {
              'data-cell': `${i}.${j}`,
              tabIndex: active.i === i && active.j === j ? 0 : -1,
              style: { height },
              onFocus: (event: { currentTarget: HTMLElement }) => {
                setActive({ i, j });
                setLit({ place: { i, j }, element: event.currentTarget });
              },
              onMouseEnter: (event: { currentTarget: HTMLElement }) => setLit({ place: { i, j }, element: event.currentTarget }),
            };
            if (i === j) return <DiagonalCell key={cell.column.id} common={common} cell={cell} bins={bins.get(cell.row.id) ?? []} />;
            const pair = { cell, common, settings, onOpen: () => open(i > j ? cell : { ...cell, row: cell.column, column: cell.row }) };
            return i > j ? (
              <CoefficientCell key={cell.column.id} {...pair} scale={scale} selected={isSelected(cell)} otherN={cell.n !== mostRows} />
            ) : (
              <UpperCell key={cell.column.id} {...pair} />
            );
          })}
        </div>
      ))}
      {lit && lit.place.i < size && lit.place.j < size && lit.place.i !== lit.place.j && (
        <CellReadout cell={cellData(result, variables, lit.place.i, lit.place.j)} levels={settings.levels} anchor={lit.element} />
      )}
    </div>
  );
}

/** About the widths, in pixels, of the column of names and of one letter over a column. */
const ROW_NAMES = 112;
const LETTER = 5.9;

function longestWord(name: string): number {
  return Math.max(...name.split(' ').map((word) => word.length));
}

/** Tiles get lower as variables get more, so that a dozen fit a laptop's screen. */
function tileHeight(size: number): number {
  if (size <= 7) return 54;
  if (size <= 9) return 48;
  return size <= 12 ? 39 : 32;
}
