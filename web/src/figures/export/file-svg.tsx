import type { ReactNode } from 'react';
import type { Palette } from '../palette';
import { FIGURE_FONTS } from './figure-fonts';

/** What every figure for a file says of itself. */
export interface FileFacts {
  readonly title: string;
  readonly caption: string;
  /** Width on paper. */
  readonly millimetres: number;
  /** CSS with the font in it, where the figure has to carry it. */
  readonly fontFace?: string;
}

interface FileSvgProps extends FileFacts {
  /** In units of the drawing. */
  readonly width: number;
  readonly height: number;
  readonly palette: Palette;
  readonly children: ReactNode;
}

/** The root of a figure for a file: its size on paper, what it is, and its ground. */
export function FileSvg({ title, caption, millimetres, fontFace, width, height, palette, children }: FileSvgProps) {
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      width={`${millimetres}mm`}
      height={`${((millimetres * height) / width).toFixed(2)}mm`}
      viewBox={`0 0 ${width} ${height}`}
      fontFamily={FIGURE_FONTS}
      style={{ fontVariantNumeric: 'lining-nums tabular-nums' }}
    >
      <title>{title}</title>
      <desc>{caption}</desc>
      {fontFace && <style>{fontFace}</style>}
      <rect width={width} height={height} fill={palette.paper} />
      {children}
    </svg>
  );
}
