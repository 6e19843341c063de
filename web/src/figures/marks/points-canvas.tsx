import { useEffect, useRef } from 'react';
import { useTheme } from '../../controls/theme';
import type { Points } from '../points';

interface PointsCanvasProps {
  readonly points: Points;
  readonly x: (value: number) => number;
  readonly y: (value: number) => number;
  readonly width: number;
  readonly height: number;
  readonly radius: number;
  readonly opacity: number;
}

/** Points by the thousand, drawn below the axes. */
export function PointsCanvas({ points, x, y, width, height, radius, opacity }: PointsCanvasProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { token } = useTheme();
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const ratio = window.devicePixelRatio || 1;
    context.canvas.width = width * ratio;
    context.canvas.height = height * ratio;
    context.scale(ratio, ratio);
    context.globalAlpha = opacity;
    context.fillStyle = token('--ink');
    for (const row of points.rows) {
      context.fillRect(x(points.x[row] ?? 0) - radius, y(points.y[row] ?? 0) - radius, 2 * radius, 2 * radius);
    }
  }, [points, x, y, width, height, radius, opacity, token]);
  return <canvas ref={canvas} aria-hidden="true" className="absolute inset-0" style={{ width, height }} />;
}
