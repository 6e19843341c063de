import type { Points } from './points';

/** Points at different places, each with how many cases lie there. */
export interface TiedPoints {
  /** One row for each place: the first that lies there. */
  readonly rows: Uint32Array;
  readonly counts: Uint32Array;
  /** Cases at the fullest place; 1 where none coincide. */
  readonly most: number;
}

/** Cases with the same two values, put together: drawn over each other they would look like one. */
export function tiedPoints({ x, y, rows }: Points): TiedPoints {
  const places = new Map<number, Map<number, number>>();
  const [first, counts] = [new Uint32Array(rows.length), new Uint32Array(rows.length)];
  let [found, most] = [0, 1];
  for (const row of rows) {
    const [u, v] = [x[row] ?? 0, y[row] ?? 0];
    const column = places.get(u) ?? new Map<number, number>();
    if (column.size === 0) places.set(u, column);
    const place = column.get(v) ?? found;
    if (place === found) {
      column.set(v, found);
      first[found++] = row;
    }
    const count = (counts[place] ?? 0) + 1;
    counts[place] = count;
    if (count > most) most = count;
  }
  return { rows: first.slice(0, found), counts: counts.slice(0, found), most };
}

const LARGEST = 12;

/** The radius of a point that stands for several cases: its area grows with them, up to a size. */
export function tiedRadius(radius: number, count: number): number {
  return Math.min(LARGEST, radius * Math.sqrt(count));
}
