import type { Points } from './points';

const REACH = 12;

/** The row whose point lies nearest to a place on screen, within a finger's reach; null for none. */
export function nearestPoint(
  points: Points,
  x: (value: number) => number,
  y: (value: number) => number,
  atX: number,
  atY: number,
): number | null {
  let nearest: number | null = null;
  let smallest = REACH * REACH;
  for (const row of points.rows) {
    const dx = x(points.x[row] ?? 0) - atX;
    const dy = y(points.y[row] ?? 0) - atY;
    const distance = dx * dx + dy * dy;
    if (distance < smallest) {
      smallest = distance;
      nearest = row;
    }
  }
  return nearest;
}
