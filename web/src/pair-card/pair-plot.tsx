import { type PairResult, rowsInUse, type Study, type Variable } from '@ivlen/contract';
import { useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { rowsInUseQuery, valuesQuery } from '../api/queries';
import { Scatterplot } from '../figures/scatterplot';
import { FailureNotice } from '../frame/failure-notice';
import type { Pair } from '../stages/correlations/use-pair-selection';
import { displayName } from '../variable-name';
import { usedRows } from './used-rows';

interface PairPlotProps {
  readonly study: Study;
  readonly pair: Pair;
  /** Under listwise deletion, the variables that a row must be complete for. */
  readonly completeFor: readonly string[];
  /** null while it is computed. */
  readonly line: PairResult['line'] | null;
  readonly width: number;
}

/** The scatterplot of the pair, over the rows that its coefficient uses. */
export function PairPlot({ study, pair: { x, y }, completeFor, line, width }: PairPlotProps) {
  const ids = [...new Set([x.id, y.id, ...completeFor])];
  const columns = useQueries({
    queries: ids.map((id) => valuesQuery(study.id, study.head, id)),
    combine: (results) => ({
      values: results.every(({ data }) => data) ? results.flatMap(({ data }) => data ?? []) : null,
      error: results.find(({ error }) => error)?.error ?? null,
    }),
  });
  const restricted = rowsInUse(study) < study.rows;
  const { data: inUse } = useQuery({ ...rowsInUseQuery(study.id, study.head), enabled: restricted });
  const points = useMemo(() => {
    if (!columns.values || (restricted && !inUse)) return null;
    const [xs, ys] = columns.values;
    return xs && ys ? { x: xs, y: ys, rows: usedRows(columns.values, inUse) } : null;
  }, [columns.values, restricted, inUse]);
  const height = Math.round(width * 0.72);
  if (columns.error && !points) return <FailureNotice error={columns.error} />;
  if (!points) return <div role="status" aria-label="Drawing the points" className="rounded bg-rule/40" style={{ height }} />;
  return (
    <Scatterplot
      points={points}
      line={line?.slope != null && line.intercept != null ? { slope: line.slope, intercept: line.intercept } : null}
      xLabel={axisLabel(x)}
      yLabel={axisLabel(y)}
      width={width}
      height={height}
    />
  );
}

function axisLabel(variable: Variable): string {
  return variable.unit ? `${displayName(variable)}, ${variable.unit}` : displayName(variable);
}
