import type { RegressionResult } from '@ivlen/contract';
import { useRef } from 'react';
import { Line, ReferenceLine, Scatter } from 'recharts';
import { useElementWidth } from '../../../controls/use-element-width';
import { endsOf, niceAxis } from '../../../figures/charts/nice-axis';
import { PlainChart } from '../../../figures/charts/plain-chart';
import { PointOfRow } from '../../../figures/charts/point-of-row';
import { SaveFigure } from '../../../figures/export/save-figure';

interface ResidualFigureProps {
  readonly whole: RegressionResult;
  readonly outcome: string;
  readonly caption: string;
}

const HEIGHT = 310;
const WIDEST = 470;

/** Residuals against fitted values with a smooth curve, which runs along zero where the model misses nothing. */
export function ResidualFigure({ whole: { points, smooth, influential }, outcome, caption }: ResidualFigureProps) {
  const holder = useRef<HTMLDivElement>(null);
  const width = Math.min(WIDEST, useElementWidth(holder));
  const x = niceAxis(endsOf(points.map(({ fitted }) => fitted)), width - 80);
  const y = niceAxis(endsOf(points.map(({ residual }) => residual)), HEIGHT - 60);
  const first = new Set(influential.slice(0, 3).map(({ row }) => row));
  const marks = points.map(({ row, fitted, residual }) => ({ x: fitted, y: residual, row, marked: first.has(row), label: String(row) }));
  const label = `Residuals of ${outcome} against fitted values, ${points.length.toLocaleString('en-GB')} points`;
  return (
    <div ref={holder}>
      {width > 0 && (
        <SaveFigure name="residuals against fitted values" caption={`${label}. ${caption}`}>
          <PlainChart label={label} width={width} height={HEIGHT} x={{ name: `fitted ${outcome}`, ...x }} y={{ name: 'residual', ...y }}>
            <ReferenceLine y={0} stroke="var(--edge)" />
            <Scatter data={marks} shape={PointOfRow} isAnimationActive={false} />
            <Line
              data={smooth}
              dataKey="y"
              type="linear"
              stroke="var(--accent)"
              strokeWidth={2}
              dot={false}
              activeDot={false}
              isAnimationActive={false}
            />
          </PlainChart>
        </SaveFigure>
      )}
    </div>
  );
}
