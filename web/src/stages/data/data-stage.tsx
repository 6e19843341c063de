import type { Study } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { useSearchParams } from 'react-router';
import { analysisQuery } from '../../api/queries';
import { ViewBar } from '../../controls/view-bar';
import { useReadOnly } from '../../study/read-only';
import { BringInMenu } from './bring-in/bring-in-menu';
import { Codebook } from './codebook/codebook';
import { MissingOverview } from './review/missing-overview';
import { SuspiciousList } from './review/suspicious-list';
import { RowsView } from './rows/rows-view';
import { VIEWS } from './views';

const ExportDialog = lazy(async () => ({ default: (await import('../../exports/export-dialog')).ExportDialog }));

const CELLS_LOOKED_THROUGH = 1_000_000;
type View = (typeof VIEWS)[number]['id'];

/** The Data stage: the rows, the codebook, what should be looked at, and what is missing. */
export function DataStage({ study }: { study: Study }) {
  const [params, setParams] = useSearchParams();
  const view = VIEWS.find(({ id }) => id === params.get('view'))?.id ?? 'rows';
  const open = (next: View, more: Record<string, string> = {}) => setParams({ ...(next === 'rows' ? {} : { view: next }), ...more });
  return (
    <section aria-label="Data" className="flex min-w-0 flex-1 flex-col">
      <DataViews study={study} view={view} onOpen={open} />
      {view === 'rows' ? (
        <RowsView key={study.id} study={study} onOpenEntry={(variable) => open('codebook', { entry: variable })} />
      ) : (
        <div className="min-h-0 flex-1 overflow-y-auto px-6 py-5">
          <div className="mx-auto max-w-5xl">
            {view === 'codebook' && <Codebook study={study} />}
            {view === 'check' && <SuspiciousList study={study} onShowRow={(row) => open('rows', { row: String(row) })} />}
            {view === 'missing' && <MissingOverview study={study} />}
          </div>
        </div>
      )}
    </section>
  );
}

function DataViews({ study, view, onOpen }: { study: Study; view: View; onOpen: (view: View) => void }) {
  // In a large table looking through everything takes seconds of computing; there it waits until it is asked for.
  const isCheap = study.rows * study.state.variables.length <= CELLS_LOOKED_THROUGH;
  const { data } = useQuery({ ...analysisQuery(study.id, study.head, { kind: 'suspicious' }), enabled: isCheap || view === 'check' });
  const readOnly = useReadOnly();
  const [exporting, setExporting] = useState(false);
  const toCheck = data ? data.suspicions.length + data.more : 0;
  return (
    <ViewBar label="Parts of the Data stage" views={VIEWS} current={view} onOpen={onOpen} counts={{ check: toCheck }}>
      {!readOnly && <BringInMenu study={study} />}
      <button type="button" className="button-quiet text-[13px]" onClick={() => setExporting(true)}>
        <Download size={14} aria-hidden="true" /> Export …
      </button>
      {exporting && (
        <Suspense fallback={null}>
          <ExportDialog study={study} onClose={() => setExporting(false)} />
        </Suspense>
      )}
    </ViewBar>
  );
}
