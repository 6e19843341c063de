import type { InfluenceResult } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES, type Method } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { analysisQuery } from '../api/queries';
import { FailureNotice } from '../controls/failure-notice';
import { Skeleton } from '../controls/skeleton';
import { asMeasuredAlike } from '../figures/as-measured';
import { coefficientText, fineCoefficientText, pText } from '../numbers/number-text';
import { PinButton } from '../pins/pin-button';
import { useReadOnly } from '../study/read-only';
import { rowInWords } from '../study/row-in-words';
import { SetAsideMenu } from '../study/set-aside-menu';
import { useStudyChanges } from '../study/use-study-changes';
import type { TableColumn, ValueTable } from '../tables/columns';
import { ValueTableView } from '../tables/value-table-view';
import { type PairContext, pairOf, pairWords, pinnedSection } from './pair-request';
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
  if (!data) return <Skeleton label="Looking for the points that matter" className="h-32" />;
  if (data.points.length === 0) return <p>No point can be left out: too few rows, or the coefficient is not defined.</p>;
  return <Points context={context} data={data} />;
}

type Point = InfluenceResult['points'][number];

function Points({ context, data }: { context: PairContext; data: InfluenceResult }) {
  const { study, method } = context;
  const [tried, setTried] = useState<ReadonlySet<number>>(new Set());
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const symbol = COEFFICIENTS[method].symbol;
  const carrying = data.points.find(({ row }) => row === data.carrying);
  const rows = [...tried].sort((a, b) => a - b);
  const setAside = (because: string, words: string) =>
    change.mutate(
      {
        change: { type: 'set-aside', choice: { rows: rows.map((row): [number, number] => [row, row]) }, because },
        ...(words ? { reason: words } : {}),
      },
      { onSuccess: () => setTried(new Set()) },
    );
  const nameOf = ({ row, name }: Point) => rowInWords(row, name);
  const tick = (row: number, ticked: boolean) => {
    const next = new Set(tried);
    if (ticked) next.add(row);
    else next.delete(row);
    setTried(next);
  };
  const alike = { x: asMeasuredAlike(data.points.map(({ x }) => x)), y: asMeasuredAlike(data.points.map(({ y }) => y)) };
  const table: ValueTable<Point> = {
    caption: 'Rows that change the coefficient most',
    columns: [
      {
        name: 'try without',
        nameInFile: 'row',
        shown: nameOf,
        exact: ({ row }) => row,
        onScreen: (point) => (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-accent"
              checked={tried.has(point.row)}
              onChange={(event) => tick(point.row, event.target.checked)}
            />
            {nameOf(point)}
          </label>
        ),
      },
      { name: 'x', shown: ({ x }) => alike.x(x), exact: ({ x }) => x },
      { name: 'y', shown: ({ y }) => alike.y(y), exact: ({ y }) => y },
      {
        name: `${symbol} without`,
        shown: ({ without }) => fineCoefficientText(without ?? Number.NaN),
        exact: ({ without }) => without,
      },
    ],
    rows: data.points,
  };
  return (
    <div data-testid="points-that-matter">
      {carrying && (
        <p className="mb-2">
          The coefficient is carried by {nameOf(carrying)}: {symbol} {coefficientText(data.coefficient ?? Number.NaN)} with it,{' '}
          {coefficientText(carrying.without ?? Number.NaN)} without.
        </p>
      )}
      <ValueTableView table={table} className="w-full text-[13px]" />
      <p className="mt-1 text-right text-[12px]">
        <PinButton study={study} pinned={pinnedSection(context, 'points', `Rows that matter for ${symbol} of ${pairWords(context)}`)} />
      </p>
      <p className="mt-1 text-[13px] text-muted">
        {symbol} = {fineCoefficientText(data.coefficient ?? Number.NaN)} with all {data.n} rows. Those that change it most stand first.
      </p>
      {rows.length > 0 && (
        <>
          <WithAndWithout context={context} rows={rows} />
          {!readOnly && (
            <SetAsideMenu
              label={`Set ${rows.length === 1 ? `row ${rows[0]}` : `these ${rows.length} rows`} aside …`}
              className="button mt-2"
              disabled={change.isPending}
              onChoose={setAside}
            />
          )}
        </>
      )}
    </div>
  );
}

function WithAndWithout({ context, rows }: { context: PairContext; rows: readonly number[] }) {
  const values = useWithout(context, rows);
  const { levels } = context.settings;
  const side = (when: 'before' | 'after', name: string): TableColumn<Method>[] => {
    const testOf = (method: Method) => values?.[when][method];
    return [
      {
        name,
        shown: (method) => fineCoefficientText(testOf(method)?.coefficient ?? Number.NaN),
        exact: (method) => testOf(method)?.coefficient ?? null,
        onScreen: (method) => onScreen(testOf(method), ({ coefficient }) => fineCoefficientText(coefficient)),
      },
      {
        name: 'p',
        nameInFile: `p, ${name}`,
        shown: (method) => pText(testOf(method)?.pValue ?? Number.NaN, levels),
        exact: (method) => testOf(method)?.pValue ?? null,
        onScreen: (method) => onScreen(testOf(method), ({ pValue }) => pText(pValue, levels)),
      },
    ];
    function onScreen<T>(test: T | undefined, write: (test: T) => string) {
      return <span className={when === 'after' ? 'font-semibold' : ''}>{test ? write(test) : '…'}</span>;
    }
  };
  const table: ValueTable<Method> = {
    caption: 'With and without the rows ticked',
    columns: [
      { name: '', nameInFile: 'coefficient', shown: (method) => COEFFICIENTS[method].symbol },
      ...side('before', 'with'),
      ...side('after', 'without'),
    ],
    rows: METHOD_NAMES,
  };
  return <ValueTableView table={table} className="mt-3 w-full text-[13px]" testId="with-and-without" tools={values !== null} />;
}
