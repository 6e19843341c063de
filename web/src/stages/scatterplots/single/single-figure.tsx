import type { LineResult, Variable } from '@ivlen/contract';
import type { ScaleLinear } from 'd3-scale';
import type { ReactNode } from 'react';
import { Axes } from '../../../figures/axes';
import { DiagonalMarks } from '../../../figures/marks/diagonal-marks';
import type { Marginal } from '../../../figures/marks/marginal';
import { shapePath } from '../../../figures/marks/marker';
import type { Palette } from '../../../figures/palette';
import { axisLabel } from '../../../study/variable-name';
import { PanelMarks } from '../matrix/panel-marks';
import type { PairFit } from '../plotting/pair-fits';
import { MARGIN_GAP, MARGIN_HEIGHT, type SingleFrame } from './single-frame';
import type { PointStyle } from './third-scale';

/** A row whose name stands beside its point. */
export interface PointLabel {
  readonly place: number;
  readonly text: string;
}

export interface SingleFigureProps {
  readonly frame: SingleFrame;
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
  readonly variables: { readonly x: Variable; readonly y: Variable };
  readonly values: { readonly x: Float64Array; readonly y: Float64Array };
  /** Places drawn as shapes; none where the points are a picture under the figure. */
  readonly places: readonly number[];
  readonly styleOf: (place: number) => PointStyle;
  readonly opacity: number;
  readonly fits: readonly PairFit[];
  readonly margins: { readonly x: Marginal; readonly y: Marginal } | null;
  readonly equation: string | null;
  readonly labels: readonly PointLabel[];
  readonly palette: Palette;
  readonly children?: ReactNode;
}

const LABEL = 11.5;

/** A large scatterplot of two variables: points, what is laid over them, margins, equation and labels. */
export function SingleFigure(props: SingleFigureProps) {
  const { frame, x, y, variables, values, places, styleOf, opacity, fits, margins, equation, labels, palette, children } = props;
  const { left, top, right, bottom } = frame;
  const [wide, tall] = [right - left, bottom - top];
  const at = (place: number) => [x(values.x[place] ?? 0), y(values.y[place] ?? 0)] as const;
  const content = fits.length > 1 ? 'density' : 'histogram';
  const domain = (scale: ScaleLinear<number, number>) => scale.domain() as [number, number];
  return (
    <>
      <Axes
        x={x}
        y={y}
        frame={frame}
        xLabel={axisLabel(variables.x)}
        yLabel={axisLabel(variables.y)}
        palette={palette}
        sizes={{ tick: 11.5, name: 13 }}
        names={{ below: 36, left: 14 }}
      />
      <clipPath id="single-clip">
        <rect x={left} y={top} width={wide} height={tall} />
      </clipPath>
      {children}
      <g data-part="points" clipPath="url(#single-clip)" fillOpacity={opacity}>
        {places.map((place) => {
          const { shape, colour, radius } = styleOf(place);
          const [cx, cy] = at(place);
          return (
            <path
              key={place}
              data-place={place}
              d={shapePath(shape, cx, cy, radius)}
              fill={colour ?? 'none'}
              stroke={colour ? 'none' : palette.edge}
            />
          );
        })}
      </g>
      <g clipPath="url(#single-clip)">
        <PanelMarks fits={fits} x={x} y={y} palette={palette} />
      </g>
      {margins && (
        <>
          <g transform={`translate(${left},${top - MARGIN_HEIGHT - MARGIN_GAP})`} data-part="margin">
            <DiagonalMarks
              marginal={margins.x}
              content={content}
              domain={domain(x)}
              width={wide}
              height={MARGIN_HEIGHT}
              palette={palette}
            />
          </g>
          <g transform={`translate(${right + MARGIN_GAP + MARGIN_HEIGHT},${bottom}) rotate(-90) scale(1,-1)`} data-part="margin">
            <DiagonalMarks
              marginal={margins.y}
              content={content}
              domain={domain(y)}
              width={tall}
              height={MARGIN_HEIGHT}
              palette={palette}
            />
          </g>
        </>
      )}
      {labels.map(({ place, text }) => {
        const [cx, cy] = at(place);
        const isRight = cx < left + wide * 0.75;
        return (
          <g key={place} data-part="label" fontSize={LABEL}>
            <circle cx={cx} cy={cy} r={5} fill="none" stroke={palette.accent} strokeWidth={1.25} />
            <text
              x={cx + (isRight ? 8 : -8)}
              y={cy}
              dy="0.35em"
              textAnchor={isRight ? 'start' : 'end'}
              fill={palette.ink}
              stroke={palette.paper}
              strokeWidth={3}
              paintOrder="stroke"
            >
              {text}
            </text>
          </g>
        );
      })}
      {equation && (
        <text
          data-part="equation"
          x={right - 10}
          y={top + 18}
          textAnchor="end"
          fontSize={13}
          fill={palette.ink}
          stroke={palette.surface}
          strokeWidth={4}
          paintOrder="stroke"
        >
          {equation}
        </text>
      )}
    </>
  );
}

/** "mayfly taxa = 14.2 − 1.03 · nitrate, r² = .40"; null where there is no line. */
export function equationOf(
  model: LineResult | undefined,
  x: string,
  y: string,
  significant: (value: number) => string,
  r2: (value: number) => string,
): string | null {
  const [slope, intercept] = [model?.slope.value ?? null, model?.intercept.value ?? null];
  if (!model || slope === null || intercept === null) return null;
  const sign = slope < 0 ? '−' : '+';
  const share = model.r2 === null ? '' : `, r² = ${r2(model.r2)}`;
  return `${y} = ${significant(intercept)} ${sign} ${significant(Math.abs(slope))} · ${x}${share}`;
}
