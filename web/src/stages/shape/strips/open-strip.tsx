import { rowsInUse, type ShapeResult, type ShapeSettings, type Study } from '@ivlen/contract';
import { histogram, patternSentence } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useMemo, useState } from 'react';
import { rowsInUseQuery, valuesQuery } from '../../../api/queries';
import { FRAME, niceAxis } from '../../../figures/charts/nice-axis';
import { SaveFigure } from '../../../figures/export/save-figure';
import { formatMeasured } from '../../../figures/format-measured';
import { BoxFigure } from '../../../figures/marks/box-figure';
import { PinButton } from '../../../pins/pin-button';
import { useReadOnly } from '../../../study/read-only';
import { SetAsideMenu } from '../../../study/set-aside-menu';
import { useStudyChanges } from '../../../study/use-study-changes';
import { axisLabel } from '../../../study/variable-name';
import { pinnedShape } from '../pinned-shape';
import { OtherScales } from '../scales/other-scales';
import { rangeOf } from './range-of';
import type { StripSubject } from './shape-lines';

// Recharts comes with the first strip that is opened.
const LargeHistogram = lazy(async () => ({ default: (await import('./large-histogram')).LargeHistogram }));
const QuantileChart = lazy(async () => ({ default: (await import('../../../figures/charts/quantile-chart')).QuantileChart }));
const MOST_BINS = 100;
const OUTLIERS_LISTED = 12;

/** Of the histogram, and of the box plot under it on the same axis. */
const WIDTH = 500;

interface OpenStripProps {
  readonly study: Study;
  readonly subject: StripSubject;
  readonly name: string;
  readonly shape: ShapeResult;
  readonly settings: ShapeSettings;
}

/** A strip opened: histogram with counts and its own bins, box plot, the quantile plot large with what it means, the outliers by row. */
export function OpenStrip({ study, subject, name, shape, settings }: OpenStripProps) {
  const { variable, group } = subject;
  const [scales, setScales] = useState(false);
  const [bins, setBins] = useState<number | null>(null);
  const own = useOwnBins(study, subject, bins);
  const { description, quantiles } = shape;
  const { edges } = own ?? shape.histogram;
  const width = (edges[1] ?? 0) - (edges[0] ?? 0);
  return (
    <section aria-label={`Shape of ${name}`} className="grid grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)] gap-8 pt-1 pb-5 pl-5">
      <div>
        <SaveFigure
          name={`histogram of ${name}`}
          caption={`Histogram of ${name}, n = ${description.n}, with kernel density and normal curve (dashed).`}
        >
          <Suspense fallback={<div className="h-[210px] rounded bg-rule/40" />}>
            <LargeHistogram
              shape={shape}
              name={axisLabel(variable)}
              width={WIDTH}
              height={210}
              label={`Histogram of ${name} with counts`}
              bins={own ?? shape.histogram}
            />
          </Suspense>
        </SaveFigure>
        <label className="mt-1 flex items-center gap-2 text-[13px] text-muted">
          Bins
          <input
            type="range"
            min={2}
            max={MOST_BINS}
            className="w-44 accent-accent"
            value={bins ?? shape.histogram.counts.length}
            onChange={(event) => setBins(Number(event.target.value))}
          />
          <span className="numerals">
            {(own ?? shape.histogram).counts.length}
            {width > 0 && `, each ${formatMeasured(width, width, null)}${variable.unit ? ` ${variable.unit}` : ''} wide`}
          </span>
          {bins !== null && (
            <button type="button" className="button-quiet" onClick={() => setBins(null)}>
              As the rule has it
            </button>
          )}
        </label>
        <SaveFigure name={`box plot of ${name}`} caption={`Box plot of ${name}, n = ${description.n}.`}>
          <BoxFigure
            shape={shape}
            along={niceAxis(rangeOf(shape, edges), WIDTH - FRAME.left - FRAME.right)}
            width={WIDTH}
            height={46}
            label={`Box plot of ${name}`}
          />
        </SaveFigure>
        <Outliers study={study} name={name} shape={shape} />
      </div>
      <div>
        <SaveFigure
          name={`normal quantile plot of ${name}`}
          caption={`Normal quantile plot of ${name}, n = ${description.n}, with the band that holds all points of 95 in 100 normal samples.`}
        >
          <Suspense fallback={<div className="h-[270px] rounded bg-rule/40" />}>
            <QuantileChart quantiles={shape.quantiles} width={350} height={270} label={`Normal quantile plot of ${name}`} />
          </Suspense>
        </SaveFigure>
        <p className="mt-1 max-w-[360px] font-serif text-[16px] leading-snug">{patternSentence(quantiles.pattern, description.distinct)}</p>
        <p className="mt-1 text-[13px] text-muted">
          {quantiles.outside === 0 ? 'No point' : quantiles.outside === 1 ? 'One point' : `${quantiles.outside} points`} outside the band,
          which holds all points of 95 in 100 normal samples of this size.
        </p>
        <p className="mt-3 flex items-center gap-4 text-[13px]">
          {!group && variable.derivation?.type !== 'scale' && (
            <button type="button" className="button text-[14px]" aria-expanded={scales} onClick={() => setScales(!scales)}>
              Other scales of {name}
            </button>
          )}
          <PinButton
            study={study}
            pinned={pinnedShape([variable], settings, 'each', `Shape of ${name}`, group ? { group: group.value, perGroup: true } : {})}
          />
        </p>
      </div>
      {scales && <OtherScales study={study} variable={variable} settings={settings} />}
    </section>
  );
}

/** Bins of another number than the rule's, counted here from the values. */
function useOwnBins(study: Study, { variable, group }: StripSubject, bins: number | null) {
  const restricted = rowsInUse(study) < study.rows;
  const wanted = bins !== null;
  const { data: values } = useQuery({ ...valuesQuery(study, variable.id), enabled: wanted });
  const { data: groups } = useQuery({ ...valuesQuery(study, group?.by ?? ''), enabled: wanted && group !== null });
  const { data: rows } = useQuery({ ...rowsInUseQuery(study), enabled: wanted && restricted });
  return useMemo(() => {
    if (bins === null || !values || (restricted && !rows) || (group && !groups)) return null;
    const used = rows ? Float64Array.from(rows, (row) => values[row] ?? Number.NaN) : values;
    const inGroup = group ? used.filter((_, i) => groups?.[rows ? (rows[i] ?? 0) : i] === group.value) : used;
    const { edges, counts } = histogram(inGroup, { about: bins });
    return { edges: [...edges], counts: [...counts] };
  }, [bins, values, rows, restricted, group, groups]);
}

/** The values outside the fences, by row, to be set aside from here. */
interface OutliersProps {
  readonly study: Study;
  readonly name: string;
  readonly shape: ShapeResult;
}

function Outliers({ study, name, shape }: OutliersProps) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const { outside, more } = shape.box;
  if (outside.length === 0) return <p className="mt-2 text-[13px] text-muted">No value lies outside the fences of the box plot.</p>;
  const hidden = outside.length - OUTLIERS_LISTED + more;
  return (
    <>
      <h3 className="mt-3 text-[13px] font-normal text-muted">Outside the fences, the furthest first</h3>
      <ul className="flex flex-wrap gap-x-5 gap-y-0.5" aria-label={`Outliers of ${name}`}>
        {outside.slice(0, OUTLIERS_LISTED).map(({ row, name: called, value, far }) => (
          <li key={row} className="numerals flex items-baseline gap-1.5">
            <span className={far ? 'text-caution' : ''}>
              row {row.toLocaleString('en-GB')}
              {called !== null && ` (${called})`}: {String(value).replace('-', '−')}
            </span>
            {!readOnly && (
              <SetAsideMenu
                label="set aside …"
                name={`Set row ${row} aside`}
                className="button-quiet text-[13px]"
                disabled={change.isPending}
                onChoose={(because, words) =>
                  change.mutate({
                    change: { type: 'set-aside', choice: { rows: [[row, row]] }, because },
                    ...(words ? { reason: words } : {}),
                  })
                }
              />
            )}
          </li>
        ))}
      </ul>
      {hidden > 0 && <p className="text-[13px] text-muted">and {hidden.toLocaleString('en-GB')} more</p>}
    </>
  );
}
