import { OUTLINES, type Shape } from '../../../figures/marks/shapes';

const REACH = 1.4;

/** Places between pixels that a point can have along each axis, so that it moves smoothly. */
export const STEPS = 4;
const SAMPLES = 4;

/** The pixels that a point covers, wherever in its own pixel it lies. */
export interface Stamp {
  /** No pixel is further away than this. */
  readonly reach: number;
  /** For each place between pixels, row-major (y · STEPS + x): pixels by their distance from the point's own. */
  readonly pixels: readonly StampPixels[];
}

interface StampPixels {
  readonly right: Int8Array;
  readonly down: Int8Array;
  /** How much of each is covered, 0 to 256. */
  readonly cover: Uint16Array;
}

/** A point with smooth edges. @param radius in pixels of the picture */
export function createStamp(shape: Shape, radius: number): Stamp {
  const reach = Math.ceil(radius * REACH) + 1;
  const pixels = Array.from({ length: STEPS * STEPS }, (_, k) => {
    const [atX, atY] = [((k % STEPS) + 0.5) / STEPS, (Math.floor(k / STEPS) + 0.5) / STEPS];
    const found: { right: number; down: number; cover: number }[] = [];
    for (let down = -reach; down <= reach; down++) {
      for (let right = -reach; right <= reach; right++) {
        let covered = 0;
        for (let s = 0; s < SAMPLES * SAMPLES; s++) {
          const x = right + ((s % SAMPLES) + 0.5) / SAMPLES - atX;
          const y = down + (Math.floor(s / SAMPLES) + 0.5) / SAMPLES - atY;
          if (isInside(shape, x / radius, y / radius)) covered++;
        }
        if (covered > 0) found.push({ right, down, cover: Math.round((256 * covered) / (SAMPLES * SAMPLES)) });
      }
    }
    return stampPixels(found);
  });
  return { reach, pixels };
}

function stampPixels(found: readonly { right: number; down: number; cover: number }[]): StampPixels {
  return {
    right: Int8Array.from(found, ({ right }) => right),
    down: Int8Array.from(found, ({ down }) => down),
    cover: Uint16Array.from(found, ({ cover }) => cover),
  };
}

function isInside(shape: Shape, x: number, y: number): boolean {
  return shape === 'circle' ? x * x + y * y <= 1 : isInPolygon(OUTLINES[shape], x, y);
}

/** Whether a place lies in a polygon, by the crossings of a ray (even-odd). */
export function isInPolygon(corners: readonly (readonly [number, number])[], x: number, y: number): boolean {
  let inside = false;
  let before = corners[corners.length - 1];
  for (const corner of corners) {
    if (before && corner[1] > y !== before[1] > y) {
      const crossing = corner[0] + ((y - corner[1]) / (before[1] - corner[1])) * (before[0] - corner[0]);
      if (x < crossing) inside = !inside;
    }
    before = corner;
  }
  return inside;
}
