import type { ShapeResult, ShapeSettings, Study, Variable } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { memo, useMemo, useRef } from 'react';
import { analysisQuery } from '../../../api/queries';
import { Skeleton } from '../../../controls/skeleton';
import { formatMeasured } from '../../../figures/format-measured';
import { type Domain, HistogramFigure } from '../../../figures/marks/histogram-figure';
import { QuantileFigure } from '../../../figures/marks/quantile-figure';
import { pRelationText } from '../../../numbers/number-text';
import { displayName } from '../../../study/variable-name';
import { TESTS } from '../test-words';
import { OpenStrip } from './open-strip';
import { verdictOf } from './shape-columns';
import { type StripSubject, shapeRequest } from './shape-lines';
import { useInView } from './use-in-view';

/** Name, histogram, quantile plot, six numbers, verdict: the same widths in the head and in every strip. */
export const STRIP_COLUMNS = '120px 200px 74px repeat(3, 56px) 66px 66px 84px minmax(112px, 1fr)';
const STRIP_HEIGHT = 72;
const HISTOGRAM_WIDTH = 200;

interface ShapeStripProps {
  readonly study: Study;
  readonly subject: StripSubject;
  readonly settings: ShapeSettings;
  readonly open: boolean;
  readonly onToggle: (subject: StripSubject, open: boolean) => void;
}

/** One variable, or a group's part of it, as a strip: drawn, in numbers, and judged; computed when it comes into view. */
export const ShapeStrip = memo(function ShapeStrip({ study, subject, settings, open, onToggle }: ShapeStripProps) {
  const { variable, group } = subject;
  const row = useRef<HTMLDivElement>(null);
  const seen = useInView(row);
  const { data, error } = useQuery({
    ...analysisQuery(study.id, study.head, shapeRequest(subject)),
    enabled: seen,
    // What was drawn stays until its successor is there; what is open stays open.
    placeholderData: keepPreviousData,
  });
  // A group is drawn on the axis of all rows, so that groups can be compared by eye.
  const { data: pooled } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'shape', variable: variable.id }),
    enabled: seen && group !== null,
  });
  const [min, max] = [pooled?.description.min ?? null, pooled?.description.max ?? null];
  const domain = useMemo(() => (group && min !== null ? ([min, max] as const) : null), [group, min, max]);
  const name = group ? `${displayName(variable)}, ${group.label}` : displayName(variable);
  return (
    <div ref={row} role="rowgroup" className="border-b border-rule">
      <div role="row" className="grid items-center gap-x-2 py-1" style={{ gridTemplateColumns: STRIP_COLUMNS, minHeight: STRIP_HEIGHT }}>
        <div role="rowheader" className="min-w-0">
          <button
            type="button"
            className="flex w-full items-start gap-1 text-left hover:text-accent"
            aria-expanded={open}
            onClick={() => onToggle(subject, !open)}
          >
            {open ? <ChevronDown size={14} className="mt-1 shrink-0" /> : <ChevronRight size={14} className="mt-1 shrink-0" />}
            <span className="min-w-0">
              {group ? (
                <span className="block pl-3 leading-tight break-words">
                  <span className="sr-only">{displayName(variable)}, </span>
                  {group.label}
                </span>
              ) : (
                <span className="block leading-tight font-semibold break-words">{name}</span>
              )}
              <span className={`numerals block text-[12px] text-muted ${group ? 'pl-3' : ''}`}>
                {[group ? null : variable.unit, data && `n ${data.description.n.toLocaleString('en-GB')}`].filter(Boolean).join(' · ')}
                {data && data.description.missing > 0 && <span className="block">{data.description.missing} missing</span>}
              </span>
            </span>
          </button>
        </div>
        {data ? (
          <Figures shape={data} variable={variable} name={name} settings={settings} domain={domain} />
        ) : (
          <div role="cell" className="col-span-9">
            {error ? <p className="text-caution">{error.message}</p> : <Skeleton label={`Computing ${name}`} className="h-14" />}
          </div>
        )}
      </div>
      {open && data && (
        <div role="row">
          <div role="cell">
            <OpenStrip study={study} subject={subject} name={name} shape={data} settings={settings} />
          </div>
        </div>
      )}
    </div>
  );
});

interface FiguresProps {
  readonly shape: ShapeResult;
  readonly variable: Variable;
  readonly name: string;
  readonly settings: ShapeSettings;
  readonly domain: Domain | null;
}

function Figures({ shape, variable, name, settings, domain }: FiguresProps) {
  const { description: d, quantiles } = shape;
  const verdict = verdictOf(shape, settings);
  const measured = (value: number | null) => formatMeasured(value, d.sd, variable.decimals);
  return (
    <>
      <div role="cell">
        <HistogramFigure
          shape={shape}
          width={HISTOGRAM_WIDTH}
          height={STRIP_HEIGHT - 8}
          domain={domain}
          label={`Histogram of ${name}: from ${measured(d.min)} to ${measured(d.max)}, middle half from ${measured(d.q1)} to ${measured(d.q3)}, ${shape.box.outside.length + shape.box.more} outside the fences`}
        />
      </div>
      <div role="cell">
        <QuantileFigure
          shape={shape}
          width={72}
          height={STRIP_HEIGHT - 8}
          label={`Normal quantile plot of ${name}: ${quantiles.outside} points outside the band`}
        />
      </div>
      <Figure>{measured(d.mean)}</Figure>
      <Figure>{measured(d.sd)}</Figure>
      <Figure>{measured(d.median)}</Figure>
      <Figure of={d.skewnessSe}>{fixed(d.skewness)}</Figure>
      <Figure of={d.excessKurtosisSe}>{fixed(d.excessKurtosis)}</Figure>
      <TestFigure shape={shape} settings={settings} />
      <div role="cell" className={`text-[13px] leading-snug ${verdict.marked ? 'text-caution' : ''}`}>
        {verdict.marked && <span aria-hidden="true">▲ </span>}
        {verdict.words}
      </div>
    </>
  );
}

/** A figure, with its standard error below where it has one. */
function Figure({ children, of = undefined }: { children: string; of?: number | null }) {
  return (
    <div role="cell" className="numerals text-right">
      {children}
      {of !== undefined && <span className="block text-[12px] text-muted">SE {fixed(of)}</span>}
    </div>
  );
}

const WHY_NOT = {
  'too-few-cases': 'too few cases',
  'too-many-cases': 'no p above 5,000',
  constant: 'one value',
  singular: 'not defined',
} as const;

function TestFigure({ shape, settings: { test, level } }: { shape: ShapeResult; settings: ShapeSettings }) {
  if (test === null) return <Figure>–</Figure>;
  const { statistic, pValue, undefinedBecause } = shape.tests[test];
  const rejected = pValue !== null && pValue <= level;
  return (
    <div role="cell" className="numerals text-right">
      {statistic === null
        ? '–'
        : `${TESTS[test].symbol} ${statistic < 1 ? formatFixed(statistic, 3).replace(/^0/, '') : formatFixed(statistic, 2)}`}
      <span className={`block text-[12px] ${rejected ? 'font-semibold' : 'text-muted'}`}>
        {pValue === null ? WHY_NOT[undefinedBecause ?? 'singular'] : `${pRelationText(pValue, [level])}`}
      </span>
    </div>
  );
}

function fixed(value: number | null): string {
  return value === null ? '–' : formatFixed(value, 2);
}
