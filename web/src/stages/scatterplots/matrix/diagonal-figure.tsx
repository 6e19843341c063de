import type { DiagonalContent, Variable } from '@ivlen/contract';
import { DiagonalMarks } from '../../../figures/marks/diagonal-marks';
import type { Marginal } from '../../../figures/marks/marginal';
import type { Palette } from '../../../figures/palette';
import { displayName } from '../../../study/variable-name';
import { fitted, fits as hasRoom, inTwo } from './fitted-text';
import type { Layout } from './layout';

interface DiagonalFigureProps {
  readonly variable: Variable;
  readonly marginal: Marginal | undefined;
  readonly content: DiagonalContent;
  readonly domain: readonly [number, number];
  readonly plot: Layout['plot'];
  readonly palette: Palette;
}

const SIZE = 12;
const LINE = 12.5;
/** A name may reach a little over its panel. */
const WIDER = 1.06;
/** Over panels with so much room there is some for a second line. */
const TWO_LINES_FROM = 20;

/** A variable on the diagonal: its name, and how it is distributed. */
export function DiagonalFigure({ variable, marginal, content, domain, plot, palette }: DiagonalFigureProps) {
  const name = displayName(variable);
  const alone = content === 'name';
  const lines = plot.top > TWO_LINES_FROM && !hasRoom(name, plot.width * WIDER, SIZE) ? inTwo(name) : [name];
  return (
    <>
      {!alone && (
        <text y={plot.top - 5} fontSize={SIZE} fontWeight={650} fill={palette.ink} textAnchor="middle">
          {lines.map((line, k) => (
            <tspan key={line} x={plot.width / 2} dy={k === 0 ? -(lines.length - 1) * LINE : LINE}>
              {fitted(line, plot.width * WIDER, SIZE)}
            </tspan>
          ))}
        </text>
      )}
      <g transform={`translate(${plot.left},${plot.top})`}>
        {marginal && !alone && (
          <DiagonalMarks marginal={marginal} content={content} domain={domain} width={plot.width} height={plot.height} palette={palette} />
        )}
        {!alone && <path d={`M0 ${plot.height}H${plot.width}`} stroke={palette.edge} fill="none" />}
        {alone && (
          <text x={plot.width / 2} y={plot.height / 2} fontSize={SIZE + 1} fontWeight={650} fill={palette.ink} textAnchor="middle">
            {fitted(name, plot.width, SIZE + 1)}
          </text>
        )}
        {alone && variable.unit && (
          <text x={plot.width / 2} y={plot.height / 2 + 16} fontSize={SIZE} fill={palette.muted} textAnchor="middle">
            {variable.unit}
          </text>
        )}
      </g>
    </>
  );
}
