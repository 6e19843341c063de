import { rowsInUse } from '@ivlen/contract';
import { rgb } from 'd3-color';
import { createElement } from 'react';
import { joined } from '../../../coefficients/coefficient-names';
import { createCoefficientScale } from '../../../figures/coefficient-scale';
import { asFile } from '../../../figures/export/as-file';
import { dayToken, filePalette } from '../../../figures/export/day-colours';
import { drawingWidth, type Figure, type FigureOptions, FONT_UNITS } from '../../../figures/export/figure-options';
import { GROUP_TOKENS } from '../../../figures/group-styles';
import type { Palette } from '../../../figures/palette';
import { layOut, placesInView, specAt } from '../matrix/layout';
import { matrixNotes } from '../matrix/matrix-notes';
import type { PanelModel } from '../matrix/panel-model';
import type { MatrixScene, SceneFacts } from '../matrix/use-matrix-scene';
import { contentAt, modelAt } from '../matrix/use-panel-models';
import type { Colour } from '../plotting/picture';
import { pictureAddress } from '../plotting/picture-on-canvas';
import { type PanelSpec, type PlotLook, pointLook } from '../plotting/plot-data';
import type { PlottingClient } from '../plotting/plotting-client';
import { pairId } from '../use-panel-values';
import { MatrixSvg, type PanelPoints } from './matrix-svg';

/** In files panels may be smaller than on screen. */
const LEAST = 30;
/** More points than this in all panels together are drawn as pictures, since a file of so many shapes opens nowhere. */
const MOST_SHAPES = 80_000;
const PICTURE_RATIO = 4;

/** The matrix as it is on screen, with all of its panels, as an SVG for paper. */
export async function buildFigure(
  facts: SceneFacts,
  scene: Pick<MatrixScene, 'client' | 'look' | 'groupLines' | 'marginals'>,
  sentence: string,
  options: FigureOptions,
  fontFace?: string,
): Promise<Figure> {
  const { client, look } = scene;
  if (!client || !look) throw new Error('The panels are not there yet.');
  const { study, rows, columns, settings, correlation, groups, matrix } = facts;
  const width = drawingWidth(options, FONT_UNITS);
  const { below, above, corners } = settings;
  const layout = layOut({
    rows,
    columns,
    below,
    above,
    size: 'fitting',
    corners,
    width,
    height: width,
    ranks: rowsInUse(study),
    least: LEAST,
  });
  const everything = { left: 0, top: 0, width: Number.MAX_SAFE_INTEGER, height: Number.MAX_SAFE_INTEGER };
  const places = placesInView(layout, everything);
  const specs = places.map((place) => specAt(layout, place, contentAt(settings, place), rowsInUse(study)));
  const drawn = specs.filter((spec) => spec !== null);
  const { line, curve, ellipse, share } = settings;
  const fitsByPair = new Map<string, PanelModel['fits']>();
  if (line || curve || ellipse) {
    const requests = drawn.map(({ x, y, scale }) => ({
      x,
      y,
      scale,
      line,
      curve,
      ellipse,
      share,
      level: correlation.level,
      groups: groups.shown,
    }));
    const found = await client.computing.fits(requests);
    drawn.forEach((spec, k) => {
      fitsByPair.set(pairId(spec), found[k] ?? []);
    });
  }
  const models = places.map((place, k) =>
    modelAt(
      {
        ...facts,
        byGroup: scene.groupLines,
        groups: groups.all,
        fits: fitsByPair,
        curvedRanks: new Map(),
        rows: client.data.rows.length,
        without: null,
      },
      place,
      specs[k] ?? null,
    ),
  );
  const palette = filePalette(options.colour);
  const fileLook = lookForFile(look, options.colour);
  const points = await pointsOf(client, fileLook, drawn);
  const shapes = [...points.values()].every(({ type }) => type === 'shapes');
  const rowsUsed = client.data.rows.length;
  const caption = [
    sentence,
    ...matrixNotes(facts, 0, correlation.levels),
    options.colour || !groups.by ? '' : 'Groups are told apart by shape.',
    notDrawn(groups),
  ]
    .filter(Boolean)
    .join(' ');
  const element = createElement(MatrixSvg, {
    layout,
    models,
    points,
    domains: look.domains,
    ranks: rowsUsed,
    ranksOf: ({ place: { row, column } }) => (matrix && row !== column ? Math.max(1, matrix.cell(row, column).n) : rowsUsed),
    marginals: scene.marginals,
    diagonal: settings.diagonal,
    legend: groups.by ? groups.shown.map((group) => ({ group, label: groups.all[group]?.label ?? '' })) : [],
    palette,
    tileColours: options.colour ? coloured() : () => ({ background: palette.surface, text: palette.ink }),
    title: `Scatterplots, ${study.name}`,
    caption,
    millimetres: options.width,
    ...(fontFace ? { fontFace } : {}),
  });
  return { svg: await asFile(element), caption, shapes };
}

/** Which groups are hidden, as a caption has to say. */
function notDrawn({ all, hidden }: SceneFacts['groups']): string {
  const labels = hidden.flatMap((group) => all[group]?.label ?? []);
  return labels.length === 0 ? '' : `Not drawn: ${joined(labels)}; their rows count in the coefficients over all rows.`;
}

function coloured() {
  return createCoefficientScale({
    negative: dayToken('--negative'),
    middle: 'white',
    positive: dayToken('--positive'),
    darkText: dayToken('--tile-dark-text'),
    lightText: dayToken('--tile-light-text'),
  });
}

/** The look on screen in the colours of paper. */
function lookForFile(look: PlotLook, colour: boolean): PlotLook {
  const palette: Palette = filePalette(colour);
  const read = (text: string): Colour => {
    const { r, g, b } = rgb(text);
    return [r, g, b];
  };
  return {
    ...look,
    ratio: PICTURE_RATIO,
    surface: read(palette.surface),
    ink: read(palette.ink),
    beyond: read(palette.caution),
    groups: GROUP_TOKENS.map((_, group) => read(palette.group(group))),
  };
}

async function pointsOf(client: PlottingClient, look: PlotLook, specs: readonly PanelSpec[]): Promise<Map<string, PanelPoints>> {
  const { rows, groups } = client.data;
  const asShapes = specs.every(({ style }) => style === 'points') && specs.length * rows.length <= MOST_SHAPES;
  const points = new Map<string, PanelPoints>();
  for (const spec of specs) {
    if (asShapes) {
      const { x, y, beyond } = await client.drawing(look).positions(spec);
      const { radius, opacity } = pointLook(rows.length, spec.width * spec.height, groups !== null);
      points.set(spec.id, { type: 'shapes', x, y, groups, radius, opacity, beyond: new Set(beyond) });
    } else {
      const picture = await client.drawing(look).picture(spec);
      points.set(spec.id, { type: 'picture', href: pictureAddress(picture) });
    }
  }
  return points;
}
