import { type KeyboardEvent, useRef, useState } from 'react';

/** A place in the grid: row and column from 0; −1 is the header of a column or a row. */
export interface Place {
  readonly i: number;
  readonly j: number;
}

/**
 * Arrow keys, Home and End within a square grid, with one cell in the tab order (ARIA grid pattern).
 * @param cellId the value of `data-cell` of the cell at a place
 */
export function useGridKeys(size: number, cellId: (place: Place) => string) {
  const grid = useRef<HTMLDivElement>(null);
  const [wanted, setActive] = useState<Place>({ i: 1, j: 0 });
  const active = { i: Math.min(wanted.i, size - 1), j: Math.min(wanted.j, size - 1) };

  const onKeyDown = (event: KeyboardEvent) => {
    const next = moved(event.key, event.ctrlKey || event.metaKey, active, size);
    if (!next) return;
    event.preventDefault();
    setActive(next);
    focusCell(grid.current, cellId(next), next);
  };
  return { grid, active, setActive, onKeyDown };
}

/** A cell far away may not be drawn yet: going there draws it. */
function focusCell(grid: HTMLElement | null, id: string, { i, j }: Place, tries = 3): void {
  const cell = grid?.querySelector<HTMLElement>(`[data-cell="${id}"]`);
  if (cell) cell.focus();
  else if (grid && tries > 0) {
    const first = grid.querySelector('[role="gridcell"]')?.getBoundingClientRect();
    grid.closest('[data-scrolls]')?.scrollTo({ left: j * (first?.width ?? 0), top: i * (first?.height ?? 0) });
    requestAnimationFrame(() => focusCell(grid, id, { i, j }, tries - 1));
  }
}

export function moved(key: string, far: boolean, { i, j }: Place, size: number): Place | null {
  const last = size - 1;
  switch (key) {
    case 'ArrowUp':
      return { i: Math.max(j < 0 ? 0 : -1, i - 1), j };
    case 'ArrowDown':
      return { i: Math.min(last, i + 1), j };
    case 'ArrowLeft':
      return { i, j: Math.max(i < 0 ? 0 : -1, j - 1) };
    case 'ArrowRight':
      return { i, j: Math.min(last, j + 1) };
    case 'Home':
      return far ? { i: 0, j: 0 } : { i, j: 0 };
    case 'End':
      return far ? { i: last, j: last } : { i, j: last };
    default:
      return null;
  }
}
