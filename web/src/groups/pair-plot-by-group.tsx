import type { AnalysisInput, CorrelationSettings, Study } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../api/queries';
import { FailureNotice } from '../controls/failure-notice';
import { Skeleton } from '../controls/skeleton';
import { SaveFigure } from '../figures/export/save-figure';
import { GroupScatterplot } from '../figures/group-scatterplot';
import { groupShape, groupToken } from '../figures/group-styles';
import { Marker } from '../figures/marks/marker';
import type { TakingPart } from '../settings/use-grouping';
import { axisLabel, displayName } from '../study/variable-name';
import { type ComparedPair, pairName, type ShownGroup, withAxes } from './compared-pairs';
import { lineAt } from './slopes';
import { useGroupPoints } from './use-group-points';

export interface PairByGroupProps {
  readonly study: Study;
  readonly pair: ComparedPair;
  readonly groups: readonly ShownGroup[];
  readonly taking: TakingPart;
  readonly settings: CorrelationSettings;
  /** Rows have to be complete for these as well. */
  readonly completeFor: string[];
  /** Of the place it has. */
  readonly width: number;
  /** Whether x and y are exchanged. */
  readonly turned?: boolean;
}

/** What is asked of an opened pair: slopes, spreads, every two groups. */
export function closerRequest({ pair, taking, settings: { level, adjust }, completeFor, turned = false }: PairByGroupProps) {
  const { x, y } = withAxes(pair, turned);
  return {
    kind: 'subgroup-pair',
    x: x.id,
    y: y.id,
    rows: { completeFor, group: null },
    groups: taking.request,
    method: pair.method,
    level,
    adjust: adjust === 'none' ? 'holm' : adjust,
  } as const satisfies AnalysisInput;
}

/** The points of a pair by group, with a line of each. */
export function PairPlotByGroup(props: PairByGroupProps) {
  const { study, pair, groups, taking, completeFor, width, turned = false } = props;
  const { x, y } = withAxes(pair, turned);
  const { data: details } = useQuery(analysisQuery(study.id, study.head, closerRequest(props)));
  const { drawn, error } = useGroupPoints(study, { x, y }, taking, groups, completeFor);
  const height = Math.round(Math.min(width * 0.72, 330));
  if (error && !drawn) return <FailureNotice error={error} />;
  if (!drawn) return <Skeleton label="Drawing the points" className="w-full" height={height} />;
  const { slope = null, intercept = null } = details?.slopes.pooled ?? {};
  return (
    <>
      <SaveFigure
        name={`${pairName(pair)} by ${displayName(taking.by)}`}
        caption={`Scatterplot of ${axisLabel(y)} against ${axisLabel(x)} by ${displayName(taking.by)}, n = ${drawn.points.rows.length}; a line for each group, dashed for all of them.`}
      >
        <GroupScatterplot
          {...drawn}
          groups={groups.map(({ label, style }, place) => ({ label, style, line: details ? lineAt(details, groups, place) : null }))}
          pooled={slope === null || intercept === null ? null : { slope, intercept }}
          study={study}
          xLabel={axisLabel(x)}
          yLabel={axisLabel(y)}
          width={width}
          height={height}
        />
      </SaveFigure>
      <p className="mt-1 flex flex-wrap gap-x-3 text-[12px] text-muted">
        {groups.map(({ label, style }) => (
          <span key={label} className="inline-flex items-center gap-1">
            <Marker shape={groupShape(style)} colour={`var(${groupToken(style)})`} /> {label}
          </span>
        ))}
        <span className="inline-flex items-center gap-1">
          <svg width={18} height={8} aria-hidden="true">
            <path d="M0 4H18" stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="6 4" />
          </svg>
          all of them
        </span>
      </p>
    </>
  );
}
