/** A place in the grid: position of the shown row and of the column, from 0. */
export interface Place {
  readonly position: number;
  readonly column: number;
}

interface Extent {
  readonly rows: number;
  readonly columns: number;
  /** Rows that fit on the screen, for Page up and Page down. */
  readonly page: number;
}

/** Where a key leads from a place; null for keys that do not move. */
export function moved({ position, column }: Place, { key, ctrlKey, metaKey, shiftKey }: KeyboardEvent, extent: Extent): Place | null {
  const toEnd = ctrlKey || metaKey;
  const at = (row: number, col: number): Place => ({
    position: Math.max(0, Math.min(extent.rows - 1, row)),
    column: Math.max(0, Math.min(extent.columns - 1, col)),
  });
  switch (key) {
    case 'ArrowDown':
      return at(toEnd ? extent.rows : position + 1, column);
    case 'ArrowUp':
      return at(toEnd ? 0 : position - 1, column);
    case 'ArrowRight':
      return at(position, toEnd ? extent.columns : column + 1);
    case 'ArrowLeft':
      return at(position, toEnd ? 0 : column - 1);
    case 'PageDown':
      return at(position + extent.page, column);
    case 'PageUp':
      return at(position - extent.page, column);
    case 'Home':
      return at(toEnd ? 0 : position, 0);
    case 'End':
      return at(toEnd ? extent.rows : position, extent.columns);
    case 'Enter':
      return shiftKey ? at(position - 1, column) : null;
    default:
      return null;
  }
}
