import { type QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactElement } from 'react';
import { drawingWidth, FONT_UNITS } from '../figures/export/figure-options';
import { svgOfElement } from '../figures/export/svg-of-element';
import type { ToldFigure } from './told';

interface DrawnFigure {
  readonly title: string;
  readonly caption: string;
  readonly alternative: string;
  /** The drawing at a width, in units in which words have a size of their own. */
  readonly element: (width: number) => ReactElement;
}

let drawings = 0;

/** A figure that is drawn by the components of the page, away from it. */
export function drawnFigure(client: QueryClient, { title, caption, alternative, element }: DrawnFigure): ToldFigure {
  return {
    caption,
    alternative,
    draw: async (options, fontFace) => {
      const { renderToStaticMarkup } = await import('react-dom/server');
      const width = Math.round(drawingWidth(options, FONT_UNITS));
      const holder = document.createElement('div');
      holder.style.cssText = `position:absolute;left:-10000px;top:0;width:${width}px;contain:layout style paint`;
      // Ids of clipping paths must differ among the figures of a page.
      holder.innerHTML = renderToStaticMarkup(<QueryClientProvider client={client}>{element(width)}</QueryClientProvider>, {
        identifierPrefix: `drawing-${drawings++}-`,
      });
      document.body.append(holder);
      try {
        const drawing = holder.querySelector('svg');
        if (!drawing) throw new Error('The figure could not be drawn.');
        return svgOfElement(drawing, { title, caption, ...options, ...(fontFace ? { fontFace } : {}) });
      } finally {
        holder.remove();
      }
    },
  };
}
