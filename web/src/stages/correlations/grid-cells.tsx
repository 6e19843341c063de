import type { CorrelationSettings } from '@ivlen/contract';
import { countMarks, formatCoefficient, formatInterval, formatP } from '@ivlen/core';
import type { FocusEvent, KeyboardEvent, MouseEvent } from 'react';
import type { CoefficientScale } from '../../figures/coefficient-scale';
import { Sparkline } from '../../frame/sparkline';
import { displayName } from '../../variable-name';
import { cellLines, type GridCellData } from './grid-cell-data';

/** What every cell of the grid has: its place in the tab order and its height. */
interface CommonCellProps {
  readonly 'data-cell': string;
  readonly tabIndex: number;
  readonly style: { readonly height: number };
  readonly onFocus: (event: FocusEvent<HTMLElement>) => void;
  readonly onMouseEnter: (event: MouseEvent<HTMLElement>) => void;
}

interface PairCellProps {
  readonly cell: GridCellData;
  readonly common: CommonCellProps;
  readonly settings: CorrelationSettings;
  readonly onOpen: () => void;
}

export function CoefficientCell({
  cell,
  common,
  settings: { levels },
  onOpen,
  scale,
  selected,
  otherN,
}: PairCellProps & { scale: CoefficientScale; selected: boolean; otherN: boolean }) {
  const marks = countMarks(cell.p, levels);
  const { background, text } = scale(Number.isNaN(cell.coefficient) ? 0 : cell.coefficient);
  const ring = selected ? 'ring-2 ring-accent ring-offset-1 ring-offset-paper z-[1]' : '';
  const border = otherN ? 'border border-dotted border-edge' : 'border border-transparent';
  return (
    <PairCell
      cell={cell}
      common={common}
      levels={levels}
      onOpen={onOpen}
      className={`${ring} ${border}`}
      colours={{ background, color: text }}
      selected={selected}
    >
      <span className="grid w-full grid-cols-[minmax(1px,1fr)_auto_minmax(14px,1fr)] items-center">
        <span className="col-start-2 whitespace-nowrap">{formatCoefficient(cell.coefficient)}</span>
        <span className="-mt-2 pl-px text-left text-[10px] leading-none tracking-[-0.08em]" aria-hidden="true">
          {'*'.repeat(marks)}
        </span>
      </span>
    </PairCell>
  );
}

export function UpperCell({ cell, common, settings: { levels, above }, onOpen }: PairCellProps) {
  const faint = above === 'p' && countMarks(cell.p, levels) === 0;
  return (
    <PairCell
      cell={cell}
      common={common}
      levels={levels}
      onOpen={onOpen}
      className={`border border-rule bg-surface text-[12px] ${faint ? 'text-muted' : 'text-ink'}`}
    >
      {upperText(cell, above, levels)}
    </PairCell>
  );
}

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

export function DiagonalCell({ common, cell, bins }: { common: CommonCellProps; cell: GridCellData; bins: readonly number[] }) {
  return (
    <div
      {...common}
      role="gridcell"
      aria-label={`${displayName(cell.row)}: distribution of ${cell.n} values`}
      className="flex items-end justify-center overflow-hidden rounded bg-sunken px-1"
    >
      <Sparkline bins={bins} width={46} height={common.style.height - 8} />
    </div>
  );
}

interface FrameProps {
  readonly cell: GridCellData;
  readonly common: CommonCellProps;
  readonly levels: readonly number[];
  readonly onOpen: () => void;
  readonly className: string;
  readonly colours?: { background: string; color: string };
  readonly selected?: boolean;
  readonly children: React.ReactNode;
}

/** A cell about a pair: a click or Enter opens its card. */
function PairCell({ cell, common, levels, onOpen, className, colours, selected = false, children }: FrameProps) {
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    onOpen();
  };
  return (
    <div
      {...common}
      role="gridcell"
      aria-selected={selected}
      aria-label={`${displayName(cell.row)} and ${displayName(cell.column)}: ${cellLines(cell, levels).join('; ')}`}
      onClick={onOpen}
      onKeyDown={onKeyDown}
      className={`flex cursor-pointer items-center justify-center rounded text-center leading-none ${className}`}
      style={{ ...common.style, ...colours }}
    >
      {children}
    </div>
  );
}
