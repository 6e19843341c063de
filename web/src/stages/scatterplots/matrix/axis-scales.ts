import type { AxisScale, Layout } from './layout';

/** What the axis over or under a column is in; the outermost columns lack it where no panel of theirs needs it. */
export function acrossScale({ rows, columns, near, far }: Layout, side: 'top' | 'bottom', j: number): AxisScale {
  const square = rows === columns;
  // The first column has no panel above the diagonal, the last none below it but its own distribution, which is of values.
  if (side === 'top') return square && j === 0 && far === 'ranks' ? null : far;
  return square && j === columns.length - 1 && near === 'ranks' ? null : near;
}

/** What the axis beside a row is in. */
export function downScale({ rows, columns, near, far }: Layout, side: 'left' | 'right', i: number): AxisScale {
  if (rows === columns && i === (side === 'left' ? 0 : rows.length - 1)) return null;
  return side === 'left' ? near : far;
}
