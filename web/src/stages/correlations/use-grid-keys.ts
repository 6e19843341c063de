import { type KeyboardEvent, useRef, useState } from 'react';

/** A place in the grid: row and column from 0. */
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
    grid.current?.querySelector<HTMLElement>(`[data-cell="${cellId(next)}"]`)?.focus();
  };
  return { grid, active, setActive, onKeyDown };
}

function moved(key: string, far: boolean, { i, j }: Place, size: number): Place | null {
  const last = size - 1;
  switch (key) {
    case 'ArrowUp':
      return { i: Math.max(0, i - 1), j };
    case 'ArrowDown':
      return { i: Math.min(last, i + 1), j };
    case 'ArrowLeft':
      return { i, j: Math.max(0, j - 1) };
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
