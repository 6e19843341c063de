import { useMemo } from 'react';
import { asFile } from '../../../figures/export/as-file';
import { filePalette } from '../../../figures/export/day-colours';
import { type BuildFigure, drawingWidth, FONT_UNITS } from '../../../figures/export/figure-options';
import { type FileFacts, FileSvg } from '../../../figures/export/file-svg';
import type { Palette } from '../../../figures/palette';
import type { Shares } from '../../../predictors/find-shares';
import { shareText, vifText } from '../../../predictors/numbers';
import { displayName } from '../../../study/variable-name';
import type { ShareAxis } from './share-axis';
import type { ShareLine } from './share-lines';
import { ShareAxisTicks, ShareMarks } from './share-marks';

interface SharesFigureFacts {
  readonly lines: readonly ShareLine[];
  readonly shares: Shares | null;
  readonly former: ReadonlyMap<string, number> | null;
  readonly axis: ShareAxis;
  readonly limit: number;
  readonly caption: string;
}

const LINE = 26;
const HEAD = 40;
/** The names' part of the width, and what the numbers at the right take. */
const [NAMES, NUMBERS] = [0.26, 110];

/** Builds the shares for a file, as they are on screen; null where there are none. */
export function useSharesFigure({ lines, shares, former, axis, limit, caption }: SharesFigureFacts): BuildFigure | null {
  return useMemo(
    () => (shares ? buildSharesFigure({ lines, shares, former, axis, limit, caption }) : null),
    [lines, shares, former, axis, limit, caption],
  );
}

export function buildSharesFigure(facts: SharesFigureFacts): BuildFigure {
  return async (options, fontFace) => {
    const palette = filePalette(options.colour);
    const { caption } = facts;
    const file = { title: 'Shares told by the others', caption, millimetres: options.width, ...(fontFace ? { fontFace } : {}) };
    const svg = await asFile(<SharesFile {...facts} file={file} width={drawingWidth(options, FONT_UNITS)} palette={palette} />);
    return { svg, caption, shapes: true };
  };
}

interface SharesFileProps extends SharesFigureFacts {
  readonly file: FileFacts;
  readonly width: number;
  readonly palette: Palette;
}

function SharesFile({ lines, shares, former, axis, limit, file, width, palette }: SharesFileProps) {
  const left = Math.min(180, NAMES * width);
  const bars = Math.max(60, width - left - NUMBERS);
  const height = HEAD + lines.length * LINE + 8;
  return (
    <FileSvg {...file} width={width} height={height} palette={palette}>
      <g transform={`translate(${left},4)`}>
        <ShareAxisTicks axis={axis} width={bars} palette={palette} />
      </g>
      {lines.map(({ predictor, place }, k) => {
        const found = shares?.inflation[place];
        const top = HEAD + k * LINE;
        return (
          <g key={predictor.variable} transform={`translate(0,${top})`} fontSize={FONT_UNITS} fill={palette.ink}>
            <text x={left - 8} y={LINE / 2 + 4} textAnchor="end">
              {displayName(predictor.of)}
            </text>
            <g transform={`translate(${left},0)`}>
              <ShareMarks
                axis={axis}
                width={bars}
                height={LINE}
                inflation={found?.inflation ?? null}
                ghost={former?.get(predictor.variable) ?? null}
                limit={limit}
                palette={palette}
              />
            </g>
            <text x={width - 4} y={LINE / 2 + 4} textAnchor="end">
              {found ? `${shareText(found.share)}, VIF ${vifText(found.inflation)}` : 'left out'}
            </text>
          </g>
        );
      })}
    </FileSvg>
  );
}
