import type { Variable } from '@ivlen/contract';
import { scaleLinear } from 'd3-scale';
import { PADDING } from '../../../figures/padding';
import type { Palette } from '../../../figures/palette';
import { ticksOf } from '../../../figures/ticks';
import { greatest } from '../../../numbers/ends';
import { axisLabel, displayName } from '../../../study/variable-name';
import { fitted, fits as hasRoom, inTwo } from './fitted-text';
import type { AxisScale } from './layout';

interface AxisMarksProps {
  readonly side: 'left' | 'right' | 'top' | 'bottom';
  readonly scale: AxisScale;
  readonly variable: Variable;
  readonly domain: readonly [number, number];
  /** Ranks go from 1 to this. */
  readonly ranks: number;
  /** Length of the axis, and the room beside it. */
  readonly length: number;
  readonly room: number;
  readonly palette: Palette;
}

const TICK = 4;
/** Rows have some room more than their axis is long. */
const STRIP = 14;
const SIZE = 10.5;
const PER_TICK = { horizontal: 48, vertical: 30 } as const;
const TICK_GAP = 6;
/** Words stay within the axis by so much, so that those of neighbouring panels do not run together. */
const WITHIN = 1;

/** Ticks of one row's or column's axis with the variable's name and unit, in a box of its length and the room beside it. */
export function AxisMarks({ side, scale, variable, domain, ranks, length, room, palette }: AxisMarksProps) {
  const horizontal = side === 'top' || side === 'bottom';
  const all = scale === null ? [] : scale === 'ranks' ? rankTicks(ranks, length, horizontal) : valueTicks(domain, length, horizontal);
  const ticks = all.filter(({ place, text }) => !horizontal || scale === 'ranks' || leavesBy(place, text, length) <= -WITHIN);
  const at = side === 'left' ? room : side === 'top' ? room : 0;
  const out = side === 'left' || side === 'top' ? -1 : 1;
  const named = side === 'left' || side === 'bottom';
  return (
    <g fontSize={SIZE} fill={palette.muted} stroke="none" data-axis={side}>
      {ticks.map(({ place, text, anchor }) =>
        horizontal ? (
          <g key={text} transform={`translate(${place.toFixed(1)},${at})`}>
            <line y2={out * TICK} stroke={palette.edge} />
            <text y={out > 0 ? TICK + 10 : -TICK - 3} textAnchor={anchor}>
              {text}
            </text>
          </g>
        ) : (
          <g key={text} transform={`translate(${at},${place.toFixed(1)})`}>
            <line x2={out * TICK} stroke={palette.edge} />
            <text x={out * (TICK + 2)} dy="0.34em" textAnchor={out < 0 ? 'end' : 'start'}>
              {text}
            </text>
          </g>
        ),
      )}
      {named && (
        <g transform={horizontal ? `translate(${length / 2},${TICK + 26})` : `translate(11,${length / 2}) rotate(-90)`} textAnchor="middle">
          <Name variable={variable} room={horizontal ? length : length + STRIP} apart={horizontal} palette={palette} />
        </g>
      )}
    </g>
  );
}

/** Name and unit in one line; where that has no room, across the unit stands under the name, and down it is left to the axis across. */
function Name({ variable, room, apart, palette }: { variable: Variable; room: number; apart: boolean; palette: Palette }) {
  const whole = axisLabel(variable);
  const inOne = hasRoom(whole, room, SIZE);
  const name = displayName(variable);
  const [first = name, second] = inOne || apart || hasRoom(name, room, SIZE) ? [name] : inTwo(name);
  return (
    <>
      <text fill={palette.ink}>{inOne ? whole : fitted(first, room, SIZE)}</text>
      {!inOne && apart && variable.unit && <text y={SIZE + 1.5}>{variable.unit}</text>}
      {second && (
        <text y={SIZE + 0.5} fill={palette.ink}>
          {fitted(second, room, SIZE)}
        </text>
      )}
    </>
  );
}

/** How far a tick's words stand over the end of the axis. */
function leavesBy(place: number, text: string, length: number): number {
  const half = (text.length * SIZE * 0.56) / 2;
  return Math.max(half - place, place + half - length);
}

interface Tick {
  readonly place: number;
  readonly text: string;
  readonly anchor: 'start' | 'middle' | 'end';
}

function valueTicks(domain: readonly [number, number], length: number, horizontal: boolean): Tick[] {
  const range = horizontal ? [PADDING, length - PADDING] : [length - PADDING, PADDING];
  const scale = scaleLinear(domain, range);
  const most = Math.max(2, Math.floor(length / (horizontal ? PER_TICK.horizontal : PER_TICK.vertical)));
  // As many as have room for their words: asked for fewer until they have.
  for (let count = most; count >= 1; count--) {
    const ticks = ticksOf(scale, count).map(({ value, text }) => ({ place: scale(value), text, anchor: 'middle' as const }));
    const widest = horizontal ? greatest(ticks.map(({ text }) => text.length)) * SIZE * 0.56 + TICK_GAP : SIZE + 3;
    const apart = Math.abs((ticks[1]?.place ?? Number.POSITIVE_INFINITY) - (ticks[0]?.place ?? 0));
    if (apart >= widest || count === 1) return ticks;
  }
  return [];
}

function rankTicks(ranks: number, length: number, horizontal: boolean): Tick[] {
  const scale = scaleLinear([1, Math.max(2, ranks)], horizontal ? [PADDING, length - PADDING] : [length - PADDING, PADDING]);
  const last = Math.max(2, ranks);
  return [
    { place: scale(1), text: '1', anchor: 'start' },
    { place: scale(last), text: last.toLocaleString('en-GB'), anchor: 'end' },
  ];
}
