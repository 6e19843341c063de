import { type Palette, SCREEN } from '../../../figures/palette';
import type { ShareAxis } from './share-axis';

interface ShareMarksProps {
  readonly axis: ShareAxis;
  readonly width: number;
  readonly height: number;
  /** null where it is not told: switched off, or not to be judged. */
  readonly inflation: number | null;
  /** What it was before. */
  readonly ghost: number | null;
  readonly limit: number;
  readonly palette?: Palette;
}

const BAR = 12;

/** How much of one predictor the others tell, as a bar; hollow where it stood before. */
export function ShareMarks({ axis, width, height, inflation, ghost, limit, palette = SCREEN }: ShareMarksProps) {
  const x = (vif: number) => axis.at(vif) * (width - 8);
  const top = (height - BAR) / 2;
  const isAbove = inflation !== null && inflation > limit;
  return (
    <>
      {axis.ticks.map(({ vif }) => (
        <line key={vif} x1={x(vif)} x2={x(vif)} y1={0} y2={height} stroke={vif === 5 || vif === 10 ? palette.edge : palette.rule} />
      ))}
      {inflation !== null && !Number.isNaN(inflation) && (
        <rect x={0} y={top} width={Math.max(1, x(inflation))} height={BAR} fill={isAbove ? palette.caution : palette.bar} />
      )}
      {isAbove && inflation !== null && (
        // Told also without colour: a bar above the limit ends in an arrow.
        <path d={`M${x(inflation)} ${top - 3}l6 ${BAR / 2 + 3}l-6 ${BAR / 2 + 3}z`} fill={palette.caution} />
      )}
      {ghost !== null && !Number.isNaN(ghost) && !(inflation !== null && Math.abs(x(ghost) - x(inflation)) < 2) && (
        <rect
          x={0.75}
          y={top - 2.5}
          width={Math.max(1, x(ghost))}
          height={BAR + 5}
          fill="none"
          stroke={palette.muted}
          strokeWidth={1.5}
          strokeDasharray="3 2"
        />
      )}
    </>
  );
}

/** The axis above the bars: the share told, and the VIF that it is. */
export function ShareAxisTicks({ axis, width, palette = SCREEN }: Pick<ShareMarksProps, 'axis' | 'width' | 'palette'>) {
  return (
    <g className="numerals" fontSize={11} fill={palette.muted}>
      {withRoom(axis.ticks, width).map(({ vif, at, share }) => {
        const x = at * (width - 8);
        const anchor = vif === 1 ? 'start' : x > width - 30 ? 'end' : vif === 5 ? 'end' : vif === 10 ? 'start' : 'middle';
        return (
          <g key={vif} textAnchor={anchor}>
            <text x={x + (vif === 5 ? 3 : vif === 10 ? -3 : 0)} y={11}>
              {share}
            </text>
            <text x={x + (vif === 5 ? 3 : vif === 10 ? -3 : 0)} y={25}>
              {vif === 1 ? 'VIF 1' : vif.toLocaleString('en-GB')}
            </text>
            <line x1={x} x2={x} y1={29} y2={33} stroke={palette.edge} />
          </g>
        );
      })}
    </g>
  );
}

/** Which words come first where there is no room for all: the two limits, then the ends. */
const IMPORTANCE = [5, 10, 1, 10_000, 1000, 100, 2];
const LEAST_APART = 44;

function withRoom(ticks: ShareAxis['ticks'], width: number): ShareAxis['ticks'] {
  const kept: ShareAxis['ticks'][number][] = [];
  for (const vif of IMPORTANCE) {
    const tick = ticks.find((item) => item.vif === vif);
    // The two limits stand side by side, each on its own side of the line.
    const apart = (other: ShareAxis['ticks'][number]) => Math.abs(other.at - (tick?.at ?? 0)) * width >= (vif === 10 ? 26 : LEAST_APART);
    if (tick && kept.every(apart)) kept.push(tick);
  }
  return kept;
}
