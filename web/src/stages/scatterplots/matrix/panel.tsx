import type { DiagonalContent } from '@ivlen/contract';
import { type KeyboardEvent, memo, type PointerEvent } from 'react';
import type { Marginal } from '../../../figures/marks/marginal';
import { SCREEN } from '../../../figures/palette';
import type { PanelSpec } from '../plotting/plot-data';
import { DiagonalFigure } from './diagonal-figure';
import type { Layout } from './layout';
import { PanelFigure } from './panel-figure';
import type { PanelModel } from './panel-model';

export interface PanelHandlers {
  readonly onPointerDown: (event: PointerEvent<Element>, spec: PanelSpec) => void;
  readonly onPointerMove: (event: PointerEvent<Element>, spec: PanelSpec) => void;
  readonly onPointerUp: () => void;
  readonly onPointerCancel: () => void;
  readonly onPointerLeave: () => void;
  readonly onOpen: (model: PanelModel) => void;
  readonly onFocus: (i: number, j: number) => void;
}

interface PanelProps {
  readonly model: PanelModel;
  readonly layout: Layout;
  readonly domains: ReadonlyMap<string, readonly [number, number]>;
  readonly ranks: number;
  /** Of the variable on the diagonal; undefined elsewhere and while it is computed. */
  readonly marginal: Marginal | undefined;
  readonly diagonal: DiagonalContent;
  readonly tileColours: (coefficient: number) => { readonly background: string; readonly text: string };
  readonly isOpen: boolean;
  /** Whether it is the one that the tab key reaches. */
  readonly inTabOrder: boolean;
  readonly handlers: PanelHandlers;
}

/** One panel of the matrix, over the canvas with its points; pressed, it opens its pair. */
export const Panel = memo(function Panel(props: PanelProps) {
  const { model, layout, domains, ranks, marginal, diagonal, tileColours, isOpen, inTabOrder, handlers } = props;
  const { place, spec } = model;
  const { cell, plot } = layout;
  const onDiagonal = place.half === 'diagonal';
  const onKeyDown = (event: KeyboardEvent) => {
    if ((event.key === 'Enter' || event.key === ' ') && !onDiagonal) {
      event.preventDefault();
      handlers.onOpen(model);
    }
  };
  return (
    <div
      role="gridcell"
      data-cell={`${place.i}.${place.j}`}
      data-panel={spec?.id}
      aria-label={model.label}
      aria-selected={onDiagonal ? undefined : isOpen}
      tabIndex={inTabOrder ? 0 : -1}
      className={`absolute outline-offset-0 ${isOpen ? 'rounded ring-2 ring-accent' : ''}`}
      style={{ left: place.j * cell.width, top: place.i * cell.height, width: cell.width - 2, height: cell.height - 2 }}
      onKeyDown={onKeyDown}
      onFocus={() => handlers.onFocus(place.i, place.j)}
      onClick={spec === null && !onDiagonal ? () => handlers.onOpen(model) : undefined}
    >
      <svg width={cell.width} height={cell.height} className="numerals pointer-events-none absolute inset-0" aria-hidden="true">
        {onDiagonal ? (
          <DiagonalFigure
            variable={place.row}
            marginal={marginal}
            content={diagonal}
            domain={domains.get(place.row.id) ?? [0, 1]}
            plot={plot}
            palette={SCREEN}
          />
        ) : (
          <PanelFigure
            model={model}
            plot={plot}
            domains={domains}
            ranks={ranks}
            palette={SCREEN}
            tileColours={tileColours}
            clip={`clip-${place.i}-${place.j}`}
          />
        )}
      </svg>
      {spec && (
        <div
          className="absolute touch-none"
          style={{ left: plot.left, top: plot.top, width: plot.width, height: plot.height, cursor: 'crosshair' }}
          onPointerDown={(event) => handlers.onPointerDown(event, spec)}
          onPointerMove={(event) => handlers.onPointerMove(event, spec)}
          onPointerUp={handlers.onPointerUp}
          onPointerCancel={handlers.onPointerCancel}
          onPointerLeave={handlers.onPointerLeave}
        />
      )}
    </div>
  );
});
