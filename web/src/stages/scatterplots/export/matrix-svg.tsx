import type { DiagonalContent } from '@ivlen/contract';
import { type FileFacts, FileSvg } from '../../../figures/export/file-svg';
import { groupShape, NO_GROUP } from '../../../figures/group-styles';
import type { Marginal } from '../../../figures/marks/marginal';
import { shapePath } from '../../../figures/marks/marker';
import type { Palette } from '../../../figures/palette';
import { greatest } from '../../../numbers/ends';
import { AxesAcross, AxesDown } from '../matrix/axes-along';
import { DiagonalFigure } from '../matrix/diagonal-figure';
import type { Layout } from '../matrix/layout';
import { PanelFigure } from '../matrix/panel-figure';
import type { PanelModel } from '../matrix/panel-model';

/** Points of a panel as shapes, or as a picture where they are too many. */
export type PanelPoints =
  | {
      readonly type: 'shapes';
      readonly x: Float32Array;
      readonly y: Float32Array;
      readonly groups: Uint8Array | null;
      readonly radius: number;
      readonly opacity: number;
      /** Places whose values lie beyond an axis. */
      readonly beyond: ReadonlySet<number>;
    }
  | { readonly type: 'picture'; readonly href: string };

export interface MatrixSvgProps extends FileFacts {
  readonly layout: Layout;
  readonly models: readonly PanelModel[];
  readonly points: ReadonlyMap<string, PanelPoints>;
  readonly domains: ReadonlyMap<string, readonly [number, number]>;
  /** Ranks of most panels, and of each by its number of rows. */
  readonly ranks: number;
  readonly ranksOf: (model: PanelModel) => number;
  readonly marginals: ReadonlyMap<string, Marginal>;
  readonly diagonal: DiagonalContent;
  readonly legend: readonly { readonly group: number; readonly label: string }[];
  readonly palette: Palette;
  readonly tileColours: (coefficient: number) => { readonly background: string; readonly text: string };
}

const LEGEND_LINE = 18;
const LETTER = 6.6;

/** The whole matrix as one SVG: what is on screen, for paper. */
export function MatrixSvg(props: MatrixSvgProps) {
  const { layout, models, points, domains, ranks, ranksOf, marginals, diagonal, legend, palette, tileColours, ...file } = props;
  const { rows, columns, cell, plot, gutter } = layout;
  const width = gutter.left + columns.length * cell.width + gutter.right;
  const entries = legendLines(legend, width - gutter.left);
  const legendHeight = entries.length === 0 ? 0 : (greatest(entries.map(({ line }) => line)) + 1) * LEGEND_LINE;
  const height = legendHeight + gutter.top + rows.length * cell.height + gutter.bottom;
  const axes = { layout, domains, ranks, palette };
  return (
    <FileSvg {...file} width={width} height={height} palette={palette}>
      <g data-part="legend" fontSize={12} fill={palette.ink}>
        {entries.map(({ group, label, x, line }) => (
          <g key={group} transform={`translate(${gutter.left + x},${line * LEGEND_LINE + 10})`}>
            <path d={shapePath(groupShape(group), 5, 0, 4)} fill={palette.group(group)} />
            <text x={14} dy="0.35em">
              {label}
            </text>
          </g>
        ))}
      </g>
      <g transform={`translate(${gutter.left},${legendHeight + gutter.top})`}>
        <g transform={`translate(0,${-gutter.top})`}>
          <AxesAcross {...axes} side="top" />
        </g>
        <g transform={`translate(0,${rows.length * cell.height})`}>
          <AxesAcross {...axes} side="bottom" />
        </g>
        <g transform={`translate(${-gutter.left},0)`}>
          <AxesDown {...axes} side="left" />
        </g>
        <g transform={`translate(${columns.length * cell.width},0)`}>
          <AxesDown {...axes} side="right" />
        </g>
        {models.map((model) => {
          const { place, spec } = model;
          const marked = spec && points.get(spec.id);
          return (
            <g
              key={`${place.i}.${place.j}`}
              data-panel={place.half}
              data-pair={`${place.row.name} ${place.column.name}`}
              transform={`translate(${place.j * cell.width},${place.i * cell.height})`}
            >
              {place.half === 'diagonal' ? (
                <DiagonalFigure
                  variable={place.row}
                  marginal={marginals.get(place.row.id)}
                  content={diagonal}
                  domain={domains.get(place.row.id) ?? [0, 1]}
                  plot={plot}
                  palette={palette}
                />
              ) : (
                <PanelFigure
                  model={model}
                  plot={plot}
                  domains={domains}
                  ranks={ranksOf(model)}
                  palette={palette}
                  tileColours={tileColours}
                  clip={`panel-${place.i}-${place.j}`}
                >
                  {marked && <Points points={marked} plot={plot} palette={palette} />}
                </PanelFigure>
              )}
            </g>
          );
        })}
      </g>
    </FileSvg>
  );
}

function Points({ points, plot, palette }: { points: PanelPoints; plot: Layout['plot']; palette: Palette }) {
  if (points.type === 'picture') return <image href={points.href} width={plot.width} height={plot.height} preserveAspectRatio="none" />;
  const { x, y, groups, radius, opacity, beyond } = points;
  const places = [...x.keys()].filter((place) => x[place] === x[place] && y[place] === y[place]);
  return (
    <g data-part="points" fillOpacity={opacity}>
      {places.map((place) => {
        const group = groups?.[place] ?? NO_GROUP;
        const shape = groupShape(group);
        const isBeyond = beyond.has(place);
        const colour = isBeyond ? palette.caution : group === NO_GROUP ? palette.ink : palette.group(group);
        const [cx, cy] = [round(x[place] ?? 0), round(y[place] ?? 0)];
        const more = isBeyond ? { fillOpacity: 1 } : {};
        return shape === 'circle' ? (
          <circle key={place} cx={cx} cy={cy} r={radius} fill={colour} {...more} />
        ) : (
          <path key={place} d={shapePath(shape, cx, cy, radius)} fill={colour} {...more} />
        );
      })}
    </g>
  );
}

/** Legend entries one after the other, going on in the next line where one is full. */
function legendLines(legend: MatrixSvgProps['legend'], width: number) {
  let [x, line] = [0, 0];
  return legend.map(({ group, label }) => {
    const long = 14 + label.length * LETTER + 18;
    if (x > 0 && x + long > width) [x, line] = [0, line + 1];
    const entry = { group, label, x, line };
    x += long;
    return entry;
  });
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}
