import type { Colour } from './picture';
import { type Picture, word } from './picture';
import type { Positions } from './positions';

/** A panel's points with some lit, kept from step to step of a brush: only rows that come or go are drawn. */
export interface LitSquares {
  mask: Uint8Array;
  readonly picture: Picture;
  /** How many lit points cover each pixel. */
  readonly counts: Uint16Array;
}

export function createLitSquares(faint: Picture, mask: Uint8Array): LitSquares {
  return { mask, picture: { ...faint, pixels: faint.pixels.slice() }, counts: new Uint16Array(faint.pixels.length) };
}

/** Lights some places, or puts them out again. @param side of the squares in pixels of the picture */
export function lightSquares(
  { picture, counts }: LitSquares,
  faint: Picture,
  { x, y }: Pick<Positions, 'x' | 'y'>,
  places: Uint32Array,
  step: 1 | -1,
  colour: Colour,
  side: number,
  ratio: number,
): void {
  const { width, height, pixels } = picture;
  const lit = word(colour);
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
    for (let row = top; row < bottom; row++) {
      for (let at = row * width + left; at < row * width + right; at++) {
        const count = (counts[at] as number) + step;
        counts[at] = count;
        if (count === 0) pixels[at] = faint.pixels[at] as number;
        else if (step === 1 && count === 1) pixels[at] = lit;
      }
    }
  }
}
