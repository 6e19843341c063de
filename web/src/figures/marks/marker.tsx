import { OUTLINES, type Shape } from './shapes';

/** The outline of a shape around a point, as the data of an SVG path. */
export function shapePath(shape: Shape, x: number, y: number, radius: number): string {
  const at = (value: number) => Number(value.toFixed(2));
  if (shape === 'circle') {
    const r = at(radius);
    return `M${at(x - radius)} ${at(y)}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
  }
  return `M${OUTLINES[shape].map(([u, v]) => `${at(x + u * radius)} ${at(y + v * radius)}`).join('L')}Z`;
}

/** A group's shape and colour, as beside its name. */
export function Marker({ shape, colour, size = 12 }: { readonly shape: Shape; readonly colour: string; readonly size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 12 12" aria-hidden="true" className="shrink-0">
      <path d={shapePath(shape, 6, 6, 4)} fill={colour} />
    </svg>
  );
}
