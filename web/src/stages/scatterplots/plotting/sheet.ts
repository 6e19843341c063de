import type { Picture } from './picture';
import type { PanelSpec } from './plot-data';

/** The panels in view on one picture, so that a step of the brush is one picture and not a hundred. */
export interface Sheet {
  /** In pixels of the page. */
  readonly width: number;
  readonly height: number;
  readonly panels: readonly SheetPanel[];
}

interface SheetPanel {
  readonly spec: PanelSpec;
  /** Upper left corner of its plotting area on the sheet, in pixels of the page. */
  readonly left: number;
  readonly top: number;
}

/** An empty picture of a sheet's size, see-through. */
export function emptySheet({ width, height }: Sheet, ratio: number): Picture {
  const [across, down] = [Math.round(width * ratio), Math.round(height * ratio)];
  return { width: across, height: down, pixels: new Uint32Array(across * down) };
}

/** Lays a picture on another, cut off at its edges. */
export function layOn(sheet: Picture, picture: Picture, left: number, top: number): void {
  const width = Math.min(picture.width, sheet.width - left);
  const height = Math.min(picture.height, sheet.height - top);
  for (let row = 0; row < height; row++) {
    const start = row * picture.width;
    sheet.pixels.set(picture.pixels.subarray(start, start + width), (top + row) * sheet.width + left);
  }
}
