import { type KeyboardEvent, useRef, useState } from 'react';
import { moved, type Place } from '../../../coefficients/use-grid-keys';

/**
 * Arrow keys, Home and End among the panels, one of which is in the tab order (ARIA grid pattern).
 * @param reveal scrolls to a panel, which may not be drawn yet
 */
export function usePanelKeys(rows: number, columns: number, reveal: (place: Place) => void) {
  const grid = useRef<HTMLDivElement>(null);
  const [wanted, setActive] = useState<Place>({ i: Math.min(1, rows - 1), j: 0 });
  const within = ({ i, j }: Place): Place => ({ i: Math.max(0, Math.min(rows - 1, i)), j: Math.max(0, Math.min(columns - 1, j)) });
  const active = within(wanted);
  const onKeyDown = (event: KeyboardEvent) => {
    const next = moved(event.key, event.ctrlKey || event.metaKey, active, Math.max(rows, columns));
    if (!next) return;
    event.preventDefault();
    const { i, j } = within(next);
    setActive({ i, j });
    reveal({ i, j });
    const focus = (tries: number) => {
      const panel = grid.current?.querySelector<HTMLElement>(`[data-cell="${i}.${j}"]`);
      if (panel) return panel.focus();
      if (tries > 0) requestAnimationFrame(() => focus(tries - 1));
    };
    focus(3);
  };
  return { grid, active, setActive, onKeyDown };
}
