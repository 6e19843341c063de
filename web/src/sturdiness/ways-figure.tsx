import type { WayResult, WaysResult } from '@ivlen/contract';
import { scaleLinear } from 'd3-scale';
import { type KeyboardEvent, type MouseEvent, useMemo } from 'react';
import { ticksOf } from '../figures/ticks';
import { greatest, least } from '../numbers/ends';
import type { NamedChoice } from './pinned-ways';
import { wayInWords } from './ways-words';

/** Ways in order of size, each with its place in the result. */
export interface OrderedWay extends WayResult {
  readonly place: number;
  readonly coefficient: number;
}

export function inOrderOfSize(result: WaysResult): readonly OrderedWay[] {
  return result.ways
    .flatMap((way, place) => (way.coefficient === null ? [] : [{ ...way, coefficient: way.coefficient, place }]))
    .toSorted((a, b) => a.coefficient - b.coefficient);
}

interface WaysFigureProps {
  readonly result: WaysResult;
  readonly choices: readonly NamedChoice[];
  readonly width: number;
  /** Level of decisions: ways with p above it are hollow. */
  readonly alpha: number;
  /** Coefficients alone, without what they rest on. */
  readonly small?: boolean;
  /** Which way is read, among those in order of size; null for none. */
  readonly selected: number | null;
  readonly onSelect: (at: number | null) => void;
  readonly onOpen?: (way: OrderedWay) => void;
}

const ROW = 17;
const HEADING = 20;
const [LABELS, SMALL_LABELS, TOP, PLOT, SMALL_PLOT] = [188, 30, 8, 190, 96];
const WIDEST_BAND = 22;
/** With more ways than this, each is a line only. */
const MOST_POINTS = 160;

/** Coefficients in order of size with their intervals, and below them what each rests on. */
export function WaysFigure({ result, choices, width, alpha, small = false, selected, onSelect, onOpen }: WaysFigureProps) {
  const ways = useMemo(() => inOrderOfSize(result), [result]);
  const shown = useMemo(() => (small ? [] : rowsOfChoices(choices)), [small, choices]);
  const [left, plot] = small ? [SMALL_LABELS, SMALL_PLOT] : [LABELS, PLOT];
  const bottom = TOP + plot;
  const height = bottom + 10 + (shown.at(-1)?.y ?? 0) + (shown.length > 0 ? ROW : 0);
  const step = (width - left - 8) / Math.max(1, ways.length);
  const xOf = (at: number) => left + step * (at + 0.5);
  const scale = useMemo(() => coefficientScale(ways, bottom), [ways, bottom]);
  const at = (event: MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const place = Math.floor(((event.clientX - box.left) * (width / box.width) - left) / step);
    return place >= 0 && place < ways.length ? place : null;
  };
  const read = selected === null ? undefined : ways[selected];
  const open = (place: number | null) => {
    const way = ways[place ?? -1];
    if (way) onOpen?.(way);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const moved = { ArrowLeft: -1, ArrowRight: 1, Home: -ways.length, End: ways.length }[event.key];
    if (moved !== undefined) {
      event.preventDefault();
      onSelect(Math.max(0, Math.min(ways.length - 1, (selected ?? (moved > 0 ? -1 : ways.length)) + moved)));
    }
    if (event.key === 'Enter') open(selected);
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="Ways in order of size"
      aria-valuemin={1}
      aria-valuemax={ways.length}
      aria-valuenow={(selected ?? 0) + 1}
      aria-valuetext={read ? `way ${(selected ?? 0) + 1} of ${ways.length}: ${wayInWords(read, choices)}` : `${ways.length} ways`}
      onKeyDown={onKeyDown}
      className="outline-offset-2"
    >
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="numerals block"
        aria-hidden="true"
        fontSize={11}
        fill="var(--muted)"
        onPointerMove={(event) => onSelect(at(event))}
        onClick={(event) => open(at(event))}
      >
        <rect x={left} y={TOP} width={width - left - 8} height={plot} fill="var(--surface)" stroke="var(--rule)" />
        {!small && (
          <text x={4} y={TOP + 8} fill="var(--ink)">
            coefficient, interval
          </text>
        )}
        {ticksOf(scale, small ? 3 : 5).map(({ value, text }) => (
          <g key={value}>
            <line x1={left} x2={width - 8} y1={scale(value)} y2={scale(value)} stroke={value === 0 ? 'var(--edge)' : 'var(--rule)'} />
            <text x={left - 5} y={scale(value)} dy="0.34em" textAnchor="end">
              {/^0(\.0+)?$/.test(text) ? '0' : text.replace(/^(−?)0\./, '$1.')}
            </text>
          </g>
        ))}
        <Marked at={ways.findIndex(({ place }) => place === result.own)} x={xOf} step={step} height={height} fill="var(--accent-soft)" />
        <Marked at={selected} x={xOf} step={step} height={height} fill="var(--sunken)" />
        {ways.map((way, i) => (
          <Estimate
            key={way.place}
            way={way}
            x={xOf(i)}
            y={scale}
            step={step}
            points={ways.length <= MOST_POINTS}
            alpha={alpha}
            own={way.place === result.own}
          />
        ))}
        {shown.map((row) => (
          <OptionRow
            key={row.key}
            row={row}
            top={bottom + 10}
            left={left}
            right={width - 8}
            ways={ways}
            x={xOf}
            step={step}
            own={result.own}
          />
        ))}
      </svg>
    </div>
  );
}

function coefficientScale(ways: readonly OrderedWay[], bottom: number) {
  const low = Math.min(0, least(ways.map(({ low: limit, coefficient }) => limit ?? coefficient)));
  const high = Math.max(0, greatest(ways.map(({ high: limit, coefficient }) => limit ?? coefficient)));
  const pad = (high - low) * 0.06 || 0.1;
  return scaleLinear()
    .domain([Math.max(-1, low - pad), Math.min(1, high + pad)])
    .range([bottom, TOP]);
}

function Marked({
  at,
  x,
  step,
  height,
  fill,
}: {
  at: number | null;
  x: (at: number) => number;
  step: number;
  height: number;
  fill: string;
}) {
  if (at === null || at < 0) return null;
  const width = Math.max(5, Math.min(step, WIDEST_BAND));
  return <rect x={x(at) - width / 2} y={TOP} width={width} height={height - TOP} fill={fill} />;
}

interface EstimateProps {
  readonly way: OrderedWay;
  readonly x: number;
  readonly y: (coefficient: number) => number;
  readonly step: number;
  readonly points: boolean;
  readonly alpha: number;
  readonly own: boolean;
}

function Estimate({ way: { coefficient, low, high, pValue }, x, y, step, points, alpha, own }: EstimateProps) {
  const colour = own ? 'var(--accent)' : coefficient < 0 ? 'var(--negative)' : 'var(--positive)';
  const radius = Math.max(1.6, Math.min(3.6, step / 2.4));
  return (
    <g stroke={colour}>
      {low !== null && high !== null && (
        <line x1={x} x2={x} y1={y(low)} y2={y(high)} strokeWidth={points ? 1 : Math.max(0.4, Math.min(1, step))} opacity={0.55} />
      )}
      {points || own ? (
        <circle
          cx={x}
          cy={y(coefficient)}
          r={own ? radius + 1 : radius}
          fill={pValue !== null && pValue <= alpha ? colour : 'var(--surface)'}
          strokeWidth={1.2}
        />
      ) : (
        <line x1={x - Math.max(0.5, step / 2)} x2={x + Math.max(0.5, step / 2)} y1={y(coefficient)} y2={y(coefficient)} strokeWidth={2} />
      )}
    </g>
  );
}

interface FigureRow {
  readonly key: string;
  readonly y: number;
  readonly text: string;
  /** null for the name of a choice. */
  readonly option: { readonly choice: number; readonly option: number } | null;
}

/** A row for each ticked option of the choices that have several, under the name of the choice. */
function rowsOfChoices(choices: readonly NamedChoice[]): readonly FigureRow[] {
  const rows: FigureRow[] = [];
  let y = 0;
  for (const [choice, { key, title, options, places }] of choices.entries()) {
    if (places.length < 2) continue;
    y += HEADING;
    rows.push({ key, y, text: title, option: null });
    for (const [option, place] of places.entries()) {
      y += ROW;
      rows.push({ key: `${key}.${option}`, y, text: options[place]?.label ?? '', option: { choice, option } });
    }
  }
  return rows;
}

interface OptionRowProps {
  readonly row: FigureRow;
  readonly top: number;
  readonly left: number;
  readonly right: number;
  readonly ways: readonly OrderedWay[];
  readonly x: (at: number) => number;
  readonly step: number;
  readonly own: number;
}

function OptionRow({ row: { text, y, option }, top, left, right, ways, x, step, own }: OptionRowProps) {
  const middle = top + y;
  if (!option) {
    return (
      <text x={4} y={middle} dy="0.34em" fill="var(--ink)">
        {shortened(text, 30)}
      </text>
    );
  }
  const width = Math.max(0.6, Math.min(6, step * 0.7));
  return (
    <g>
      <text x={left - 8} y={middle} dy="0.34em" textAnchor="end">
        {shortened(text, 26)}
      </text>
      <line x1={left} x2={right} y1={middle} y2={middle} stroke="var(--rule)" />
      {ways.map((way, i) =>
        way.options[option.choice]?.includes(option.option) ? (
          <rect
            key={way.place}
            x={x(i) - width / 2}
            y={middle - 5}
            width={width}
            height={10}
            fill={way.place === own ? 'var(--accent)' : 'var(--ink)'}
          />
        ) : null,
      )}
    </g>
  );
}

function shortened(text: string, most: number): string {
  return text.length <= most ? text : `${text.slice(0, most - 1)}…`;
}
