import type { Palette } from '../../../figures/palette';
import { AxisMarks } from './axis-marks';
import { acrossScale, downScale } from './axis-scales';
import type { Layout } from './layout';

export interface AxesFacts {
  readonly layout: Layout;
  readonly domains: ReadonlyMap<string, readonly [number, number]>;
  /** Ranks go from 1 to this. */
  readonly ranks: number;
}

const NO_DOMAIN = [0, 1] as const;

/** The axes of all columns, over or under them, in a box as high as their room. */
export function AxesAcross({
  layout,
  domains,
  ranks,
  side,
  palette,
}: AxesFacts & { readonly side: 'top' | 'bottom'; readonly palette: Palette }) {
  const { columns, cell, plot, gutter, far } = layout;
  return columns.map((variable, j) => (
    <g key={variable.id} transform={`translate(${j * cell.width + plot.left},0)`}>
      {side === 'top' && j === 0 && far === 'ranks' && (
        <text x={plot.width} y={gutter.top - 7} textAnchor="end" fontSize={10.5} fill={palette.muted}>
          ranks
        </text>
      )}
      <AxisMarks
        side={side}
        scale={acrossScale(layout, side, j)}
        variable={variable}
        domain={domains.get(variable.id) ?? NO_DOMAIN}
        ranks={ranks}
        length={plot.width}
        room={gutter[side]}
        palette={palette}
      />
    </g>
  ));
}

/** The axes of all rows, beside them, in a box as wide as their room. */
export function AxesDown({
  layout,
  domains,
  ranks,
  side,
  palette,
}: AxesFacts & { readonly side: 'left' | 'right'; readonly palette: Palette }) {
  const { rows, cell, plot, gutter } = layout;
  return rows.map((variable, i) => (
    <g key={variable.id} transform={`translate(0,${i * cell.height + plot.top})`}>
      <AxisMarks
        side={side}
        scale={downScale(layout, side, i)}
        variable={variable}
        domain={domains.get(variable.id) ?? NO_DOMAIN}
        ranks={ranks}
        length={plot.height}
        room={gutter[side]}
        palette={palette}
      />
    </g>
  ));
}
