import type { Layout } from '../matrix/layout';
import type { PanelModel } from '../matrix/panel-model';
import { type Store, useStore } from './store';
import type { BrushTrace } from './use-brush';

interface TraceLayerProps {
  readonly layout: Layout;
  readonly models: readonly PanelModel[];
  readonly trace: Store<BrushTrace | null>;
  /** Whether the brush is of what is lit. */
  readonly isShown: boolean;
  /** Where the row under the pointer is, by panel. */
  readonly rings: ReadonlyMap<string, readonly [number, number]>;
}

/** Over the panels: the outline of the brush, and the same row ringed in all of them. */
export function TraceLayer({ layout: { cell, plot, rows, columns }, models, trace: traces, isShown, rings }: TraceLayerProps) {
  const current = useStore(traces);
  const trace = isShown ? current : null;
  if (!trace && rings.size === 0) return null;
  return (
    <svg
      className="pointer-events-none absolute inset-0 z-[5]"
      width={columns.length * cell.width}
      height={rows.length * cell.height}
      aria-hidden="true"
    >
      {models.map(({ place, spec }) => {
        if (!spec) return null;
        const ring = rings.get(spec.id);
        const outline = trace?.panel === spec.id ? trace.outline : null;
        if (!ring && !outline) return null;
        return (
          <g key={spec.id} transform={`translate(${place.j * cell.width + plot.left},${place.i * cell.height + plot.top})`}>
            {outline && (
              <polygon
                points={outline.map((point) => point.join()).join(' ')}
                fill="var(--accent)"
                fillOpacity={0.1}
                stroke="var(--accent)"
                strokeDasharray="4 3"
              />
            )}
            {ring && <circle cx={ring[0]} cy={ring[1]} r={5} fill="none" stroke="var(--accent)" strokeWidth={1.75} />}
          </g>
        );
      })}
    </svg>
  );
}
