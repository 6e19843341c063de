import type { ShapeResult } from '@ivlen/contract';
import { scaleLinear } from 'd3-scale';
import { FRAME } from '../charts/nice-axis';
import { tickTexts } from '../ticks';

interface BoxFigureProps {
  readonly shape: ShapeResult;
  /** The axis of the chart it stands under. */
  readonly along: { readonly domain: readonly [number, number]; readonly ticks: readonly number[] };
  readonly label: string;
  readonly width: number;
  readonly height: number;
}

/** A plain box plot: quartiles, median, whiskers to the outermost values inside the inner fences, the others as rings. */
export function BoxFigure({ shape, along, label, width, height }: BoxFigureProps) {
  const { min, max, q1, q3, median } = shape.description;
  const [low, high] = shape.box.whiskers;
  if (min === null || max === null || q1 === null || q3 === null || median === null || low === null || high === null) return null;
  const x = scaleLinear(along.domain, [FRAME.left, width - FRAME.right]);
  const texts = tickTexts(along.ticks);
  const [top, middle, bottom] = [5, 15, 25];
  return (
    <svg width={width} height={height} role="img" aria-label={label} className="numerals mt-2" fontSize={11}>
      <g stroke="var(--ink)" fill="none" strokeWidth={1.2}>
        <line x1={x(low)} x2={x(q1)} y1={middle} y2={middle} />
        <line x1={x(q3)} x2={x(high)} y1={middle} y2={middle} />
        <line x1={x(low)} x2={x(low)} y1={top + 4} y2={bottom - 4} />
        <line x1={x(high)} x2={x(high)} y1={top + 4} y2={bottom - 4} />
        <rect x={x(q1)} y={top} width={Math.max(1, x(q3) - x(q1))} height={bottom - top} fill="var(--surface)" />
        <line x1={x(median)} x2={x(median)} y1={top} y2={bottom} strokeWidth={2} />
      </g>
      {shape.box.outside.map(({ row, name, value, far }) => (
        <circle key={row} cx={x(value)} cy={middle} r={3} fill={far ? 'var(--caution)' : 'none'} stroke="var(--caution)">
          <title>{`row ${row}${name === null ? '' : ` (${name})`}: ${value}`}</title>
        </circle>
      ))}
      {along.ticks.map((value, i) => (
        <text key={value} x={x(value)} y={height - 4} textAnchor="middle" fill="var(--muted)">
          {texts[i]}
        </text>
      ))}
    </svg>
  );
}
