import { memo, type ReactNode, type RefObject } from 'react';
import { SCREEN } from '../palette';
import { AxisMarks } from './axis-marks';
import { acrossScale, downScale } from './axis-scales';
import type { Layout } from './layout';

interface AxesFacts {
  readonly layout: Layout;
  readonly domains: ReadonlyMap<string, readonly [number, number]>;
  /** Ranks go from 1 to this. */
  readonly ranks: number;
}

interface MatrixFrameProps extends AxesFacts {
  readonly scroller: RefObject<HTMLDivElement | null>;
  readonly children: ReactNode;
}

const NO_DOMAIN = [0, 1] as const;
const STICKY = 'sticky z-10 bg-paper';

/** The panels with their axes around them, which stay in sight while the panels scroll. */
export function MatrixFrame({ layout, domains, ranks, scroller, children }: MatrixFrameProps) {
  const { rows, columns, cell, gutter } = layout;
  const [width, height] = [columns.length * cell.width, rows.length * cell.height];
  const facts = { layout, domains, ranks };
  return (
    <div ref={scroller} data-scrolls className="min-h-0 flex-1 overflow-auto">
      <div
        className="grid w-max"
        style={{
          gridTemplateColumns: `${gutter.left}px ${width}px ${gutter.right}px`,
          gridTemplateRows: `${gutter.top}px ${height}px ${gutter.bottom}px`,
        }}
      >
        <div className={`${STICKY} top-0 left-0 z-20`} />
        <Across {...facts} side="top" />
        <div className={`${STICKY} top-0 right-0 z-20`} />
        <Down {...facts} side="left" />
        <div className="relative" style={{ width, height }}>
          {children}
        </div>
        <Down {...facts} side="right" />
        <div className={`${STICKY} bottom-0 left-0 z-20`} />
        <Across {...facts} side="bottom" />
        <div className={`${STICKY} right-0 bottom-0 z-20`} />
      </div>
    </div>
  );
}

/** The axes of the columns, drawn again only when they change: a brush moves many times a second. */
const Across = memo(function Across({ layout, domains, ranks, side }: AxesFacts & { readonly side: 'top' | 'bottom' }) {
  const { columns, cell, plot, gutter } = layout;
  return (
    <svg
      className={`figures ${STICKY} ${side === 'top' ? 'top-0' : 'bottom-0'}`}
      width={columns.length * cell.width}
      height={gutter[side]}
      aria-hidden="true"
    >
      {columns.map((variable, j) => (
        <g key={variable.id} transform={`translate(${j * cell.width + plot.left},0)`}>
          <AxisMarks
            side={side}
            scale={acrossScale(layout, side, j)}
            variable={variable}
            domain={domains.get(variable.id) ?? NO_DOMAIN}
            ranks={ranks}
            length={plot.width}
            room={gutter[side]}
            palette={SCREEN}
          />
        </g>
      ))}
    </svg>
  );
});

/** The axes of the rows. */
const Down = memo(function Down({ layout, domains, ranks, side }: AxesFacts & { readonly side: 'left' | 'right' }) {
  const { rows, cell, plot, gutter } = layout;
  return (
    <svg
      className={`figures ${STICKY} ${side === 'left' ? 'left-0' : 'right-0'}`}
      width={gutter[side]}
      height={rows.length * cell.height}
      aria-hidden="true"
    >
      {rows.map((variable, i) => (
        <g key={variable.id} transform={`translate(0,${i * cell.height + plot.top})`}>
          <AxisMarks
            side={side}
            scale={downScale(layout, side, i)}
            variable={variable}
            domain={domains.get(variable.id) ?? NO_DOMAIN}
            ranks={ranks}
            length={plot.height}
            room={gutter[side]}
            palette={SCREEN}
          />
        </g>
      ))}
    </svg>
  );
});
