import type { CorrelationSettings } from '@ivlen/contract';
import { countMarks, formatCoefficient, formatInterval, formatP } from '@ivlen/core';
import { memo, type ReactNode } from 'react';
import type { CoefficientScale } from '../../figures/coefficient-scale';
import { Sparkline } from '../../frame/sparkline';
import { COEFFICIENTS } from '../../method-words';
import { displayName } from '../../variable-name';
import { cellId, cellLines, type GridCellData } from './grid-cell-data';

interface CellProps {
  readonly cell: GridCellData;
  /** Whether it is the one cell in the tab order. */
  readonly active: boolean;
  readonly height: number;
}

interface PairCellProps extends CellProps {
  readonly settings: CorrelationSettings;
}

interface CoefficientCellProps extends PairCellProps {
  readonly scale: CoefficientScale;
  readonly selected: boolean;
  /** Whether the pair rests on fewer rows than others. */
  readonly otherN: boolean;
}

/** Most cells stay the same when a variable comes or goes: only those that differ are drawn again. */
function sameCellProps<P extends CellProps>(before: P, after: P): boolean {
  const { cell: cellBefore, ...restBefore } = before;
  const { cell: cellAfter, ...restAfter } = after;
  return sameEntries(cellBefore, cellAfter) && sameEntries(restBefore, restAfter);
}

function sameEntries<T extends object>(before: T, after: T): boolean {
  const entries = Object.entries(before);
  const others = new Map<string, unknown>(Object.entries(after));
  return entries.length === others.size && entries.every(([key, value]) => Object.is(others.get(key), value));
}

export const CoefficientCell = memo(function CoefficientCell({
  cell,
  active,
  height,
  settings,
  scale,
  selected,
  otherN,
}: CoefficientCellProps) {
  const marks = countMarks(cell.p, settings.levels);
  const { background, text } = scale(Number.isNaN(cell.coefficient) ? 0 : cell.coefficient);
  const ring = selected ? 'ring-2 ring-accent ring-offset-1 ring-offset-paper z-[1]' : '';
  const border = otherN ? 'border border-dotted border-edge' : 'border border-transparent';
  return (
    <PairCell
      cell={cell}
      active={active}
      levels={settings.levels}
      className={`${ring} ${border}`}
      style={{ height, background, color: text }}
      selected={selected}
    >
      <span className="grid w-full grid-cols-[minmax(8px,1fr)_auto_minmax(14px,1fr)] items-center">
        <span aria-hidden="true" className="-mt-2 pr-px text-right text-[10px] leading-none">
          {cell.ownMethod ? COEFFICIENTS[cell.method].symbol : ''}
        </span>
        <span className="col-start-2 whitespace-nowrap">{formatCoefficient(cell.coefficient)}</span>
        <span className="-mt-2 pl-px text-left text-[10px] leading-none tracking-[-0.08em]" aria-hidden="true">
          {'*'.repeat(marks)}
        </span>
      </span>
    </PairCell>
  );
}, sameCellProps);

export const UpperCell = memo(function UpperCell({ cell, active, height, settings: { levels, above } }: PairCellProps) {
  const faint = above === 'p' && countMarks(cell.p, levels) === 0;
  return (
    <PairCell
      cell={cell}
      active={active}
      levels={levels}
      className={`border border-rule bg-surface text-[12px] ${faint ? 'text-muted' : 'text-ink'}`}
      style={{ height }}
    >
      {upperText(cell, above, levels)}
    </PairCell>
  );
}, sameCellProps);

function upperText(cell: GridCellData, above: CorrelationSettings['above'], levels: readonly number[]): string {
  switch (above) {
    case 'p':
      return formatP(cell.p, levels);
    case 'n':
      return String(cell.n);
    case 'interval':
      return formatInterval(cell.low, cell.high);
    case 'nothing':
      return '';
  }
}

interface DiagonalCellProps extends CellProps {
  readonly bins: readonly number[];
  /** What marks the variable's shape, in words; undefined if nothing does. */
  readonly marked: string | undefined;
}

export const DiagonalCell = memo(function DiagonalCell({ cell, active, height, bins, marked }: DiagonalCellProps) {
  return (
    <div
      data-cell={cellId(cell)}
      tabIndex={active ? 0 : -1}
      role="gridcell"
      aria-label={`${displayName(cell.row)}: distribution of ${cell.n} values${marked ? `; ${marked}` : ''}`}
      title={marked}
      className="relative flex items-end justify-center overflow-hidden rounded bg-sunken px-1"
      style={{ height }}
    >
      {marked && (
        <span aria-hidden="true" className="absolute top-0.5 right-1 text-[10px] leading-none text-caution">
          ▲
        </span>
      )}
      <Sparkline bins={bins} width={46} height={height - 8} />
    </div>
  );
}, sameCellProps);

interface FrameProps {
  readonly cell: GridCellData;
  readonly active: boolean;
  readonly levels: readonly number[];
  readonly className: string;
  readonly style: { readonly height: number; readonly background?: string; readonly color?: string };
  readonly selected?: boolean;
  readonly children: ReactNode;
}

/** A cell about a pair; the grid around it listens to the pointer and the keys. */
function PairCell({ cell, active, levels, className, style, selected = false, children }: FrameProps) {
  return (
    <div
      data-cell={cellId(cell)}
      tabIndex={active ? 0 : -1}
      role="gridcell"
      aria-selected={selected}
      aria-label={`${displayName(cell.row)} and ${displayName(cell.column)}: ${cellLines(cell, levels).join('; ')}`}
      className={`flex cursor-pointer items-center justify-center rounded text-center leading-none ${className}`}
      style={style}
    >
      {children}
    </div>
  );
}
