import { ArrowLeftRight } from 'lucide-react';
import { useRef } from 'react';
import { FailureNotice } from '../controls/failure-notice';
import { Skeleton } from '../controls/skeleton';
import { useElementWidth } from '../controls/use-element-width';
import { displayName } from '../study/variable-name';
import type { ArrangementProps } from './arrangement';
import { PairSections, PairSummary } from './pair-content';
import { PairPlot } from './pair-plot';
import { pairContext } from './pair-request';
import { usePairResult } from './use-pair-result';
import type { Pair } from './use-pair-selection';

const PLOT = { least: 380, most: 560 };

/** One pair that fills the main area: with two variables ticked, it is the whole job. */
export function PairArea({
  study,
  settings,
  variables,
  selection,
  pair,
}: Pick<ArrangementProps, 'study' | 'settings' | 'variables' | 'selection'> & { readonly pair: Pair }) {
  const area = useRef<HTMLDivElement>(null);
  const width = useElementWidth(area);
  const context = pairContext(study, pair, settings, variables, null);
  const { result, error } = usePairResult(context);
  const plot = Math.max(PLOT.least, Math.min(PLOT.most, width - 420));
  return (
    <div
      ref={area}
      role="region"
      aria-label={`Pair ${displayName(pair.x)} and ${displayName(pair.y)}`}
      className="flex flex-wrap gap-8 pb-6"
    >
      <div style={{ width: plot }}>
        <h2 className="mb-2 text-[18px]">
          {displayName(pair.x)} × {displayName(pair.y)}
        </h2>
        <PairPlot context={context} result={result} width={plot} />
        <button type="button" className="button-quiet mt-2.5 text-[13px]" onClick={() => selection.show({ x: pair.y, y: pair.x })}>
          <ArrowLeftRight size={14} aria-hidden="true" /> Swap axes
        </button>
        {result && <PairSections context={context} variables={variables} result={result} second={null} />}
      </div>
      <div className="min-w-80 max-w-xl flex-1">
        {error && <FailureNotice error={error} />}
        {result && <PairSummary context={context} result={result} />}
        {!result && !error && <Skeleton label="Computing the pair" className="h-64" />}
      </div>
    </div>
  );
}
