import type { CorrelationSettings } from '@ivlen/contract';
import { createPortal } from 'react-dom';
import { cellLines, type GridCellData } from '../../coefficients/cell-data';
import { displayName } from '../../study/variable-name';

const GAP = 6;
const WIDTH = 300;
const HEIGHT = 96;

interface CellReadoutProps {
  readonly cell: GridCellData;
  readonly settings: CorrelationSettings;
  /** Where the cell is on screen. */
  readonly place: Pick<DOMRect, 'left' | 'top' | 'bottom'>;
}

/** The full numbers of the cell under the pointer or in focus. Its cell carries them as its name already. */
export function CellReadout({ cell, settings, place }: CellReadoutProps) {
  const below = place.bottom + GAP + HEIGHT < window.innerHeight;
  const left = Math.max(GAP, Math.min(place.left, window.innerWidth - WIDTH - GAP));
  return createPortal(
    <div
      aria-hidden="true"
      className="numerals pointer-events-none fixed z-40 rounded border border-rule bg-surface px-3 py-2 text-[13px] shadow-popover"
      style={{ left, width: WIDTH, ...(below ? { top: place.bottom + GAP } : { bottom: window.innerHeight - place.top + GAP }) }}
    >
      <p className="font-semibold">
        {displayName(cell.column)} × {displayName(cell.row)}
      </p>
      {cellLines(cell, settings).map((line) => (
        <p key={line}>{line}</p>
      ))}
    </div>,
    document.body,
  );
}
