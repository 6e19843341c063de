import type { ScatterShapeProps } from 'recharts';

/** A row as a mark of a plain chart: what these fields of its data say. */
export interface RowMark {
  readonly row: number;
  /** Whether it stands out. */
  readonly marked: boolean;
  /** Written beside one that stands out. */
  readonly label?: string;
}

const HALF = 2.6;

/** A dot; where the row stands out a square in the colour of cautions, with the row's number for who points at it. */
export function PointOfRow(props: ScatterShapeProps) {
  const { cx = 0, cy = 0 } = props;
  const { row, marked, label } = props as ScatterShapeProps & RowMark;
  const [x, y] = [Number(cx), Number(cy)];
  if (!marked) return <circle cx={x} cy={y} r={2.3} fill="var(--ink)" fillOpacity={0.6} />;
  return (
    <g>
      <rect x={x - HALF} y={y - HALF} width={2 * HALF} height={2 * HALF} fill="var(--caution)">
        <title>{`row ${row}`}</title>
      </rect>
      {label && (
        <text x={x + 6} y={y + 4} fontSize={11} fill="var(--ink)" stroke="var(--surface)" strokeWidth={3} paintOrder="stroke">
          {label}
        </text>
      )}
    </g>
  );
}
