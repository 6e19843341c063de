import { scaleLinear } from 'd3-scale';
import { type FileFacts, FileSvg } from '../../../figures/export/file-svg';
import { groupShape } from '../../../figures/group-styles';
import { shapePath } from '../../../figures/marks/marker';
import type { Palette } from '../../../figures/palette';
import { type ComparedPair, decidingP, pairId, pairName, type ShownGroup } from '../../../groups/compared-pairs';
import { coefficientText, pRelationText } from '../../../numbers/number-text';
import { LANE_TICKS, Lane, laneHeight } from './lane';

interface PairsFigureProps extends FileFacts {
  readonly pairs: readonly ComparedPair[];
  readonly groups: readonly ShownGroup[];
  readonly levels: readonly number[];
  readonly palette: Palette;
  /** In units of the drawing. */
  readonly width: number;
}

const [NAMES, NUMBERS, MARGIN] = [150, 70, 10];
const [FONT, LETTER, LEGEND_LINE, SCALE] = [11, 6, 18, 22];
/** A name longer than this is cut off. */
const LONGEST_NAME = 26;

/** The lanes of the pairs for paper, with names, p and a legend. */
export function PairsFigure({ pairs, groups, levels, palette, width, ...facts }: PairsFigureProps) {
  const x = scaleLinear([-1, 1], [NAMES + MARGIN, width - NUMBERS - MARGIN]);
  const legend = legendPlaces(groups, width);
  const top = legend.height + SCALE;
  const height = laneHeight(groups.length);
  return (
    <FileSvg {...facts} width={width} height={top + pairs.length * height + MARGIN} palette={palette}>
      <g fontSize={FONT} fill={palette.ink}>
        {legend.places.map(({ group, left, line }) => (
          <g key={group?.label ?? 'all'} transform={`translate(${left},${line * LEGEND_LINE + 12})`}>
            {group ? (
              <path d={shapePath(groupShape(group.style), 5, 0, 4)} fill={palette.group(group.style)} />
            ) : (
              <path d="M3 -6V6" stroke={palette.ink} strokeWidth={2} />
            )}
            <text x={13} dy="0.35em">
              {group ? `${group.label}, n = ${group.rows}` : 'all of them; dashed: within groups'}
            </text>
          </g>
        ))}
        {LANE_TICKS.map((tick) => (
          <text key={tick} x={x(tick)} y={top - 6} textAnchor="middle" fill={palette.muted}>
            {tick === 0 ? '0' : coefficientText(tick)}
          </text>
        ))}
        {pairs.map((pair, k) => (
          <g key={pairId(pair)}>
            <text x={0} y={top + k * height + height / 2} dy="0.35em">
              {shortened(pairName(pair))}
            </text>
            <Lane pair={pair} groups={groups} x={x} top={top + k * height} palette={palette} />
            <text x={width} y={top + k * height + height / 2} dy="0.35em" textAnchor="end">
              {Number.isNaN(decidingP(pair)) ? 'not tested' : pRelationText(decidingP(pair), levels)}
            </text>
          </g>
        ))}
      </g>
    </FileSvg>
  );
}

function shortened(name: string): string {
  return name.length > LONGEST_NAME ? `${name.slice(0, LONGEST_NAME - 1)}…` : name;
}

/** Legend entries side by side, in as many lines as they need; null for what all groups have together. */
function legendPlaces(groups: readonly ShownGroup[], width: number) {
  let [left, line] = [0, 0];
  const places = [...groups, null].map((group) => {
    const length = 30 + LETTER * (group ? group.label.length + String(group.rows).length + 6 : 34);
    if (left > 0 && left + length > width) [left, line] = [0, line + 1];
    const place = { group, left, line };
    left += length;
    return place;
  });
  return { places, height: (line + 1) * LEGEND_LINE };
}
