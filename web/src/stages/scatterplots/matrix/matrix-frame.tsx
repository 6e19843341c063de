import { memo, type ReactNode, type RefObject } from 'react';
import { SCREEN } from '../../../figures/palette';
import { AxesAcross, AxesDown, type AxesFacts } from './axes-along';

interface MatrixFrameProps extends AxesFacts {
  readonly scroller: RefObject<HTMLDivElement | null>;
  readonly children: ReactNode;
}

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
const Across = memo(function Across(facts: AxesFacts & { readonly side: 'top' | 'bottom' }) {
  const { columns, cell, gutter } = facts.layout;
  const place = facts.side === 'top' ? 'top-0' : 'bottom-0';
  return (
    <svg className={`numerals ${STICKY} ${place}`} width={columns.length * cell.width} height={gutter[facts.side]} aria-hidden="true">
      <AxesAcross {...facts} palette={SCREEN} />
    </svg>
  );
});

/** The axes of the rows. */
const Down = memo(function Down(facts: AxesFacts & { readonly side: 'left' | 'right' }) {
  const { rows, cell, gutter } = facts.layout;
  const place = facts.side === 'left' ? 'left-0' : 'right-0';
  return (
    <svg className={`numerals ${STICKY} ${place}`} width={gutter[facts.side]} height={rows.length * cell.height} aria-hidden="true">
      <AxesDown {...facts} palette={SCREEN} />
    </svg>
  );
});
