import { createElement, useMemo, useRef } from 'react';
import { type BuildFigure, drawingWidth, type Figure, type FigureOptions, FONT_UNITS } from '../../../figures/export/figure-options';
import type { PlotData } from '../plotting/plot-data';
import type { SingleFigureProps } from './single-figure';
import { scalesFor, singleFrame } from './single-frame';
import { pointStyles, type Third } from './third-scale';

export interface SingleExport {
  readonly data: PlotData;
  readonly third: Third;
  readonly domains: readonly [readonly [number, number], readonly [number, number]];
  readonly figure: Omit<SingleFigureProps, 'frame' | 'x' | 'y' | 'styleOf' | 'palette' | 'children'>;
  readonly radius: number;
  readonly legend: readonly string[];
  readonly title: string;
  readonly caption: string;
  readonly margins: boolean;
}

const ASPECT = 0.72;

/** Makes the single plot for a file, from what is on screen when it is asked for; null while nothing is. */
export function useSingleExport(current: SingleExport | null): BuildFigure | null {
  const latest = useRef(current);
  latest.current = current;
  const isThere = current !== null;
  return useMemo((): BuildFigure | null => {
    if (!isThere) return null;
    return async (options, fontFace) => {
      const facts = latest.current;
      if (!facts) throw new Error('The figure is not there yet.');
      return buildSingle(facts, options, fontFace);
    };
  }, [isThere]);
}

/** The single plot as an SVG for paper. */
export async function buildSingle(facts: SingleExport, options: FigureOptions, fontFace?: string): Promise<Figure> {
  const [{ asFile }, { filePalette }, { SingleSvg }] = await Promise.all([
    import('../../../figures/export/as-file'),
    import('../../../figures/export/day-colours'),
    import('./single-svg'),
  ]);
  const palette = filePalette(options.colour);
  const width = Math.round(drawingWidth(options, FONT_UNITS + 1));
  const frame = singleFrame(width, Math.round(width * ASPECT), facts.margins);
  const shapes = facts.figure.places.length > 0;
  const element = createElement(SingleSvg, {
    ...facts.figure,
    frame,
    ...scalesFor(facts.domains, frame),
    palette,
    styleOf: pointStyles(facts.third, facts.data.groups, palette, facts.radius),
    third: facts.third,
    groups: facts.legend,
    data: facts.data,
    title: facts.title,
    caption: facts.caption,
    millimetres: options.width,
    ...(fontFace ? { fontFace } : {}),
  });
  return { svg: await asFile(element), caption: facts.caption, shapes };
}
