import { type Study, subsetInWords, type Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { Filter, Plus } from 'lucide-react';
import { lazy, Suspense, useEffect, useState } from 'react';
import { useLocation, useSearchParams } from 'react-router';
import { positionQuery } from '../../../api/queries';
import { useRemembered } from '../../../controls/use-remembered';
import { useReadOnly } from '../../../study/read-only';
import { type RowSelection, selectedIn } from '../../../study/row-selection';
import { LastDecision } from '../../../trail/last-decision';
import { DescribePanel } from './describe-panel';
import { FindBar, useFound } from './find-bar';
import type { Place } from './grid-cursor';
import { RowsGrid } from './rows-grid';
import { SelectionBar } from './selection-bar';
import { useRowOrder } from './use-row-order';

const SubsetDialog = lazy(async () => ({ default: (await import('../../../in-use/subset-dialog')).SubsetDialog }));
const DeriveDialog = lazy(async () => ({ default: (await import('../derive/derive-dialog')).DeriveDialog }));

/** The table itself, with what finds, narrows and extends it. */
export function RowsView({ study, onOpenEntry }: { study: Study; onOpenEntry: (variable: string) => void }) {
  const readOnly = useReadOnly();
  const [openedAt] = useState(study.head);
  const [params, setParams] = useSearchParams();
  const { order, sortBy } = useRowOrder(study);
  const [cursor, setCursor] = useState<Place>({ position: 0, column: 0 });
  const location = useLocation();
  const [selection, setSelection] = useState<RowSelection>(() => selectedIn(location.state));
  const [foot, setFoot] = useRemembered<boolean>('rows.foot', false);
  const [subsetOpen, setSubsetOpen] = useState(false);
  const [deriving, setDeriving] = useState<{ from: Variable | null; redefine: boolean } | null>(null);
  const wantedRow = Number(params.get('row'));
  const { data: wanted } = useQuery({
    ...positionQuery(study.id, study.head, order, wantedRow),
    enabled: Number.isInteger(wantedRow) && wantedRow >= 1 && wantedRow <= study.rows,
  });
  const wantedPosition = wanted?.position;
  useEffect(() => {
    if (wantedPosition !== undefined) setCursor({ position: wantedPosition, column: 0 });
  }, [wantedPosition]);
  const text = params.get('find') ?? '';
  const found = useFound(study, order, text);
  const described = study.state.variables.find(({ id }) => id === params.get('describe'));
  const set = (name: string, value: string | null) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        if (value) next.set(name, value);
        else next.delete(name);
        return next;
      },
      { replace: true },
    );
  const sorted = study.state.variables.find(({ id }) => id === order.sort);
  return (
    <div className="flex min-h-0 flex-1">
      <div className="flex min-w-0 flex-1 flex-col">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-rule px-5 py-2">
          <FindBar study={study} order={order} text={text} onText={(wanted) => set('find', wanted)} found={found} onGo={setCursor} />
          <button type="button" className="button py-0.5" onClick={() => setSubsetOpen(true)} disabled={readOnly}>
            <Filter size={14} aria-hidden="true" /> {study.state.subset ? 'Change the subset' : 'Rows by rules'}
          </button>
          <button type="button" className="button py-0.5" onClick={() => setDeriving({ from: null, redefine: false })} disabled={readOnly}>
            <Plus size={14} aria-hidden="true" /> Derive a variable
          </button>
          <label className="flex items-center gap-1.5 text-[13px] text-muted">
            <input type="checkbox" className="size-3.5 accent-accent" checked={foot} onChange={(event) => setFoot(event.target.checked)} />
            means under the columns
          </label>
          {sorted && (
            <span className="text-[13px] text-muted">
              Sorted by {sorted.name}, for looking only.{' '}
              <button type="button" className="button-quiet" onClick={() => sortBy(null)}>
                Back to row order
              </button>
            </span>
          )}
        </div>
        {study.state.subset && (
          <p className="border-b border-rule px-5 py-1.5 font-serif text-[15px]" data-testid="subset-in-use">
            Only rows where {subsetInWords(study.state.subset, study.state.variables)} are computed with; the others are shown fainter.
          </p>
        )}
        <RowsGrid
          study={study}
          order={order}
          cursor={cursor}
          onCursor={setCursor}
          selection={selection}
          onSelect={setSelection}
          found={found}
          foot={foot}
          head={{
            onSort: sortBy,
            onDescribe: (variable) => set('describe', variable),
            onOpenEntry,
            onDefine: (from, redefine) => setDeriving({ from, redefine }),
          }}
        />
        {selection.size > 0 && !readOnly ? (
          <SelectionBar study={study} selection={selection} onClear={() => setSelection(new Set())} />
        ) : (
          <LastDecision study={study} since={openedAt} />
        )}
      </div>
      {described && <DescribePanel study={study} variable={described} onClose={() => set('describe', null)} />}
      <Suspense fallback={null}>
        {subsetOpen && <SubsetDialog study={study} onClose={() => setSubsetOpen(false)} />}
        {deriving && <DeriveDialog study={study} from={deriving.from} redefine={deriving.redefine} onClose={() => setDeriving(null)} />}
      </Suspense>
    </div>
  );
}
