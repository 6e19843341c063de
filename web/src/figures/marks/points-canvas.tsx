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
  /** The colour of each row; of all the same where nothing is said. */
  readonly tokenOf?: (row: number) => `--${string}`;
}

/** Points by the thousand, drawn below the axes. */
export function PointsCanvas({ points, x, y, width, height, radius, opacity, tokenOf }: PointsCanvasProps) {
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
    const colours = new Map<string, string>();
    const colourOf = (name: `--${string}`) => {
      const colour = colours.get(name) ?? token(name);
      colours.set(name, colour);
      return colour;
    };
    context.fillStyle = token('--ink');
    for (const row of points.rows) {
      if (tokenOf) context.fillStyle = colourOf(tokenOf(row));
      context.fillRect(x(points.x[row] ?? 0) - radius, y(points.y[row] ?? 0) - radius, 2 * radius, 2 * radius);
    }
  }, [points, x, y, width, height, radius, opacity, token, tokenOf]);
  return <canvas ref={canvas} aria-hidden="true" className="absolute inset-0" style={{ width, height }} />;
}
