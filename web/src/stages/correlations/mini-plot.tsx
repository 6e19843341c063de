import type { Study, Variable } from '@ivlen/contract';
import { useQueries } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { rowsInUseQuery, valuesQuery } from '../../api/queries';
import { useTheme } from '../../controls/theme';
import { usedRows } from '../../study/used-rows';

interface MiniPlotProps {
  readonly study: Study;
  readonly x: Variable;
  readonly y: Variable;
  readonly width: number;
  readonly height: number;
}

/** More points than this add nothing at this size. */
const MOST_POINTS = 1500;

/** A scatterplot as small as a tile: what sort of relation it is, without axes. */
export function MiniPlot({ study, x, y, width, height }: MiniPlotProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { token } = useTheme();
  const [xs, ys] = useQueries({
    queries: [valuesQuery(study, x.id), valuesQuery(study, y.id)],
    combine: (results) => results.map(({ data }) => data),
  });
  const restricted = study.state.inUse !== null;
  const [inUse] = useQueries({
    queries: [{ ...rowsInUseQuery(study), enabled: restricted }],
    combine: (results) => results.map(({ data }) => data),
  });
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !xs || !ys || (restricted && !inUse)) return;
    const ratio = window.devicePixelRatio;
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    context.clearRect(0, 0, width, height);
    const rows = usedRows([xs, ys], inUse);
    const step = Math.max(1, Math.ceil(rows.length / MOST_POINTS));
    const chosen = rows.filter((_, i) => i % step === 0);
    const place = (values: Float64Array, length: number) => {
      const [low, high] = chosen.reduce(
        ([a, b], row) => [Math.min(a, values[row] ?? a), Math.max(b, values[row] ?? b)] as [number, number],
        [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY] as [number, number],
      );
      return (row: number) => (high > low ? 2 + (((values[row] ?? low) - low) / (high - low)) * (length - 4) : length / 2);
    };
    const [across, up] = [place(xs, width), place(ys, height)];
    context.fillStyle = token('--ink');
    context.globalAlpha = chosen.length > 300 ? 0.35 : 0.6;
    for (const row of chosen) context.fillRect(across(row) - 0.6, height - up(row) - 0.6, 1.2, 1.2);
  }, [xs, ys, inUse, restricted, width, height, token]);
  const ratio = typeof window === 'undefined' ? 1 : window.devicePixelRatio;
  return <canvas ref={canvas} width={width * ratio} height={height * ratio} className="w-full" style={{ height }} aria-hidden="true" />;
}
