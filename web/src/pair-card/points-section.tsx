import type { InfluenceResult } from '@ivlen/contract';
import { COEFFICIENTS, formatCoefficient, formatP, METHOD_NAMES } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { analysisQuery } from '../api/queries';
import { FailureNotice } from '../controls/failure-notice';
import { asMeasured } from '../figures/as-measured';
import { useReadOnly } from '../study/read-only';
import { useStudyChanges } from '../study/use-study-changes';
import { type PairContext, pairOf } from './pair-request';
import { useWithout } from './use-without';

/** The rows that matter most for the coefficient: what it becomes without each, or without several. */
export function PointsSection(context: PairContext) {
  const { study, method, settings } = context;
  const { data, error } = useQuery(
    analysisQuery(study.id, study.head, {
      kind: 'influence',
      ...pairOf(context),
      method,
      alternative: settings.alternative,
      alpha: settings.levels[0] ?? 0.05,
    }),
  );
  if (error) return <FailureNotice error={error} />;
  if (!data) return <div role="status" aria-label="Looking for the points that matter" className="h-32 rounded bg-rule/50" />;
  if (data.points.length === 0) return <p>No point can be left out: too few rows, or the coefficient is not defined.</p>;
  return <Points context={context} data={data} />;
}

function Points({ context, data }: { context: PairContext; data: InfluenceResult }) {
  const { study, method } = context;
  const [tried, setTried] = useState<ReadonlySet<number>>(new Set());
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const symbol = COEFFICIENTS[method].symbol;
  const carrying = data.points.find(({ row }) => row === data.carrying);
  const rows = [...tried].sort((a, b) => a - b);
  const setAside = () =>
    change.mutate(
      {
        change: {
          type: 'set-aside',
          choice: { rows: rows.map((row): [number, number] => [row, row]) },
          because: 'matters too much for a coefficient',
        },
      },
      { onSuccess: () => setTried(new Set()) },
    );
  return (
    <div data-testid="points-that-matter">
      {carrying && (
        <p className="mb-2">
          {carrying.name ?? `Row ${carrying.row}`} carries the coefficient: {symbol} {formatCoefficient(data.coefficient ?? Number.NaN)}{' '}
          with it, {formatCoefficient(carrying.without ?? Number.NaN)} without.
        </p>
      )}
      <table className="figures w-full text-[13px]">
        <thead>
          <tr className="border-b border-rule text-muted">
            <th scope="col" className="py-1 text-left font-normal">
              try without
            </th>
            <th scope="col" className="text-right font-normal">
              x
            </th>
            <th scope="col" className="text-right font-normal">
              y
            </th>
            <th scope="col" className="text-right font-normal">
              {symbol} without
            </th>
          </tr>
        </thead>
        <tbody>
          {data.points.map(({ row, name, x, y, without }) => (
            <tr key={row} className="border-b border-rule">
              <th scope="row" className="py-1 text-left font-normal">
                <label className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-4 accent-accent"
                    checked={tried.has(row)}
                    onChange={(event) => {
                      const next = new Set(tried);
                      if (event.target.checked) next.add(row);
                      else next.delete(row);
                      setTried(next);
                    }}
                  />
                  row {row}
                  {name && ` (${name})`}
                </label>
              </th>
              <td className="text-right">{asMeasured(x)}</td>
              <td className="text-right">{asMeasured(y)}</td>
              <td className="text-right">{formatCoefficient(without ?? Number.NaN, 3)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[13px] text-muted">
        {symbol} = {formatCoefficient(data.coefficient ?? Number.NaN, 3)} with all {data.n} rows. Those that change it most stand first.
      </p>
      {rows.length > 0 && (
        <>
          <WithAndWithout context={context} rows={rows} />
          {!readOnly && (
            <button type="button" className="button mt-2" disabled={change.isPending} onClick={setAside}>
              Set {rows.length === 1 ? `row ${rows[0]}` : `these ${rows.length} rows`} aside
            </button>
          )}
        </>
      )}
    </div>
  );
}

function WithAndWithout({ context, rows }: { context: PairContext; rows: readonly number[] }) {
  const figures = useWithout(context, rows);
  const { levels } = context.settings;
  return (
    <table className="figures mt-3 w-full text-[13px]" data-testid="with-and-without" aria-label="With and without the rows ticked">
      <thead>
        <tr className="border-b border-rule text-muted">
          <th scope="col" className="py-1 text-left font-normal" aria-label="Coefficient" />
          <th scope="col" className="text-right font-normal">
            with
          </th>
          <th scope="col" className="text-right font-normal">
            p
          </th>
          <th scope="col" className="text-right font-normal">
            without
          </th>
          <th scope="col" className="text-right font-normal">
            p
          </th>
        </tr>
      </thead>
      <tbody>
        {METHOD_NAMES.map((method) => {
          const [before, after] = [figures?.before[method], figures?.after[method]];
          return (
            <tr key={method} className="border-b border-rule">
              <th scope="row" className="py-1 text-left font-normal">
                {COEFFICIENTS[method].symbol}
              </th>
              {[before, after].flatMap((test, k) => [
                <td key={`${k}c`} className={`text-right ${k === 1 ? 'font-semibold' : ''}`}>
                  {test ? formatCoefficient(test.coefficient, 3) : '…'}
                </td>,
                <td key={`${k}p`} className={`text-right ${k === 1 ? 'font-semibold' : ''}`}>
                  {test ? formatP(test.pValue, levels) : '…'}
                </td>,
              ])}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
