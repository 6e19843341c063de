import { type Colour, createPicture, fillRectangle, mixed, type Picture, word } from './picture';
import type { Positions } from './positions';

/** Side of a bin in pixels of the page. */
const SIDE = 4;
const NONE = 65_535;
/** The colour of a bin with a single row, between the surface and the full colour. */
const FAINTEST = 0.16;

/** Rows counted in square bins of a panel. */
export interface Bins {
  readonly across: number;
  readonly down: number;
  /** Bin of each place; 65,535 for none. */
  readonly of: Uint16Array;
  readonly counts: Uint32Array;
  readonly most: number;
}

export function binsOf({ x, y }: Pick<Positions, 'x' | 'y'>, width: number, height: number): Bins {
  const across = Math.ceil(width / SIDE);
  const down = Math.ceil(height / SIDE);
  const of = new Uint16Array(x.length).fill(NONE);
  const counts = new Uint32Array(across * down);
  for (let place = 0; place < x.length; place++) {
    const left = x[place] as number;
    const top = y[place] as number;
    if (left !== left || top !== top) continue;
    const bin = Math.min(down - 1, (top / SIDE) | 0) * across + Math.min(across - 1, (left / SIDE) | 0);
    of[place] = bin;
    counts[bin] = (counts[bin] as number) + 1;
  }
  return { across, down, of, counts, most: counts.reduce((most, count) => Math.max(most, count), 0) };
}

/** Counts some places into their bins, or out of them again. */
export function countInto(counts: Uint32Array, { of }: Bins, places: Uint32Array, step: 1 | -1): void {
  for (let k = 0; k < places.length; k++) {
    const bin = of[places[k] as number] as number;
    if (bin !== NONE) counts[bin] = (counts[bin] as number) + step;
  }
}

/** The bins whose middle fulfils a condition, one byte a bin; middles are in pixels of the page. */
export function binsWhere({ across, counts }: Bins, isInside: (x: number, y: number) => boolean): Uint8Array {
  return Uint8Array.from(counts, (_, bin) => (isInside(((bin % across) + 0.5) * SIDE, (Math.floor(bin / across) + 0.5) * SIDE) ? 1 : 0));
}

/** The bin at a place of the panel. */
export function binAt({ across, down }: Bins, x: number, y: number): number {
  return Math.max(0, Math.min(down - 1, Math.floor(y / SIDE))) * across + Math.max(0, Math.min(across - 1, Math.floor(x / SIDE)));
}

/** Draws counts, darker for more by their logarithm; those with none stay as they are. @param most the count of the full colour */
export function paintBins(
  picture: Picture,
  { across }: Bins,
  counts: Uint32Array,
  most: number,
  surface: Colour,
  colour: Colour,
  ratio: number,
): void {
  const full = Math.log1p(most);
  const side = SIDE * ratio;
  for (let bin = 0; bin < counts.length; bin++) {
    const count = counts[bin] ?? 0;
    if (count === 0) continue;
    const [left, top] = [(bin % across) * side, Math.floor(bin / across) * side];
    const share = FAINTEST + ((1 - FAINTEST) * Math.log1p(count)) / full;
    fillRectangle(
      picture,
      Math.round(left),
      Math.round(top),
      Math.round(left + side),
      Math.round(top + side),
      word(mixed(surface, colour, Math.min(1, share))),
    );
  }
}

export function binnedPicture(bins: Bins, width: number, height: number, surface: Colour, colour: Colour, ratio: number): Picture {
  const picture = createPicture(Math.round(width * ratio), Math.round(height * ratio), surface);
  paintBins(picture, bins, bins.counts, bins.most, surface, colour, ratio);
  return picture;
}
