import { type FileFacts, FileSvg } from '../../../figures/export/file-svg';
import { groupShape } from '../../../figures/group-styles';
import { shapePath } from '../../../figures/marks/marker';
import { axisLabel } from '../../../study/variable-name';
import { pictureAddress } from '../plotting/picture-on-canvas';
import type { PlotData } from '../plotting/plot-data';
import { pointsPicture } from './points-picture';
import { SingleFigure, type SingleFigureProps } from './single-figure';
import { endInWords, pointStyles, ramp, type Third } from './third-scale';

interface SingleSvgProps extends SingleFigureProps, FileFacts {
  readonly third: Third;
  /** Labels of the groups, in their order. */
  readonly groups: readonly string[];
  readonly data: PlotData;
}

const LEGEND = 22;
const PICTURE_RATIO = 4;

/** The large scatterplot as one SVG, for paper. */
export function SingleSvg({ third, groups, data, title, caption, millimetres, fontFace, ...figure }: SingleSvgProps) {
  const { frame, palette, x, y, variables, places } = figure;
  const legend = third.type === 'none' ? 0 : LEGEND;
  const height = frame.height + legend;
  const domains = [x.domain() as [number, number], y.domain() as [number, number]] as const;
  return (
    <FileSvg
      title={title}
      caption={caption}
      millimetres={millimetres}
      {...(fontFace ? { fontFace } : {})}
      width={frame.width}
      height={height}
      palette={palette}
    >
      <g transform={`translate(${frame.left},12)`} fontSize={12} fill={palette.ink} data-part="legend">
        <Legend third={third} groups={groups} palette={palette} />
      </g>
      <g transform={`translate(0,${legend})`}>
        <SingleFigure {...figure}>
          {places.length === 0 && (
            <image
              href={pictureAddress(
                pointsPicture({ data, ids: [variables.x.id, variables.y.id], domains, frame, third, palette, ratio: PICTURE_RATIO }),
              )}
              x={frame.left}
              y={frame.top}
              width={frame.right - frame.left}
              height={frame.bottom - frame.top}
              preserveAspectRatio="none"
            />
          )}
        </SingleFigure>
      </g>
    </FileSvg>
  );
}

const LETTER = 6.8;
const RAMP = 120;

function Legend({ third, groups, palette }: Pick<SingleSvgProps, 'third' | 'groups' | 'palette'>) {
  if (third.type === 'none') return null;
  if (third.type === 'groups') {
    let x = 0;
    return groups.map((label, group) => {
      const at = x;
      x += 14 + label.length * LETTER + 16;
      return (
        <g key={label} transform={`translate(${at},0)`}>
          <path d={shapePath(groupShape(group), 5, 0, 4)} fill={palette.group(group)} />
          <text x={14} dy="0.35em">
            {label}
          </text>
        </g>
      );
    });
  }
  const name = `${axisLabel(third.variable)}:`;
  const start = name.length * LETTER + 8;
  const [low, high] = third.domain.map(endInWords);
  const colour = ramp(palette);
  const size = pointStyles({ ...third, values: Float64Array.from(third.domain) }, null, palette, 3);
  return (
    <>
      <text dy="0.35em">{name}</text>
      {third.type === 'colour' ? (
        <>
          {Array.from({ length: RAMP / 4 }, (_, i) => (
            <rect key={i} x={start + 44 + i * 4} y={-5} width={4.2} height={10} fill={colour(i / (RAMP / 4 - 1))} />
          ))}
          <text x={start + 38} dy="0.35em" textAnchor="end">
            {low}
          </text>
          <text x={start + 50 + RAMP} dy="0.35em">
            {high}
          </text>
        </>
      ) : (
        [low, high].map((text, i) => (
          <g key={text} transform={`translate(${start + 10 + i * 80},0)`}>
            <circle r={size(i).radius} fill={palette.ink} fillOpacity={0.6} />
            <text x={12} dy="0.35em">
              {text}
            </text>
          </g>
        ))
      )}
    </>
  );
}
