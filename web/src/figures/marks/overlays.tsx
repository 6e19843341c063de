import { area, line } from 'd3-shape';

type Scale = (value: number) => number;

/** Points of an outline in the variables' units. */
export interface Outline {
  readonly x: ArrayLike<number>;
  readonly y: ArrayLike<number>;
}

interface Place {
  readonly x: number;
  readonly y: number;
}

interface OverlayProps {
  readonly x: Scale;
  readonly y: Scale;
}

/** Where the population's line lies. */
export function BandShape({ band, x, y }: OverlayProps & { readonly band: readonly { x: number; low: number; high: number }[] }) {
  const path = area<(typeof band)[number]>()
    .x((point) => x(point.x))
    .y0((point) => y(point.low))
    .y1((point) => y(point.high))
    .digits(2);
  return <path data-testid="line-band" d={path(band) ?? ''} fill="var(--accent)" fillOpacity={0.12} />;
}

/** A smooth curve through the points. */
export function SmoothCurve({ points, x, y }: OverlayProps & { readonly points: readonly Place[] }) {
  return (
    <path data-testid="smooth-curve" d={through(points, x, y)} fill="none" stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="5 3" />
  );
}

/** The parabola by which a pair was called curved: y of x, or x of y. */
export function ParabolaCurve({ points, x, y }: OverlayProps & { readonly points: readonly Place[] }) {
  return <path data-testid="parabola" d={through(points, x, y)} fill="none" stroke="var(--caution)" strokeWidth={1.5} />;
}

/** A closed outline, such as an ellipse of concentration. */
export function EllipseShape({ ellipse, x, y }: OverlayProps & { readonly ellipse: Outline }) {
  const points = Array.from(ellipse.x, (at, i): Place => ({ x: at, y: ellipse.y[i] ?? 0 }));
  return <path data-testid="ellipse" d={`${through(points, x, y)}Z`} fill="none" stroke="var(--positive)" strokeWidth={1.5} />;
}

function through(points: readonly Place[], x: Scale, y: Scale): string {
  const path = line<Place>()
    .x((point) => x(point.x))
    .y((point) => y(point.y))
    .digits(2);
  return path(points) ?? '';
}
