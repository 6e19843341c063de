import { type RefObject, useEffect, useState } from 'react';

/** A part of the grid: rows and columns from 0, the last ones not included. */
export interface GridWindow {
  readonly rows: readonly [number, number];
  readonly columns: readonly [number, number];
}

/** Up to so many variables everything is drawn. */
const ALL_UP_TO = 24;
/** So many rows and columns more than fit are drawn on each side, a few at a time, so that no frame has much to draw. */
const [AHEAD, STEP] = [6, 2];

/** Which cells of a large grid are near the screen. */
export function useGridWindow(grid: RefObject<HTMLElement | null>, size: number, tile: { width: number; height: number }): GridWindow {
  const all: GridWindow = { rows: [0, size], columns: [0, size] };
  const [seen, setSeen] = useState<GridWindow>({ rows: [0, AHEAD * 5], columns: [0, AHEAD * 5] });
  const { width, height } = tile;
  const large = size > ALL_UP_TO;
  useEffect(() => {
    const element = grid.current;
    const scroller = element?.closest('[data-scrolls]');
    if (!large || !element || !scroller) return;
    const look = () => {
      const [frame, place] = [scroller.getBoundingClientRect(), element.getBoundingClientRect()];
      const range = (from: number, length: number, step: number): readonly [number, number] => {
        const first = Math.floor(from / step / STEP) * STEP;
        return [Math.max(0, first - AHEAD), Math.max(AHEAD, first + Math.ceil(length / step) + AHEAD)];
      };
      const next = {
        rows: range(frame.top - place.top, frame.height, height),
        columns: range(frame.left - place.left, frame.width, width),
      };
      setSeen((before) => (String([before.rows, before.columns]) === String([next.rows, next.columns]) ? before : next));
    };
    look();
    scroller.addEventListener('scroll', look, { passive: true });
    const observer = new ResizeObserver(look);
    observer.observe(scroller);
    return () => {
      scroller.removeEventListener('scroll', look);
      observer.disconnect();
    };
  }, [grid, large, width, height]);
  if (!large) return all;
  const cut = ([from, to]: readonly [number, number]): readonly [number, number] => [Math.min(from, size), Math.min(to, size)];
  return { rows: cut(seen.rows), columns: cut(seen.columns) };
}
