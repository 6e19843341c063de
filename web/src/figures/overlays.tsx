type Scale = (value: number) => number;

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

const STEPS = 72;

/** An ellipse of concentration: half-axes in x and y as given, turned by the correlation. */
export function EllipseShape({
  ellipse,
  x,
  y,
}: OverlayProps & { readonly ellipse: { x: number; y: number; sdX: number; sdY: number; r: number } }) {
  const rest = Math.sqrt(Math.max(0, 1 - ellipse.r ** 2));
  const points = Array.from({ length: STEPS }, (_, i) => {
    const angle = (2 * Math.PI * i) / STEPS;
    const [u, v] = [Math.cos(angle), Math.sin(angle)];
    return `${x(ellipse.x + ellipse.sdX * u)},${y(ellipse.y + ellipse.sdY * (ellipse.r * u + rest * v))}`;
  });
  return <polygon data-testid="ellipse" points={points.join(' ')} fill="none" stroke="var(--positive)" strokeWidth={1.5} />;
}
