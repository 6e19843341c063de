import type { ReactElement } from 'react';

/** A component as an SVG file. */
export async function asFile(element: ReactElement): Promise<string> {
  const { renderToStaticMarkup } = await import('react-dom/server');
  return `<?xml version="1.0" encoding="UTF-8"?>\n${renderToStaticMarkup(element)}\n`;
}
