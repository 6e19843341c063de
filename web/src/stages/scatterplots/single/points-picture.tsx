import { rgb } from 'd3-color';
import { useEffect, useRef } from 'react';
import { useTheme } from '../../../controls/theme';
import { GROUP_TOKENS } from '../../../figures/group-styles';
import { type Palette, paletteOf } from '../../../figures/palette';
import { MOST_POINTS } from '../matrix/layout';
import type { Colour, Picture } from '../plotting/picture';
import { paintOn } from '../plotting/picture-on-canvas';
import type { PlotData } from '../plotting/plot-data';
import { Plotter } from '../plotting/plotter';
import type { SingleFrame } from './single-frame';
import { CLASSES, classesOf, ramp, type Third } from './third-scale';

interface PictureFacts {
  readonly data: PlotData;
  readonly ids: readonly [string, string];
  /** Ends of the two axes. */
  readonly domains: readonly [readonly [number, number], readonly [number, number]];
  readonly frame: SingleFrame;
  readonly third: Third;
  readonly palette: Palette;
  readonly ratio: number;
}

/** So many points that shapes would be too small: squares, or counts in bins, as the panels have them. */
export function pointsPicture({ data, ids, domains, frame, third, palette, ratio }: PictureFacts): Picture {
  const read = (text: string): Colour => {
    const { r, g, b } = rgb(text);
    return [r, g, b];
  };
  const [x, y] = ids;
  const byClass = third.type === 'colour' || third.type === 'size' ? classesOf(third.values, third.domain) : null;
  const colour = ramp(palette);
  const plotter = new Plotter();
  plotter.setData(byClass ? { ...data, groups: byClass } : data);
  plotter.setLook({
    ratio,
    surface: read(palette.surface),
    ink: read(palette.ink),
    faint: read(palette.rule),
    lit: read(palette.accent),
    beyond: read(palette.caution),
    groups: byClass
      ? Array.from({ length: CLASSES }, (_, k) => read(colour((k + 0.5) / CLASSES)))
      : GROUP_TOKENS.map((_, group) => read(palette.group(group))),
    hidden: [],
    domains: new Map([
      [x, domains[0]],
      [y, domains[1]],
    ]),
    jitter: new Map(),
  });
  const [width, height] = [frame.right - frame.left, frame.bottom - frame.top];
  const style = data.rows.length > MOST_POINTS ? 'bins' : 'points';
  return plotter.draw({ id: 'single', x, y, scale: 'values', style, width, height });
}

/** The picture under a large scatterplot of many points. */
export function PointsPicture(props: Omit<PictureFacts, 'palette' | 'ratio'>) {
  const { data, ids, domains, frame, third } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const { token } = useTheme();
  const key = JSON.stringify([ids, domains, frame]);
  useEffect(() => {
    if (!canvas.current) return;
    const facts = JSON.parse(key) as [PictureFacts['ids'], PictureFacts['domains'], SingleFrame];
    const ratio = window.devicePixelRatio || 1;
    const picture = pointsPicture({ data, ids: facts[0], domains: facts[1], frame: facts[2], third, palette: paletteOf(token), ratio });
    paintOn(canvas.current, picture);
  }, [data, third, key, token]);
  return (
    <canvas
      ref={canvas}
      aria-hidden="true"
      className="absolute"
      style={{ left: frame.left, top: frame.top, width: frame.right - frame.left, height: frame.bottom - frame.top }}
    />
  );
}
