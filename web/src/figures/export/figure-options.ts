/** Size of most words in units of the drawing. */
export const FONT_UNITS = 11;

export interface FigureOptions {
  /** Width on paper, in millimetres. */
  readonly width: number;
  /** Size of the words on paper, in points. */
  readonly font: number;
  /** Dots per inch of a PNG. */
  readonly resolution: number;
  readonly colour: boolean;
}

/** A figure for a file, with the caption that goes with it. */
export interface Figure {
  readonly svg: string;
  readonly caption: string;
  /** Whether every point is a shape of its own, rather than part of a picture. */
  readonly shapes: boolean;
}

/** @param fontFace CSS with the font in it, where the figure has to carry it */
export type BuildFigure = (options: FigureOptions, fontFace?: string) => Promise<Figure>;

export const FIGURE_DEFAULTS: FigureOptions = { width: 170, font: 8, resolution: 300, colour: true };

export const LIMITS = { width: [40, 600], font: [4, 24], resolution: [72, 1200] } as const;
const MM_PER_INCH = 25.4;
const POINTS_PER_INCH = 72;
/** More pixels than this along a side are more than browsers draw. */
const MOST_PIXELS = 16_000;

/** What is wrong with the options, in words; null where nothing is. */
export function problemWith({ width, font, resolution }: FigureOptions): string | null {
  const outside = (value: number, [least, most]: readonly [number, number]) => !(value >= least && value <= most);
  if (outside(width, LIMITS.width)) return `The width lies between ${LIMITS.width.join(' and ')} mm.`;
  if (outside(font, LIMITS.font)) return `The font size lies between ${LIMITS.font.join(' and ')} points.`;
  if (outside(resolution, LIMITS.resolution)) return `The resolution lies between ${LIMITS.resolution.join(' and ')} dots per inch.`;
  if (pixelsOf(width, resolution) > MOST_PIXELS)
    return `That makes more than ${MOST_PIXELS.toLocaleString('en-GB')} pixels: choose a lower resolution.`;
  return null;
}

/** Pixels of a picture so wide on paper. */
export function pixelsOf(millimetres: number, resolution: number): number {
  return Math.round((millimetres / MM_PER_INCH) * resolution);
}

/** Width in units of the drawing, whose words have a size of their own, so that they come out as asked for. */
export function drawingWidth({ width, font }: FigureOptions, fontUnits: number): number {
  const unitsPerPoint = fontUnits / font;
  return (width / MM_PER_INCH) * POINTS_PER_INCH * unitsPerPoint;
}
