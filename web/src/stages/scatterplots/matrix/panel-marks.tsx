import type { Palette } from '../../../figures/palette';
import type { PairFit } from '../plotting/pair-fits';

interface PanelMarksProps {
  readonly fits: readonly PairFit[];
  /** Places on the panel of values or ranks. */
  readonly x: (value: number) => number;
  readonly y: (value: number) => number;
  readonly palette: Palette;
}

/** Lines with their bands, smooth curves and ellipses over the points of a panel, of all rows or of each group. */
export function PanelMarks({ fits, x, y, palette }: PanelMarksProps) {
  return fits.map(({ group, line, band, curve, ellipse }) => {
    const colour = palette.group(group);
    const path = (points: readonly { x: number; y: number }[]) =>
      points.map((point) => `${short(x(point.x))} ${short(y(point.y))}`).join('L');
    const edges = [...band.map((at) => ({ x: at.x, y: at.low })), ...band.map((at) => ({ x: at.x, y: at.high })).reverse()];
    return (
      <g key={group ?? 'all'} fill="none" stroke={colour} strokeWidth={1.5}>
        {edges.length > 0 && <path data-mark="band" d={`M${path(edges)}Z`} fill={colour} fillOpacity={0.13} stroke="none" />}
        {ellipse.length > 0 && (
          <path data-mark="ellipse" d={`M${path(ellipse)}Z`} stroke={group === null ? palette.positive : colour} strokeWidth={1.25} />
        )}
        {line && (
          <path data-mark="line" d={`M${path([line.from, line.to].map((at) => ({ x: at, y: line.intercept + line.slope * at })))}`} />
        )}
        {curve.length > 0 && (
          <path data-mark="curve" d={`M${path(curve)}`} stroke={group === null ? palette.ink : colour} strokeDasharray="5 3" />
        )}
      </g>
    );
  });
}

function short(value: number): number {
  return Math.round(value * 100) / 100;
}
