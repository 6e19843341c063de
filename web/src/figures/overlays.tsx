type Scale = (value: number) => number;

/** Points of an outline in the variables' units. */
export interface Outline {
  readonly x: ArrayLike<number>;
  readonly y: ArrayLike<number>;
}

interface OverlayProps {
  readonly x: Scale;
  readonly y: Scale;
}

/** Where the population's line lies. */
export function BandShape({ band, x, y }: OverlayProps & { readonly band: readonly { x: number; low: number; high: number }[] }) {
  const edge = (at: 'low' | 'high') => band.map((point) => `${x(point.x)},${y(point[at])}`);
  return (
    <polygon
      data-testid="line-band"
      points={[...edge('low'), ...edge('high').reverse()].join(' ')}
      fill="var(--accent)"
      fillOpacity={0.12}
    />
  );
}

/** A smooth curve through the points. */
export function SmoothCurve({ points, x, y }: OverlayProps & { readonly points: readonly { x: number; y: number }[] }) {
  return (
    <polyline
      data-testid="smooth-curve"
      points={points.map((point) => `${x(point.x)},${y(point.y)}`).join(' ')}
      fill="none"
      stroke="var(--ink)"
      strokeWidth={1.5}
      strokeDasharray="5 3"
    />
  );
}

/** The parabola by which a pair was called curved: y of x, or x of y. */
export function ParabolaCurve({ points, x, y }: OverlayProps & { readonly points: readonly { x: number; y: number }[] }) {
  return (
    <polyline
      data-testid="parabola"
      points={points.map((point) => `${x(point.x)},${y(point.y)}`).join(' ')}
      fill="none"
      stroke="var(--caution)"
      strokeWidth={1.5}
    />
  );
}

/** A closed outline, such as an ellipse of concentration. */
export function EllipseShape({ ellipse, x, y }: OverlayProps & { readonly ellipse: Outline }) {
  const points = Array.from(ellipse.x, (at, i) => `${x(at)},${y(ellipse.y[i] ?? 0)}`);
  return <polygon data-testid="ellipse" points={points.join(' ')} fill="none" stroke="var(--positive)" strokeWidth={1.5} />;
}
