import { PADDING } from '../../../figures/padding';
import { type Colour, createPicture, fillRectangle, mixed, type Picture, word } from './picture';
import type { Positions } from './positions';

/** About the side of a bin in pixels of the page. */
const SIDE = 4;
const NONE = 65_535;
/** The colour of a bin with a single row, between the surface and the full colour. */
const FAINTEST = 0.16;

/** Rows counted in bins that divide the axes of a panel evenly. */
export interface Bins {
  readonly across: number;
  readonly down: number;
  /** Of one bin, in pixels of the page. */
  readonly width: number;
  readonly height: number;
  /** Bin of each place; 65,535 for none. */
  readonly of: Uint16Array;
  readonly counts: Uint32Array;
  readonly most: number;
}

/** @param width of the panel, as `height` in pixels of the page */
export function binsOf({ x, y }: Pick<Positions, 'x' | 'y'>, width: number, height: number): Bins {
  const across = binsAlong(width);
  const down = binsAlong(height);
  const [wide, tall] = [(width - 2 * PADDING) / across, (height - 2 * PADDING) / down];
  const of = new Uint16Array(x.length).fill(NONE);
  const counts = new Uint32Array(across * down);
  for (let place = 0; place < x.length; place++) {
    const left = x[place] as number;
    const top = y[place] as number;
    if (left !== left || top !== top) continue;
    // The largest value belongs to the last bin; values beyond an axis to the outermost.
    const column = Math.max(0, Math.min(across - 1, ((left - PADDING) / wide) | 0));
    const row = Math.max(0, Math.min(down - 1, ((top - PADDING) / tall) | 0));
    const bin = row * across + column;
    of[place] = bin;
    counts[bin] = (counts[bin] as number) + 1;
  }
  return { across, down, width: wide, height: tall, of, counts, most: counts.reduce((most, count) => Math.max(most, count), 0) };
}

function binsAlong(length: number): number {
  return Math.max(1, Math.round((length - 2 * PADDING) / SIDE));
}

/** Counts some places into their bins, or out of them again. */
export function countInto(counts: Uint32Array, { of }: Bins, places: Uint32Array, step: 1 | -1): void {
  for (let k = 0; k < places.length; k++) {
    const bin = of[places[k] as number] as number;
    if (bin !== NONE) counts[bin] = (counts[bin] as number) + step;
  }
}

/** The bins whose middle fulfils a condition, one byte a bin; middles are in pixels of the page. */
export function binsWhere({ across, width, height, counts }: Bins, isInside: (x: number, y: number) => boolean): Uint8Array {
  return Uint8Array.from(counts, (_, bin) =>
    isInside(PADDING + ((bin % across) + 0.5) * width, PADDING + (Math.floor(bin / across) + 0.5) * height) ? 1 : 0,
  );
}

/** How many rows are in the bin at a place of the panel. */
export function countAt({ across, down, width, height, counts }: Bins, x: number, y: number): number {
  const [column, row] = [Math.floor((x - PADDING) / width), Math.floor((y - PADDING) / height)];
  const isOutside = column < 0 || row < 0 || column >= across || row >= down;
  return isOutside ? 0 : (counts[row * across + column] ?? 0);
}

/** Draws counts, darker for more by their logarithm; bins with none stay as they are. @param most the count of the full colour */
export function paintBins(
  picture: Picture,
  { across, width, height }: Bins,
  counts: Uint32Array,
  most: number,
  surface: Colour,
  colour: Colour,
  ratio: number,
): void {
  const full = Math.log1p(most);
  const edgeX = (column: number) => Math.round((PADDING + column * width) * ratio);
  const edgeY = (row: number) => Math.round((PADDING + row * height) * ratio);
  for (let bin = 0; bin < counts.length; bin++) {
    const count = counts[bin] ?? 0;
    if (count === 0) continue;
    const [column, row] = [bin % across, Math.floor(bin / across)];
    const share = FAINTEST + ((1 - FAINTEST) * Math.log1p(count)) / full;
    const shade = word(mixed(surface, colour, Math.min(1, share)));
    fillRectangle(picture, edgeX(column), edgeY(row), edgeX(column + 1), edgeY(row + 1), shade);
  }
}

export function binnedPicture(bins: Bins, width: number, height: number, surface: Colour, colour: Colour, ratio: number): Picture {
  const picture = createPicture(Math.round(width * ratio), Math.round(height * ratio), surface);
  paintBins(picture, bins, bins.counts, bins.most, surface, colour, ratio);
  return picture;
}
