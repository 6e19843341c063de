import { scaleLinear } from 'd3-scale';
import { PADDING } from '../../../figures/padding';
import { tickCount } from '../../../figures/ticks';

/** Where the parts of a large scatterplot are, in its own units. */
export interface SingleFrame {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export const MARGIN_HEIGHT = 58;
export const MARGIN_GAP = 4;
const ROOM = { left: 62, right: 14, top: 10, bottom: 46 } as const;

/** @param margins whether distributions stand above and beside it */
export function singleFrame(width: number, height: number, margins: boolean): SingleFrame {
  const more = margins ? MARGIN_HEIGHT + MARGIN_GAP : 0;
  return { width, height, left: ROOM.left, top: ROOM.top + more, right: width - ROOM.right - more, bottom: height - ROOM.bottom };
}

/** The scales of both axes, rounded to their ticks. */
export function scalesFor(
  domains: readonly [readonly [number, number], readonly [number, number]],
  { left, right, top, bottom }: SingleFrame,
) {
  const [across, up] = domains;
  return {
    x: scaleLinear(across, [left + PADDING, right - PADDING]).nice(tickCount(right - left)),
    y: scaleLinear(up, [bottom - PADDING, top + PADDING]).nice(tickCount(bottom - top)),
  };
}
