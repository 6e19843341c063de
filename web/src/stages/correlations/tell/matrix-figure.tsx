import type { CorrelationSettings } from '@ivlen/contract';
import { countMarks } from '@ivlen/core';
import { decisiveP } from '../../../coefficients/cell-data';
import type { Matrix } from '../../../coefficients/matrix';
import { createCoefficientScale } from '../../../figures/coefficient-scale';
import { dayToken, filePalette } from '../../../figures/export/day-colours';
import { drawingWidth, type FigureOptions, FONT_UNITS } from '../../../figures/export/figure-options';
import { FileSvg } from '../../../figures/export/file-svg';
import { greatest } from '../../../numbers/ends';
import { coefficientText } from '../../../numbers/number-text';
import { displayName } from '../../../study/variable-name';

interface MatrixFigureProps {
  readonly matrix: Matrix;
  readonly settings: Pick<CorrelationSettings, 'levels'>;
  readonly options: FigureOptions;
  readonly title: string;
  readonly caption: string;
  readonly fontFace?: string;
}

const LETTER = 0.56 * FONT_UNITS;
const [MOST_NAME, NUMBER] = [150, 22];
/** Tiles narrower than this have their colour alone. */
const FOR_NUMBERS = 30;
const TALLEST = 34;

/** The lower half of a matrix as coloured tiles with their coefficients, its variables numbered. */
export function MatrixFigure({ matrix, settings, options, title, caption, fontFace }: MatrixFigureProps) {
  const { variables } = matrix;
  const width = drawingWidth(options, FONT_UNITS);
  const palette = filePalette(options.colour);
  const scale = createCoefficientScale({
    negative: options.colour ? dayToken('--negative') : 'dimgray',
    middle: 'white',
    positive: options.colour ? dayToken('--positive') : 'dimgray',
    darkText: dayToken('--tile-dark-text'),
    lightText: dayToken('--tile-light-text'),
  });
  const names = variables.map((variable, i) => `${i + 1}. ${displayName(variable)}`);
  const left = Math.min(MOST_NAME, greatest(names.map((name) => name.length * LETTER))) + 8;
  const tile = (width - left) / Math.max(1, variables.length - 1);
  const height = Math.min(TALLEST, tile);
  const size = Math.min(FONT_UNITS, tile / 3.4);
  return (
    <FileSvg
      title={title}
      caption={caption}
      millimetres={options.width}
      width={width}
      height={variables.length * height + NUMBER}
      palette={palette}
      {...(fontFace ? { fontFace } : {})}
    >
      {names.map((name, i) => (
        <text
          key={name}
          x={left - 8}
          y={(i + 0.5) * height}
          dy="0.34em"
          textAnchor="end"
          fontSize={Math.min(FONT_UNITS, height)}
          fill={palette.ink}
        >
          {fitted(name)}
        </text>
      ))}
      {variables.slice(0, -1).map(({ id }, j) => (
        <text
          key={id}
          x={left + (j + 0.5) * tile}
          y={variables.length * height + 15}
          textAnchor="middle"
          fontSize={FONT_UNITS}
          fill={palette.muted}
        >
          {j + 1}
        </text>
      ))}
      {variables.flatMap((row, i) =>
        variables.slice(0, i).map((column, j) => {
          const cell = matrix.cell(row, column);
          const known = !Number.isNaN(cell.coefficient);
          const { background, text } = known ? scale(cell.coefficient) : { background: 'white', text: palette.muted };
          return (
            <g key={`${row.id}.${column.id}`} transform={`translate(${left + j * tile},${i * height})`}>
              <rect width={tile - 1} height={height - 1} fill={background} stroke={known ? 'none' : palette.rule} />
              {tile >= FOR_NUMBERS && (
                <text x={(tile - 1) / 2} y={(height - 1) / 2} dy="0.34em" textAnchor="middle" fontSize={size} fill={text}>
                  {known ? `${coefficientText(cell.coefficient)}${'*'.repeat(countMarks(decisiveP(cell), settings.levels))}` : '–'}
                </text>
              )}
            </g>
          );
        }),
      )}
    </FileSvg>
  );
}

function fitted(name: string): string {
  const most = Math.floor(MOST_NAME / LETTER);
  return name.length > most ? `${name.slice(0, most - 1)}…` : name;
}
