import type { ScatterplotSettings } from '@ivlen/contract';
import { type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { useMatrix } from '../../../coefficients/use-matrix';
import { FailureNotice } from '../../../controls/failure-notice';
import { ProgressLine } from '../../../controls/progress-line';
import { ExportFigureButton } from '../../../figures/export/export-figure-button';
import type { BuildFigure } from '../../../figures/export/figure-options';
import { useCoefficientScale } from '../../../figures/use-coefficient-scale';
import type { usePairSelection } from '../../../pair-card/use-pair-selection';
import { useReadOnly } from '../../../study/read-only';
import { displayName } from '../../../study/variable-name';
import { LitBar } from '../brushing/lit-bar';
import { SelectByValues } from '../brushing/select-by-values';
import { TraceLayer } from '../brushing/trace-layer';
import { type BrushShape, useBrush } from '../brushing/use-brush';
import { useShortcuts } from '../brushing/use-shortcuts';
import { GroupLegend } from '../groups/group-legend';
import type { PanelSpec } from '../plotting/plot-data';
import { type Combining, placesIn } from '../plotting/plotter';
import { BrushTools } from './brush-tools';
import { BulkNotice } from './bulk-notice';
import { HoverLine } from './hover-line';
import { MatrixFrame } from './matrix-frame';
import { MatrixNotes } from './matrix-notes';
import { Panel, type PanelHandlers } from './panel';
import type { PanelModel } from './panel-model';
import { PatternTable } from './pattern-table';
import { type SceneFacts, useMatrixScene } from './use-matrix-scene';
import { usePanelKeys } from './use-panel-keys';
import { useUnderPointer } from './use-under-pointer';

export interface MatrixViewProps extends SceneFacts {
  readonly patch: (part: Partial<ScatterplotSettings>) => void;
  readonly state: ReturnType<typeof useMatrix>;
  readonly pairs: ReturnType<typeof usePairSelection>;
  /** The methods line as it stands, for captions. */
  readonly sentence: string;
  /** Told whether the panels are complete. */
  readonly onDrawn: (isDrawn: boolean) => void;
  readonly asTable: boolean;
  readonly onAsTable: (on: boolean) => void;
  /** What stands over the panels, with the tools among it. */
  readonly top: (tools: ReactNode) => ReactNode;
}

/** The scatterplot matrix: every pair of the working set, with a brush that lights the same rows in all panels. */
export function MatrixView(props: MatrixViewProps) {
  const { study, settings, patch, correlation, groups, pairs, state, asTable, onAsTable, onDrawn, top } = props;
  const readOnly = useReadOnly();
  const scroller = useRef<HTMLDivElement>(null);
  const scene = useMatrixScene(props, scroller);
  const { client, look, layout, sheet, moving, models, pictures, selection, select, axes } = scene;
  const { complete } = pictures;
  useEffect(() => onDrawn(complete || asTable), [complete, asTable, onDrawn]);
  const [shape, setShape] = useState<BrushShape>('rectangle');
  const [combining, setCombining] = useState<Combining>('new');
  const [asideOpen, setAsideOpen] = useState(false);
  const tileColours = useCoefficientScale();
  const latest = useRef({ props, scene });
  latest.current = { props, scene };
  const isDrawn = client !== null && look !== null;
  const build = useMemo((): BuildFigure | null => {
    if (!isDrawn) return null;
    return async (options, fontFace) => {
      const { buildFigure } = await import('../export/build-figure');
      return buildFigure(latest.current.props, latest.current.scene, latest.current.props.sentence, options, fontFace);
    };
  }, [isDrawn]);
  const variableOf = useCallback((id: string) => study.state.variables.find((variable) => variable.id === id), [study]);

  const openPair = useCallback(
    ({ x, y }: { readonly x: string; readonly y: string }) => {
      const [a, b] = [variableOf(x), variableOf(y)];
      if (a && b) pairs.open(a, b);
    },
    [variableOf, pairs.open],
  );
  const brush = useBrush({
    client,
    look,
    sheet,
    shape,
    combining,
    put: pictures.put,
    onPress: openPair,
    selection,
    onSelect: select,
    moving,
  });
  const { under, rings, point } = useUnderPointer(client, look, sheet);
  const clear = useCallback(() => {
    brush.forget();
    select(null);
  }, [brush.forget, select]);
  useShortcuts({
    onEscape: () => {
      if (selection) clear();
      return selection !== null;
    },
    onAside: () => {
      if (readOnly) return;
      if (!selection?.count && under?.place != null && client) {
        const mask = new Uint8Array(client.data.rows.length);
        mask[under.place] = 1;
        select({ mask, count: 1, x: under.spec.x, y: under.spec.y });
      } else if (!selection?.count) return;
      setAsideOpen(true);
    },
  });

  const keys = usePanelKeys(layout.rows.length, layout.columns.length, ({ i, j }) => reveal(scroller.current, layout, i, j));
  const { handlers: strokes } = brush;
  const { setActive } = keys;
  const handlers = useMemo((): PanelHandlers => {
    const at = (event: Parameters<PanelHandlers['onPointerMove']>[0], spec: PanelSpec) => {
      const box = event.currentTarget.getBoundingClientRect();
      point({ spec, at: [event.clientX - box.left, event.clientY - box.top] });
    };
    return {
      ...strokes,
      onPointerMove: (event, spec) => (moving.current ? strokes.onPointerMove(event) : at(event, spec)),
      onPointerLeave: () => point(null),
      onOpen: ({ place: { row, column } }: PanelModel) => openPair({ x: column.id, y: row.id }),
      onFocus: (i, j) => setActive({ i, j }),
    };
  }, [strokes, moving, point, openPair, setActive]);

  const open = pairs.pair && new Set([pairs.pair.x.id, pairs.pair.y.id]);
  const [x, y] = [variableOf(selection?.x ?? ''), variableOf(selection?.y ?? '')];
  const rowsLit = () => (selection && client ? Array.from(placesIn(selection.mask), (place) => (client.data.rows[place] ?? 0) + 1) : []);
  const failure = scene.error ?? state.error;
  if (failure) {
    return (
      <>
        {top(null)}
        <div className="p-5">
          <FailureNotice error={failure} />
        </div>
      </>
    );
  }
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      {top(
        <>
          {!asTable && <BrushTools shape={shape} onShape={setShape} combining={combining} onCombining={setCombining} />}
          {!asTable && <SelectByValues variables={scene.variables} data={client?.data} onSelect={select} />}
          {!asTable && (
            <button
              type="button"
              className="button-quiet text-[13px]"
              onClick={() => patch({ size: settings.size === 'large' ? 'fitting' : 'large' })}
            >
              {settings.size === 'large' ? 'Fit panels' : 'Larger panels'}
            </button>
          )}
          <button type="button" className="button-quiet text-[13px]" onClick={() => onAsTable(!asTable)}>
            {asTable ? 'Show panels' : 'Show as table'}
          </button>
          <ExportFigureButton name={`${study.name} scatterplots`} build={build} />
        </>,
      )}
      {(groups.by || groups.refusal) && (
        <div className="border-b border-rule px-5 py-1">
          {groups.refusal ? (
            <p className="text-[13px] text-caution">{groups.refusal}</p>
          ) : (
            groups.by && (
              <GroupLegend
                by={displayName(groups.by)}
                groups={groups.taking?.groups ?? []}
                hidden={settings.hidden}
                onChange={(hidden) => patch({ hidden })}
              />
            )
          )}
        </div>
      )}
      {(state.progress || state.stopped) && <LongComputing state={state} />}
      {asTable ? (
        <PatternTable facts={props} notSought={state.cautionsNotSought !== null} />
      ) : (
        <figure
          aria-label="Scatterplot matrix"
          aria-busy={!pictures.complete}
          data-lit={selection?.count ?? ''}
          className="flex min-h-96 flex-1 flex-col pt-1 pl-3"
        >
          <MatrixFrame layout={layout} domains={look?.domains ?? NO_DOMAINS} ranks={scene.plotted} scroller={scroller}>
            <canvas
              ref={pictures.canvas}
              aria-hidden="true"
              className="absolute"
              style={{ left: sheet.left, top: sheet.top, width: sheet.width, height: sheet.height }}
            />
            <div ref={keys.grid} role="grid" aria-label="Panels" onKeyDown={keys.onKeyDown}>
              {inRows(models).map((row) => (
                <div key={row[0]?.place.row.id} role="row">
                  {row.map((model) => (
                    <Panel
                      key={`${model.place.row.id}.${model.place.column.id}`}
                      model={model}
                      layout={layout}
                      domains={needsAxes(model) && look ? look.domains : NO_DOMAINS}
                      ranks={needsAxes(model) ? ranksOf(model, state, scene.plotted) : 0}
                      marginal={model.place.half === 'diagonal' ? scene.marginals.get(model.place.row.id) : undefined}
                      diagonal={settings.diagonal}
                      tileColours={tileColours}
                      isOpen={model.place.half !== 'diagonal' && !!open?.has(model.place.row.id) && open.has(model.place.column.id)}
                      inTabOrder={keys.active.i === model.place.i && keys.active.j === model.place.j}
                      handlers={handlers}
                    />
                  ))}
                </div>
              ))}
            </div>
            <TraceLayer layout={layout} models={models} trace={brush.trace} isShown={selection !== null} rings={rings} />
          </MatrixFrame>
          <figcaption className="h-16 shrink-0 overflow-y-auto border-t border-rule py-1.5 pr-5 pl-2">
            {selection && x && y ? (
              <LitBar
                study={study}
                count={selection.count}
                rowsLit={rowsLit}
                pair={{ x, y }}
                values={scene.pair}
                levels={correlation.levels}
                asideOpen={asideOpen}
                onAsideOpen={setAsideOpen}
                onClear={clear}
              />
            ) : (
              <>
                <HoverLine study={study} data={client?.data} under={under} groups={groups.all} models={models} />
                <div className="mt-0.5 flex flex-wrap items-baseline gap-x-4">
                  <BulkNotice variables={scene.variables} axes={axes} bulk={settings.bulk} onChange={(bulk) => patch({ bulk })} />
                  <MatrixNotes facts={props} most={pictures.most} levels={correlation.levels} />
                </div>
              </>
            )}
          </figcaption>
        </figure>
      )}
    </div>
  );
}

/** Coefficients that take long: how far they are, and the way to stop them. */
function LongComputing({ state: { progress, stopped, stop, resume } }: { readonly state: ReturnType<typeof useMatrix> }) {
  return (
    <div className="border-b border-rule px-5 py-1.5">
      {stopped ? (
        <p>
          The coefficients were stopped.{' '}
          <button type="button" className="button-quiet" onClick={resume}>
            Compute them
          </button>
        </p>
      ) : (
        <ProgressLine label="Computing the coefficients" progress={progress ?? null} onStop={stop} />
      )}
    </div>
  );
}

const NO_DOMAINS: ReadonlyMap<string, readonly [number, number]> = new Map();

/** Only what is laid over points, or stands over an axis, has to know where values lie. */
function needsAxes({ place, fits }: PanelModel): boolean {
  return place.half === 'diagonal' || fits.length > 0;
}

function inRows(models: readonly PanelModel[]): PanelModel[][] {
  const rows = new Map<string, PanelModel[]>();
  for (const model of models) rows.set(model.place.row.id, [...(rows.get(model.place.row.id) ?? []), model]);
  return [...rows.values()];
}

/** Ranks go up to the rows that are complete for the pair. */
function ranksOf({ place: { row, column } }: PanelModel, { matrix }: Pick<ReturnType<typeof useMatrix>, 'matrix'>, rows: number): number {
  const known = matrix && row !== column && [row, column].every((variable) => matrix.variables.includes(variable));
  return known ? Math.max(1, matrix.cell(row, column).n) : rows;
}

/** Scrolls so far that a panel is in sight between the axes. */
function reveal(scroller: HTMLElement | null, { cell, gutter }: ReturnType<typeof useMatrixScene>['layout'], i: number, j: number): void {
  if (!scroller) return;
  const clamp = (now: number, from: number, to: number) => Math.max(Math.min(now, from), to);
  scroller.scrollTo({
    left: clamp(scroller.scrollLeft, j * cell.width, (j + 1) * cell.width + gutter.left + gutter.right - scroller.clientWidth),
    top: clamp(scroller.scrollTop, i * cell.height, (i + 1) * cell.height + gutter.top + gutter.bottom - scroller.clientHeight),
  });
}
