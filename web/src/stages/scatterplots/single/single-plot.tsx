import type { CorrelationSettings, ScatterplotSettings, Study, Variable } from '@ivlen/contract';
import { ArrowLeftRight } from 'lucide-react';
import { type PointerEvent, useMemo, useRef, useState } from 'react';
import { FailureNotice } from '../../../controls/failure-notice';
import { useTheme } from '../../../controls/theme';
import { asMeasured, significant } from '../../../figures/as-measured';
import { ExportFigureButton } from '../../../figures/export/export-figure-button';
import { paletteOf, SCREEN } from '../../../figures/palette';
import { MethodsLine } from '../../../methods-line/methods-line';
import { sentenceOf, withEditors } from '../../../methods-line/methods-parts';
import { coefficientText } from '../../../numbers/number-text';
import { PinButton } from '../../../pins/pin-button';
import { useReadOnly } from '../../../study/read-only';
import { rowsInWords } from '../../../study/rows-in-use';
import { useRowName, useRowNames } from '../../../study/use-row-name';
import { axisLabel, displayName } from '../../../study/variable-name';
import { useView } from '../matrix/use-view';
import { pointLook } from '../plotting/plot-data';
import { MOST_SHAPED } from '../plotting/plotter';
import { LabelRows } from './label-rows';
import { PointsPicture } from './points-picture';
import { sentence } from './sentence';
import { singleEditors } from './single-editors';
import { equationOf, type PointLabel, SingleFigure } from './single-figure';
import { scalesFor, singleFrame } from './single-frame';
import { ThirdLegend } from './third-legend';
import { pointStyles } from './third-scale';
import { useSingleExport } from './use-single-export';
import { useSinglePlot } from './use-single-plot';

interface SinglePlotProps {
  readonly study: Study;
  readonly axes: { readonly x: Variable; readonly y: Variable; readonly third: Variable | null };
  readonly settings: ScatterplotSettings;
  readonly correlation: CorrelationSettings;
  readonly patch: (part: Partial<ScatterplotSettings['single']>) => void;
  readonly workingSet: readonly Variable[];
}

const LEAST = { width: 420, height: 320 };
const MOST_WIDE = 1.55;
const REACH = 12;
/** Of the area around the plot, above and below together. */
const PADDING = 18;
/** Points of different sizes lie on each other more. */
const SIZED = 0.65;
const UNIT_DOMAIN = [0, 1] as const;

/** The plot as large as there is room for, with its sentence, legend and labels. */
export function SinglePlot({ study, axes: chosen, settings, correlation, patch, workingSet }: SinglePlotProps) {
  const { x, y, third } = chosen;
  const single = useMemo(() => ({ ...settings.single, share: settings.share }), [settings]);
  const readOnly = useReadOnly();
  const { token } = useTheme();
  // Colours between two tokens are computed: the tokens' own values are needed.
  const colours = useMemo(() => paletteOf(token), [token]);
  const area = useRef<HTMLDivElement>(null);
  const view = useView(area);
  const plot = useSinglePlot(study, chosen, single, correlation, workingSet);
  const { client, places, groups } = plot;
  const [hovered, setHovered] = useState<number | null>(null);
  const height = Math.max(LEAST.height, view.height - PADDING);
  const width = Math.max(LEAST.width, Math.min(view.width, Math.round(height * MOST_WIDE)));
  const frame = singleFrame(width, height, single.margins);
  const domains = [plot.axes?.get(x.id)?.all ?? UNIT_DOMAIN, plot.axes?.get(y.id)?.all ?? UNIT_DOMAIN] as const;
  const scales = scalesFor(domains, frame);
  const n = places?.length ?? 0;
  const asShapes = n <= MOST_SHAPED;
  const { radius, opacity } = pointLook(n, (frame.right - frame.left) * (frame.bottom - frame.top), third !== null);

  const labelled = useRowNames(study, single.labels);
  const labels = useMemo((): PointLabel[] => {
    if (!client || !places) return [];
    const usable = new Set(places);
    return labelled.flatMap(({ row, name }) => {
      const place = client.data.rows.indexOf(row - 1);
      return usable.has(place) ? [{ place, text: name ?? `row ${row}` }] : [];
    });
  }, [client, places, labelled]);
  const [xs, ys] = [client?.data.columns.get(x.id), client?.data.columns.get(y.id)];
  const ofWhich = groups.length > 0 ? 'all rows: ' : '';
  const found = single.equation
    ? equationOf(plot.line, displayName(x), displayName(y), significant, (share) => coefficientText(share))
    : null;
  const equation = found && `${ofWhich}${found}`;
  const margins = useMemo(() => {
    const [across, up] = [plot.marginals.get(x.id), plot.marginals.get(y.id)];
    return single.margins && across && up ? { x: across, y: up } : null;
  }, [plot.marginals, x.id, y.id, single.margins]);
  const facts = { study, rows: rowsInWords(study), x, y, third, share: settings.share, canSize: asShapes };
  const parts = withEditors(sentence(settings.single, facts), singleEditors(settings.single, facts, patch));
  const figure = xs &&
    ys &&
    places && {
      variables: { x, y },
      values: { x: xs, y: ys },
      places: asShapes ? places : [],
      opacity: plot.third.type === 'size' ? opacity * SIZED : opacity,
      fits: plot.fits,
      margins,
      equation,
      labels,
    };
  const build = useSingleExport(
    figure && client
      ? {
          data: client.data,
          third: plot.third,
          domains,
          figure,
          radius,
          legend: groups.map(({ label }) => label),
          title: `${axisLabel(y)} against ${axisLabel(x)}, ${study.name}`,
          caption: `${sentenceOf(parts)} n = ${n.toLocaleString('en-GB')}.`,
          margins: single.margins,
        }
      : null,
  );

  const toggle = (place: number) => {
    const row = (client?.data.rows[place] ?? 0) + 1;
    const { labels: before } = single;
    patch({ labels: before.includes(row) ? before.filter((item) => item !== row) : [...before, row] });
  };
  const nearest = (event: PointerEvent<Element>): number | null => {
    if (!asShapes || !xs || !ys || !places) return null;
    const box = event.currentTarget.getBoundingClientRect();
    const [atX, atY] = [event.clientX - box.left, event.clientY - box.top];
    let [found, smallest]: [number | null, number] = [null, REACH * REACH];
    for (const place of places) {
      const distance = (scales.x(xs[place] ?? 0) - atX) ** 2 + (scales.y(ys[place] ?? 0) - atY) ** 2;
      if (distance < smallest) [found, smallest] = [place, distance];
    }
    return found;
  };
  const hoveredRow = hovered === null ? null : (client?.data.rows[hovered] ?? 0) + 1;
  const name = useRowName(study, hoveredRow);
  const value = (variable: Variable) =>
    `${displayName(variable)} ${asMeasured(client?.data.columns.get(variable.id)?.[hovered ?? 0] ?? null)}${variable.unit ? ` ${variable.unit}` : ''}`;
  if (plot.error) return <FailureNotice error={plot.error} />;
  return (
    <>
      <MethodsLine parts={parts}>
        <PinButton
          study={study}
          pinned={{
            stage: 'scatterplots',
            thing: 'figure',
            title: sentenceOf(parts),
            request: null,
            settings: { ...settings, x: x.id, y: y.id },
          }}
        />
      </MethodsLine>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1 border-b border-rule px-5 py-1.5 text-[13px]">
        <ThirdLegend third={plot.third} groups={groups} />
        {plot.tooMany && third && <p className="text-caution">{displayName(third)} has too many groups to be told apart.</p>}
        <span className="ml-auto flex items-center gap-4">
          {!readOnly && asShapes && <LabelRows rows={study.rows} labels={single.labels} onChange={(next) => patch({ labels: next })} />}
          <button type="button" className="button-quiet" onClick={() => patch({ x: y.id, y: x.id })}>
            <ArrowLeftRight size={14} aria-hidden="true" /> Swap axes
          </button>
          <ExportFigureButton name={`${study.name} scatterplots`} build={build} />
        </span>
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls in a small window has to be reached by keys. */}
      <section ref={area} aria-label="Plot" tabIndex={0} className="min-h-0 flex-1 overflow-auto px-5 py-2" data-scrolls>
        {figure && client ? (
          <figure className="relative" style={{ width, height }}>
            {!asShapes && (
              <PointsPicture
                data={client.data}
                ids={[x.id, y.id]}
                domains={[domain(scales.x), domain(scales.y)]}
                frame={frame}
                third={plot.third}
              />
            )}
            <svg
              width={width}
              height={height}
              role="img"
              aria-label={`Scatterplot of ${axisLabel(y)} against ${axisLabel(x)}, ${n.toLocaleString('en-GB')} points${equation ? `: ${equation}` : ''}`}
              className="numerals relative"
              onPointerMove={(event) => setHovered(nearest(event))}
              onPointerLeave={() => setHovered(null)}
              onPointerUp={() => hovered !== null && !readOnly && toggle(hovered)}
            >
              <SingleFigure
                {...figure}
                frame={frame}
                x={scales.x}
                y={scales.y}
                styleOf={pointStyles(plot.third, client.data.groups, colours, radius)}
                palette={asShapes ? SCREEN : { ...SCREEN, surface: 'none' }}
              />
              {hovered !== null && xs && ys && (
                <circle
                  cx={scales.x(xs[hovered] ?? 0)}
                  cy={scales.y(ys[hovered] ?? 0)}
                  r={radius + 3}
                  fill="none"
                  stroke="var(--accent)"
                  strokeWidth={2}
                />
              )}
            </svg>
          </figure>
        ) : (
          <div role="status" aria-label="Drawing the points" className="rounded bg-rule/40" style={{ width, height }} />
        )}
      </section>
      <p className="numerals min-h-8 border-t border-rule px-5 py-1.5 text-[13px]" data-testid="row-under-pointer">
        {hovered === null ? (
          <span className="text-muted">
            {n.toLocaleString('en-GB')} rows have both values. {asShapes ? 'Press a point to write its name beside it.' : ''}
          </span>
        ) : (
          <>
            <strong>{name}</strong>:{' '}
            {[x, y, ...(third && client?.data.columns.has(third.id) && plot.third.type !== 'groups' ? [third] : [])].map(value).join(', ')}
          </>
        )}
      </p>
    </>
  );
}

function domain(scale: { domain: () => number[] }): [number, number] {
  const [low = 0, high = 1] = scale.domain();
  return [low, high];
}
