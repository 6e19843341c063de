import { NO_GROUP } from '../../../figures/group-styles';
import { SHAPES } from '../../../figures/marks/shapes';
import { type Colour, type Picture, word } from './picture';
import type { Positions } from './positions';
import { STEPS, type Stamp } from './stamps';

/** What points are drawn with. */
export interface Pen {
  /** Pixels of the picture for each of the page. */
  readonly ratio: number;
  readonly opacity: number;
  /** By shape, in the order of the shapes; or the side in pixels of squares that stand for any shape. */
  readonly points: readonly Stamp[] | number;
  /** Colours by group, and that of points without one. */
  readonly groups: readonly Colour[];
  readonly plain: Colour;
}

/** Draws points over what is there, in the order of the rows. @param places those to draw; null for all */
export function paintPoints(
  picture: Picture,
  positions: Pick<Positions, 'x' | 'y'>,
  places: Uint32Array | null,
  groups: Uint8Array | null,
  pen: Pen,
): void {
  const chosen = places ?? Uint32Array.from(positions.x.keys());
  const words = new Uint32Array(NO_GROUP + 1).fill(word(pen.plain));
  pen.groups.forEach((colour, group) => {
    words[group] = word(colour);
  });
  if (typeof pen.points === 'number') paintSquares(picture, positions, chosen, groups, words, pen.points, pen);
  else paintShapes(picture, positions, chosen, groups, words, pen.points, pen);
}

function paintShapes(
  picture: Picture,
  { x, y }: Pick<Positions, 'x' | 'y'>,
  places: Uint32Array,
  groups: Uint8Array | null,
  words: Uint32Array,
  stamps: readonly Stamp[],
  { ratio, opacity }: Pen,
): void {
  const weight = Math.round(opacity * 256);
  for (let k = 0; k < places.length; k++) {
    const place = places[k] as number;
    const left = (x[place] as number) * ratio;
    const top = (y[place] as number) * ratio;
    if (left !== left || top !== top) continue;
    const group = groups === null ? NO_GROUP : (groups[place] as number);
    const stamp = stamps[group === NO_GROUP ? 0 : group % SHAPES.length] ?? stamps[0];
    if (stamp) dab(picture, stamp, left, top, words[group] as number, weight);
  }
}

/** Squares of whole pixels: what is left of any shape where points are so many that they have to be small. */
function paintSquares(
  { width, height, pixels }: Picture,
  { x, y }: Pick<Positions, 'x' | 'y'>,
  places: Uint32Array,
  groups: Uint8Array | null,
  words: Uint32Array,
  side: number,
  { ratio, opacity }: Pen,
): void {
  const weight = Math.round(opacity * 256);
  const half = (side - 1) / 2;
  for (let k = 0; k < places.length; k++) {
    const place = places[k] as number;
    const atX = (x[place] as number) * ratio - half;
    const atY = (y[place] as number) * ratio - half;
    if (atX !== atX || atY !== atY) continue;
    const left = Math.max(0, atX | 0);
    const top = Math.max(0, atY | 0);
    const right = Math.min(width, left + side);
    const bottom = Math.min(height, top + side);
    const colour = words[groups === null ? NO_GROUP : (groups[place] as number)] as number;
    for (let row = top; row < bottom; row++) {
      for (let at = row * width + left; at < row * width + right; at++) {
        pixels[at] = weight === 256 ? colour : blend(pixels[at] as number, colour, weight);
      }
    }
  }
}

/** A colour over another, both as pixels hold them. @param weight of the upper one, 0 to 256 */
function blend(below: number, above: number, weight: number): number {
  const red = below & 255;
  const green = (below >>> 8) & 255;
  const blue = (below >>> 16) & 255;
  return (
    0xff000000 |
    ((blue + (((((above >>> 16) & 255) - blue) * weight) >> 8)) << 16) |
    ((green + (((((above >>> 8) & 255) - green) * weight) >> 8)) << 8) |
    (red + ((((above & 255) - red) * weight) >> 8))
  );
}

/** One point. @param colour as a pixel holds it; @param weight of it against what is there, 0 to 256 */
function dab({ width, height, pixels }: Picture, stamp: Stamp, x: number, y: number, colour: number, weight: number): void {
  const column = Math.floor(x);
  const row = Math.floor(y);
  const { reach } = stamp;
  const isClear = column >= reach && row >= reach && column < width - reach && row < height - reach;
  const covered = stamp.pixels[Math.floor((y - row) * STEPS) * STEPS + Math.floor((x - column) * STEPS)];
  if (!covered) return;
  const { right, down, cover } = covered;
  for (let i = 0; i < cover.length; i++) {
    const atX = column + (right[i] as number);
    const atY = row + (down[i] as number);
    if (!isClear && (atX < 0 || atY < 0 || atX >= width || atY >= height)) continue;
    const at = atY * width + atX;
    const share = ((cover[i] as number) * weight) >> 8;
    pixels[at] = share >= 256 ? colour : blend(pixels[at] as number, colour, share);
  }
}
