import type { CorrelationSettings, Half } from '@ivlen/contract';
import { COEFFICIENTS, countMarks } from '@ivlen/core';
import { memo, type ReactNode } from 'react';
import { cellId, cellLines, decisiveP, type GridCellData, halfText } from '../../coefficients/cell-data';
import type { CoefficientScale } from '../../figures/coefficient-scale';
import { Sparkline } from '../../figures/sparkline';
import { coefficientText } from '../../numbers/number-text';
import { displayName } from '../../study/variable-name';

interface CellProps {
  readonly cell: GridCellData;
  /** Whether it is the one cell in the tab order. */
  readonly active: boolean;
  readonly height: number;
  /** Its column in the grid, from 0. */
  readonly j: number;
}

interface PairCellProps extends CellProps {
  readonly settings: CorrelationSettings;
  readonly scale: CoefficientScale;
  /** What it shows. */
  readonly half: Half;
  readonly selected: boolean;
  /** Whether the pair rests on fewer rows than others. */
  readonly otherN: boolean;
  /** A small scatterplot, where one is shown. */
  readonly plot: ReactNode;
}

/** Most cells stay the same when a variable comes or goes: only those that differ are drawn again. */
function sameCellProps<P extends CellProps>(before: P, after: P): boolean {
  return sameEntries(before, after, 'cell') && (before.cell === after.cell || sameEntries(before.cell, after.cell, null));
}

function sameEntries<T extends object>(before: T, after: T, except: keyof T | null): boolean {
  for (const key in after) if (key !== except && !Object.is(before[key], after[key])) return false;
  return true;
}

/** A cell about a pair; the grid around it listens to the pointer and the keys. */
export const PairCell = memo(function PairCell(props: PairCellProps) {
  const { half } = props;
  if (half === 'coefficient' || half === 'second') return <CoefficientTile {...props} />;
  const { cell, settings, height, plot } = props;
  const p = half === 'adjusted-p' ? cell.adjustedP : cell.p;
  const faint = (half === 'p' || half === 'adjusted-p') && countMarks(p, settings.levels) === 0;
  return (
    <Frame {...props} className={`border border-rule bg-surface text-[12px] ${faint ? 'text-muted' : 'text-ink'}`} style={{ height }}>
      {half === 'plot' ? plot : half === 'interval' ? <Limits cell={cell} /> : halfText(cell, half, settings.levels)}
    </Frame>
  );
}, sameCellProps);

/** The lower limit over the upper one, so that a dozen variables leave room for both. */
function Limits({ cell: { low, high } }: { readonly cell: GridCellData }) {
  if (Number.isNaN(low) || Number.isNaN(high)) return '–';
  return (
    <span className="grid justify-items-end leading-[1.2]">
      <span>{coefficientText(low)}</span>
      <span>{coefficientText(high)}</span>
    </span>
  );
}

/** Tiles of this height have larger letters. */
const LARGE_TEXT_FROM = 50;

function CoefficientTile(props: PairCellProps) {
  const { cell, height, settings, scale, selected, otherN, half } = props;
  const { levels, strength, dim, size, under } = settings;
  const isSecond = half === 'second';
  const coefficient = isSecond ? cell.second : cell.coefficient;
  const method = isSecond ? cell.secondMethod : cell.ownMethod ? cell.method : null;
  const marks = countMarks(isSecond ? decisiveP({ p: cell.secondP, adjustedP: cell.secondAdjustedP }) : decisiveP(cell), levels);
  const { background, text } = scale(Number.isNaN(coefficient) ? 0 : coefficient);
  const strong = strength !== null && Math.abs(coefficient) >= strength;
  const ring = selected ? 'ring-2 ring-accent ring-offset-1 ring-offset-paper z-[1]' : '';
  const outline = strong ? 'outline-2 -outline-offset-2 outline-ink' : '';
  const border = otherN && !isSecond ? 'border border-dotted border-edge' : 'border border-transparent';
  const faded = dim && strength !== null && !strong ? 'opacity-35' : '';
  const wavy =
    !isSecond && !Number.isNaN(coefficient) && isUnderlined(cell, settings.cautions)
      ? 'underline decoration-wavy decoration-1 underline-offset-3'
      : '';
  const dagger = !isSecond && cell.remedied === 'by-itself';
  const compact = size === 'compact';
  return (
    <Frame {...props} className={`${ring} ${border} ${outline} ${faded}`} style={{ height, background, color: text }}>
      {compact ? (
        <span className={`text-[11px] whitespace-nowrap ${marks > 0 ? 'font-bold' : ''} ${wavy}`}>{coefficientText(coefficient)}</span>
      ) : (
        <span className="w-full">
          <span
            className={`grid w-full items-center ${height >= LARGE_TEXT_FROM ? 'text-[15px]' : ''} ${method || dagger ? 'grid-cols-[minmax(8px,1fr)_auto_minmax(14px,1fr)]' : 'grid-cols-[minmax(0,1fr)_auto_minmax(14px,1fr)]'}`}
          >
            <span aria-hidden="true" className="-mt-2 pr-px text-right text-[10px] leading-none">
              {method ? COEFFICIENTS[method].symbol : dagger ? '†' : ''}
            </span>
            <span className={`col-start-2 whitespace-nowrap ${wavy}`}>{coefficientText(coefficient)}</span>
            <span className="-mt-2 pl-px text-left text-[10px] leading-none tracking-[-0.08em]" aria-hidden="true">
              {'*'.repeat(marks)}
            </span>
          </span>
          {under !== 'nothing' && !isSecond && !Number.isNaN(coefficient) && (
            <span className="mt-1.5 block text-[11px] whitespace-nowrap">{halfText(cell, under, levels)}</span>
          )}
        </span>
      )}
    </Frame>
  );
}

/** Whether a caution underlines the coefficient. Rows that are not independent touch all pairs alike, and are said once under the grid. */
export function isUnderlined({ cautions }: Pick<GridCellData, 'cautions'>, which: CorrelationSettings['cautions']): boolean {
  if (which === 'none') return false;
  return cautions.some(({ code, level }) => code !== 'rows-not-independent' && (which === 'all' || level === 'could-change'));
}

interface DiagonalCellProps extends CellProps {
  readonly bins: readonly number[];
  /** What marks the variable's shape, in words; undefined if nothing does. */
  readonly marked: string | undefined;
}

export const DiagonalCell = memo(function DiagonalCell({ cell, active, height, j, bins, marked }: DiagonalCellProps) {
  return (
    <div
      data-cell={cellId(cell)}
      tabIndex={active ? 0 : -1}
      role="gridcell"
      aria-colindex={j + 2}
      aria-label={`${displayName(cell.row)}: distribution of ${cell.n} values${marked ? `; ${marked}` : ''}`}
      title={marked}
      className="relative flex w-(--tile) shrink-0 items-end justify-center overflow-hidden rounded bg-sunken px-1"
      style={{ height }}
    >
      {marked && (
        <span aria-hidden="true" className="absolute top-0.5 right-1 text-[10px] leading-none text-caution">
          ▲
        </span>
      )}
      <Sparkline bins={bins} width={Math.min(46, height)} height={height - 8} />
    </div>
  );
}, sameCellProps);

interface FrameProps extends PairCellProps {
  readonly className: string;
  readonly style: { readonly height: number; readonly background?: string; readonly color?: string };
  readonly children: ReactNode;
}

function Frame({ cell, active, settings, j, className, style, selected, children }: FrameProps) {
  return (
    <div
      data-cell={cellId(cell)}
      tabIndex={active ? 0 : -1}
      role="gridcell"
      aria-colindex={j + 2}
      aria-selected={selected}
      aria-label={`${displayName(cell.row)} and ${displayName(cell.column)}: ${cellLines(cell, settings).join('; ')}`}
      className={`flex w-(--tile) shrink-0 cursor-pointer items-center justify-center rounded text-center leading-none [contain:layout_style] ${className}`}
      style={style}
    >
      {children}
    </div>
  );
}
