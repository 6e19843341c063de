import { dayToken } from './day-colours';
import { FIGURE_FONTS } from './figure-fonts';
import type { Figure, FigureOptions } from './figure-options';

interface ElementFacts extends Pick<FigureOptions, 'width' | 'colour'> {
  readonly title: string;
  readonly caption: string;
  readonly fontFace?: string;
}

/** Presentation that a class or an inherited rule may have set, and a file has to carry itself. */
const CARRIED = ['font-size', 'font-weight', 'text-anchor', 'font-variant-numeric'] as const;
const GROUND = new Set(['--paper', '--surface', '--sunken']);

/** A drawing of the page as a file of its own: by day, on white, with its size on paper. */
export function svgOfElement(drawing: SVGSVGElement, { title, caption, width, colour, fontFace }: ElementFacts): Figure {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const [originals, copies] = [drawing, copy].map((root) => [...root.querySelectorAll<SVGElement>('*')]) as [SVGElement[], SVGElement[]];
  copies.forEach((element, i) => {
    const original = originals[i];
    if (original?.tagName === 'text') {
      const style = getComputedStyle(original);
      for (const name of CARRIED) element.style.setProperty(name, style.getPropertyValue(name));
    }
    element.removeAttribute('class');
    for (const { name, value } of [...element.attributes])
      if (value.includes('var(')) element.setAttribute(name, inDayColours(value, colour));
  });
  const [wide, high] = [
    // Asking for the size on screen has the whole page laid out.
    Number(drawing.getAttribute('width')) || drawing.clientWidth,
    Number(drawing.getAttribute('height')) || drawing.clientHeight,
  ];
  copy.removeAttribute('class');
  copy.removeAttribute('style');
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('viewBox', `0 0 ${wide} ${high}`);
  copy.setAttribute('width', `${width}mm`);
  copy.setAttribute('height', `${((width * high) / wide).toFixed(2)}mm`);
  copy.setAttribute('font-family', FIGURE_FONTS);
  const described = [
    `<title>${escaped(title)}</title><desc>${escaped(caption)}</desc>`,
    fontFace ? `<style>${fontFace}</style>` : '',
    `<rect width="${wide}" height="${high}" fill="white"/>`,
  ].join('');
  const svg = new XMLSerializer().serializeToString(copy).replace(/(<svg[^>]*>)/, `$1${described}`);
  return { svg, caption, shapes: true };
}

/** Every `var(--name)` as the colour it has by day; without colour in greys. */
function inDayColours(text: string, colour: boolean): string {
  return text.replaceAll(/var\((--[a-z0-9-]+)\)/g, (_, name: `--${string}`) => {
    if (GROUND.has(name)) return 'white';
    return colour ? dayToken(name) : greyOf(dayToken(name));
  });
}

/** The grey of the same lightness. */
function greyOf(hex: string): string {
  const parts = /^#(..)(..)(..)$/.exec(hex);
  if (!parts) return hex;
  const [red = 0, green = 0, blue = 0] = parts.slice(1).map((part) => Number.parseInt(part, 16));
  const grey = Math.round(0.2126 * red + 0.7152 * green + 0.0722 * blue);
  return `rgb(${grey},${grey},${grey})`;
}

function escaped(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
}
