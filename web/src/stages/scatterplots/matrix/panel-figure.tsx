import type { ReactNode } from 'react';
import { shapePath } from '../../../figures/marks/marker';
import { PADDING } from '../../../figures/padding';
import type { Palette } from '../../../figures/palette';
import type { Layout } from './layout';
import { PanelMarks } from './panel-marks';
import type { PanelModel } from './panel-model';

interface PanelFigureProps {
  readonly model: PanelModel;
  readonly plot: Layout['plot'];
  readonly domains: ReadonlyMap<string, readonly [number, number]>;
  /** How many ranks the panel's axes have. */
  readonly ranks: number;
  readonly palette: Palette;
  /** Background and text of a panel that shows its coefficient. */
  readonly tileColours: (coefficient: number) => { readonly background: string; readonly text: string };
  /** Unique among the figures of the page. */
  readonly clip: string;
  /** The points, where they are part of the figure. */
  readonly children?: ReactNode;
}

const SIZE = 11;
const LINE = 14;
/** Over a panel with so much room there are two lines. */
const SECOND_LINE_FROM = 20;
/** From this width on, groups stand in two columns. */
const TWO_COLUMNS = 116;

/** A panel beside its points: corner text, frame, what is laid over, or the coefficient. */
export function PanelFigure({ model, plot, domains, ranks, palette, tileColours, clip, children }: PanelFigureProps) {
  const { spec, corner, interval, remark, tile, fits } = model;
  // A second line stands right over the panel.
  const first = plot.top - 5 - (plot.top > SECOND_LINE_FROM ? SIZE + 2 : 0);
  const colours = tile !== null && !Number.isNaN(tile) ? tileColours(tile) : null;
  return (
    <>
      <text x={1} y={first} fontSize={SIZE} fill={palette.ink}>
        {corner}
      </text>
      {interval && (
        <text x={1} y={plot.top - 5} fontSize={SIZE} fill={palette.muted}>
          {interval}
        </text>
      )}
      {remark && (
        <text x={plot.width - 1} y={first} fontSize={SIZE} fill={palette.muted} textAnchor="end">
          {remark}
        </text>
      )}
      <g transform={`translate(${plot.left},${plot.top})`}>
        {colours && <rect width={plot.width} height={plot.height} fill={colours.background} />}
        {children}
        {spec && fits.length > 0 && (
          <>
            <clipPath id={clip}>
              <rect width={plot.width} height={plot.height} />
            </clipPath>
            <g clipPath={`url(#${clip})`}>
              <PanelMarks fits={fits} {...scalesOf(spec, domains, ranks)} palette={palette} />
            </g>
          </>
        )}
        {(spec !== null || colours) && <rect width={plot.width} height={plot.height} fill="none" stroke={palette.rule} />}
        {model.lines.length > 0 && <Lines model={model} plot={plot} palette={palette} text={colours?.text ?? palette.ink} />}
      </g>
    </>
  );
}

/** That of all rows, and under it those of the groups, in one size; those that have no room are counted. */
function Lines({
  model: { lines },
  plot,
  palette,
  text,
}: Pick<PanelFigureProps, 'model' | 'plot' | 'palette'> & { readonly text: string }) {
  const [all, ...groups] = lines;
  if (!all) return null;
  const plain = groups.length > 0;
  const size = plain ? 12 : 15;
  const across = plot.width >= TWO_COLUMNS ? 2 : 1;
  const room = (Math.max(2, Math.floor((plot.height - 4) / LINE)) - 1) * across;
  const shown = groups.length > room ? groups.slice(0, room - across) : groups;
  const more = groups.length - shown.length;
  const under = Math.ceil(shown.length / across) + (more > 0 ? 1 : 0);
  const top = plot.height / 2 - (under * LINE) / 2;
  const middle = plot.width / 2;
  return (
    <g fontSize={size} fill={plain ? palette.ink : text} textAnchor="middle">
      {/* Groups' colours need the plain ground to be told apart. */}
      {plain && <rect x={2} y={2} width={plot.width - 4} height={plot.height - 4} fill={palette.surface} fillOpacity={0.9} />}
      <text x={middle} y={top} dy="0.35em" fontWeight={plain ? 650 : undefined}>
        {all.text}
      </text>
      {shown.map(({ group, shape, text: words }, i) => {
        const x = across === 2 ? middle + (i % 2 === 0 ? -plot.width / 4 : plot.width / 4) : middle;
        const y = top + (Math.floor(i / across) + 1) * LINE;
        return (
          <g key={group}>
            {shape && <path d={shapePath(shape, x - 25, y, 3.4)} fill={palette.group(group)} />}
            <text x={x + 4} y={y} dy="0.35em">
              {words}
            </text>
          </g>
        );
      })}
      {more > 0 && (
        <text x={middle} y={top + under * LINE} dy="0.35em" fill={palette.muted}>
          and {more} more
        </text>
      )}
    </g>
  );
}

/** Where values or ranks lie on a panel; not held within it, since what is drawn is cut off at the frame. */
function scalesOf(
  spec: { readonly x: string; readonly y: string; readonly scale: 'values' | 'ranks'; readonly width: number; readonly height: number },
  domains: ReadonlyMap<string, readonly [number, number]>,
  ranks: number,
) {
  const domain = (id: string) => (spec.scale === 'ranks' ? ([1, ranks] as const) : (domains.get(id) ?? ([0, 1] as const)));
  const linear =
    ([low, high]: readonly [number, number], from: number, to: number) =>
    (value: number) =>
      high > low ? from + ((value - low) / (high - low)) * (to - from) : (from + to) / 2;
  return {
    x: linear(domain(spec.x), PADDING, spec.width - PADDING),
    y: linear(domain(spec.y), spec.height - PADDING, PADDING),
  };
}
