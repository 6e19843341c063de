import type { PairResult } from '@ivlen/contract';
import { concentrationEllipse } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery } from '../api/queries';
import { percent } from '../coefficients/cell-data';
import { FailureNotice } from '../controls/failure-notice';
import { useRemembered } from '../controls/use-remembered';
import { SaveFigure } from '../figures/export/save-figure';
import { Scatterplot } from '../figures/scatterplot';
import { tiedPoints } from '../figures/tied-points';
import { axisLabel, displayName } from '../study/variable-name';
import { fittedLine } from './fitted-line';
import { type PairContext, pairOf } from './pair-request';
import { usePairPoints } from './use-pair-points';

interface PairPlotProps {
  readonly context: PairContext;
  /** null while it is computed. */
  readonly result: PairResult | null;
  readonly width: number;
}

/** With more points than this each has the same size. */
const MOST_SIZED = 2000;
const SHARES = [0.5, 0.9, 0.95, 0.99];

/** The scatterplot of the pair, over the rows that its coefficient uses, with what is laid over it. */
export function PairPlot({ context, result, width }: PairPlotProps) {
  const { study, pair, completeFor, settings } = context;
  const [line, setLine] = useRemembered<boolean>('plot.line', true);
  const [curve, setCurve] = useRemembered<boolean>('plot.curve', false);
  const [bend, setBend] = useRemembered<boolean>('plot.parabola', true);
  const [ellipse, setEllipse] = useRemembered<boolean>('plot.ellipse', false);
  const [share, setShare] = useRemembered<number>('plot.share', 0.95);
  const { points, error } = usePairPoints(study, pair, completeFor);
  const { data: model } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'line', ...pairOf(context), level: settings.level }),
    enabled: line || curve || bend,
  });
  const mostTied = useMemo(() => (points && points.rows.length <= MOST_SIZED ? tiedPoints(points).most : 1), [points]);
  const height = Math.round(width * 0.72);
  if (error && !points) return <FailureNotice error={error} />;
  if (!points) return <div role="status" aria-label="Drawing the points" className="rounded bg-rule/40" style={{ height }} />;
  return (
    <>
      <SaveFigure
        name={`${displayName(pair.x)} and ${displayName(pair.y)}`}
        caption={`Scatterplot of ${axisLabel(pair.y)} against ${axisLabel(pair.x)}, n = ${points.rows.length}.`}
      >
        <Scatterplot
          points={points}
          line={line ? fittedLine(result) : null}
          band={line ? model?.band : undefined}
          smooth={curve ? model?.smooth : undefined}
          parabola={bend ? model?.parabola?.points : undefined}
          ellipse={ellipse && settings.control.length === 0 ? ellipseOf(result, share) : null}
          study={study}
          xLabel={axisLabel(pair.x)}
          yLabel={axisLabel(pair.y)}
          width={width}
          height={height}
        />
      </SaveFigure>
      {points.rows.length <= MOST_SIZED && mostTied > 1 && (
        <p className="numerals mt-1 text-[13px] text-muted">A larger point stands for several cases, up to {mostTied} here.</p>
      )}
      <fieldset className="mt-1 flex flex-wrap gap-x-4 gap-y-2.5 text-[13px] text-muted" aria-label="Laid over the points">
        <Toggle checked={line} onChange={setLine}>
          line with band
        </Toggle>
        <Toggle checked={curve} onChange={setCurve}>
          smooth curve
        </Toggle>
        {model?.parabola && (
          <Toggle checked={bend} onChange={setBend}>
            parabola
          </Toggle>
        )}
        <Toggle checked={ellipse} onChange={setEllipse}>
          ellipse
        </Toggle>
        {ellipse && (
          <label>
            that holds{' '}
            <select
              aria-label="Share of cases in the ellipse"
              className="rounded border border-transparent bg-transparent text-accent hover:border-edge"
              value={String(share)}
              onChange={(event) => setShare(Number(event.target.value))}
            >
              {SHARES.map((item) => (
                <option key={item} value={String(item)} className="bg-surface text-ink">
                  {percent(item)}
                </option>
              ))}
            </select>{' '}
            of cases if the two are jointly normal
          </label>
        )}
      </fieldset>
    </>
  );
}

function Toggle(props: { checked: boolean; onChange: (on: boolean) => void; children: string }) {
  return (
    <label className="flex items-center gap-1.5">
      <input
        type="checkbox"
        className="size-3.5 accent-accent"
        checked={props.checked}
        onChange={(event) => props.onChange(event.target.checked)}
      />
      {props.children}
    </label>
  );
}

/** The ellipse that holds a share of the cases if the two are jointly normal. */
function ellipseOf(result: PairResult | null, share: number) {
  const r = result?.tests.pearson.coefficient;
  if (!result || r == null || result.x.mean === null || result.y.mean === null || !result.x.sd || !result.y.sd) return null;
  return concentrationEllipse({ meanX: result.x.mean, meanY: result.y.mean, sdX: result.x.sd, sdY: result.y.sd, r }, share);
}
