import { rgb } from 'd3-color';
import { interpolateLab } from 'd3-interpolate';

/** The colours that a scale is made of, as CSS colours. */
export interface ScaleColours {
  readonly negative: string;
  readonly middle: string;
  readonly positive: string;
  readonly darkText: string;
  readonly lightText: string;
}

interface TileColours {
  readonly background: string;
  readonly text: string;
}

/** The colours of a tile by its coefficient in [−1, 1]. */
export type CoefficientScale = (coefficient: number) => TileColours;

/** Negative ← middle → positive, symmetric in CIELAB; the text is whichever of the two contrasts more. */
export function createCoefficientScale({ negative, middle, positive, darkText, lightText }: ScaleColours): CoefficientScale {
  const below = interpolateLab(middle, negative);
  const above = interpolateLab(middle, positive);
  return (coefficient) => {
    const background = coefficient < 0 ? below(-coefficient) : above(coefficient);
    const text = contrast(background, darkText) >= contrast(background, lightText) ? darkText : lightText;
    return { background, text };
  };
}

/** Contrast ratio of two colours, 1 to 21; WCAG 2.2, relative luminance. */
export function contrast(a: string, b: string): number {
  const [lighter = 0, darker = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (lighter + 0.05) / (darker + 0.05);
}

function luminance(colour: string): number {
  const { r, g, b } = rgb(colour);
  return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
}

function linear(channel: number): number {
  const share = channel / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
}
