import type { ScaleLinear } from 'd3-scale';
import { groupShape } from '../../../figures/group-styles';
import { shapePath } from '../../../figures/marks/marker';
import { type Palette, SCREEN } from '../../../figures/palette';
import type { ComparedPair, ShownGroup } from '../../../groups/compared-pairs';
import { withinCoefficient } from '../../../groups/words';

const HEIGHT = 36;
/** A row grows by so much for each group above four. */
const [FITTING, GROWTH] = [4, 8];
/** Above so many groups the points stand without intervals. */
export const MOST_INTERVALS = 12;
const PADDING = 6;

export const LANE_TICKS = [-1, -0.5, 0, 0.5, 1] as const;

/** Height of the lane of a pair with so many groups. */
export function laneHeight(groups: number): number {
  return HEIGHT + GROWTH * Math.max(0, groups - FITTING);
}

interface LaneProps {
  readonly pair: ComparedPair;
  readonly groups: readonly ShownGroup[];
  readonly x: ScaleLinear<number, number>;
  /** From the top of the drawing. */
  readonly top?: number;
  readonly palette?: Palette;
}

/** Each group’s coefficient with its interval, one under the other; over all of them the whole one and the one within groups. */
export function Lane({ pair, groups, x, top = 0, palette = SCREEN }: LaneProps) {
  const height = laneHeight(groups.length);
  const step = (height - 2 * PADDING) / Math.max(1, groups.length - 1);
  const within = withinCoefficient(pair.within);
  const { coefficient: pooled } = pair.pooled;
  return (
    <g transform={`translate(0,${top})`}>
      {LANE_TICKS.map((tick) => (
        <line key={tick} x1={x(tick)} x2={x(tick)} y1={0} y2={height} stroke={tick === 0 ? palette.edge : palette.rule} />
      ))}
      {pooled !== null && <line x1={x(pooled)} x2={x(pooled)} y1={2} y2={height - 2} stroke={palette.ink} strokeWidth={2} />}
      {within !== null && (
        <line x1={x(within)} x2={x(within)} y1={2} y2={height - 2} stroke={palette.ink} strokeWidth={2} strokeDasharray="2 2" />
      )}
      {groups.map(({ label, style }, k) => {
        const cell = pair.cells[k];
        if (!cell || cell.coefficient === null) return null;
        const y = groups.length === 1 ? height / 2 : PADDING + k * step;
        const colour = palette.group(style);
        return (
          <g key={label}>
            {groups.length <= MOST_INTERVALS && cell.low !== null && cell.high !== null && (
              <line x1={x(cell.low)} x2={x(cell.high)} y1={y} y2={y} stroke={colour} strokeWidth={1.5} />
            )}
            <path
              d={shapePath(groupShape(style), x(cell.coefficient), y, 3.6)}
              fill={pair.tested[k] ? colour : palette.surface}
              stroke={colour}
              strokeWidth={1.2}
            />
          </g>
        );
      })}
    </g>
  );
}
