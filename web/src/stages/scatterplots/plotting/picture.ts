/** Red, green, blue, 0 to 255. */
export type Colour = readonly [number, number, number];

/** An opaque picture, a word a pixel (red in the lowest byte, as browsers have it in memory), row by row from the top. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly pixels: Uint32Array<ArrayBuffer>;
}

export function createPicture(width: number, height: number, colour: Colour): Picture {
  return { width, height, pixels: new Uint32Array(width * height).fill(word(colour)) };
}

/** An opaque colour as a pixel holds it. */
export function word([red, green, blue]: Colour): number {
  return (0xff000000 | (Math.round(blue) << 16) | (Math.round(green) << 8) | Math.round(red)) >>> 0;
}

/** Fills a rectangle, cut off at the picture's edges. */
export function fillRectangle(picture: Picture, left: number, top: number, right: number, bottom: number, colour: number): void {
  const { width, height, pixels } = picture;
  const [start, end] = [Math.max(0, left), Math.min(width, right)];
  for (let y = Math.max(0, top); y < Math.min(height, bottom); y++) pixels.fill(colour, y * width + start, y * width + end);
}

export function mixed(from: Colour, to: Colour, share: number): Colour {
  return [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share, from[2] + (to[2] - from[2]) * share];
}
