import { type CorrelationSettings, methodForPair, type PairResult, type Study } from '@ivlen/contract';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ArrowLeftRight, X } from 'lucide-react';
import { useEffect } from 'react';
import { analysisQuery } from '../api/queries';
import { FailureNotice } from '../frame/failure-notice';
import { isTyping, singleKeysAreOn } from '../frame/keyboard';
import { ResizeHandle } from '../frame/resize-handle';
import { Hint } from '../frame/tooltip';
import { useRemembered } from '../frame/use-remembered';
import type { WorkingSet } from '../settings/use-working-set';
import { INTERVAL_LEVEL } from '../stages/correlations/interval-level';
import type { Pair } from '../stages/correlations/use-pair-selection';
import { displayName } from '../variable-name';
import { MethodChoice } from './method-choice';
import { PairFigures } from './pair-figures';
import { PairPlot } from './pair-plot';
import { PairSentence } from './pair-sentence';
import { ShapeCautions } from './shape-cautions';
import { VariableFigures } from './variable-figures';

const WIDTH = { initial: 344, min: 300, max: 620 };

interface PairCardProps {
  readonly study: Study;
  readonly pair: Pair;
  readonly settings: CorrelationSettings;
  readonly workingSet: WorkingSet;
  readonly onSwap: () => void;
  readonly onClose: () => void;
}

/** Everything about one pair of variables. */
export function PairCard({ study, pair, settings, workingSet, onSwap, onClose }: PairCardProps) {
  const { x, y } = pair;
  const [width, setWidth] = useRemembered('card.width', WIDTH.initial);
  const completeFor = settings.missing === 'listwise' ? workingSet.variables.map(({ id }) => id) : [];
  const request = { kind: 'pair' as const, x: x.id, y: y.id, alternative: settings.alternative, level: INTERVAL_LEVEL, completeFor };
  const { data, error, isPlaceholderData } = useQuery({
    ...analysisQuery(study.id, study.head, request),
    placeholderData: keepPreviousData,
  });
  useCardKeys(onSwap, onClose);

  return (
    <aside
      aria-label={`Pair ${displayName(x)} and ${displayName(y)}`}
      className="relative flex shrink-0 flex-col border-l border-rule bg-paper"
      style={{ width }}
    >
      <ResizeHandle label="Width of the card" side="left" width={width} onChange={setWidth} {...WIDTH} />
      <header className="flex items-center gap-2 px-4 pt-3 pb-1">
        <h2 className="min-w-0 text-[16px] leading-snug">
          {displayName(x)} × {displayName(y)}
        </h2>
        <Hint text="Close (Esc)">
          <button type="button" className="icon-button -mr-1 ml-auto" aria-label="Close the card" onClick={onClose}>
            <X size={17} />
          </button>
        </Hint>
      </header>
      <div className="min-h-0 flex-1 overflow-y-auto px-4 pb-6">
        <PairPlot
          study={study}
          pair={pair}
          completeFor={completeFor}
          line={data && !isPlaceholderData ? data.line : null}
          width={width - 32}
        />
        <Hint text="x on the vertical axis, y on the horizontal one (x)">
          <button type="button" className="button-quiet mt-1 text-[13px]" onClick={onSwap}>
            <ArrowLeftRight size={14} aria-hidden="true" /> Swap axes
          </button>
        </Hint>
        {error && !data && <FailureNotice error={error} />}
        {data && !isPlaceholderData && <Result study={study} pair={pair} data={data} settings={settings} />}
        {!data && !error && <div role="status" aria-label="Computing the pair" className="mt-4 h-40 rounded bg-rule/50" />}
      </div>
    </aside>
  );
}

interface ResultProps {
  readonly study: Study;
  readonly pair: Pair;
  readonly data: PairResult;
  readonly settings: CorrelationSettings;
}

function Result({ study, pair, data, settings }: ResultProps) {
  const ordinal = [pair.x, pair.y].filter(({ kind }) => kind === 'ordinal').map(displayName);
  const method = methodForPair(settings.method, study.state.pairMethods, pair.x.id, pair.y.id);
  return (
    <>
      <PairFigures result={data} method={method} levels={settings.levels} alternative={settings.alternative} />
      <PairSentence
        pair={pair}
        result={data}
        method={method}
        alternative={settings.alternative}
        alpha={settings.levels[0] ?? 0.05}
        rowMeaning={study.state.rowMeaning}
      />
      {method === 'pearson' && ordinal.length > 0 && (
        <p className="mt-3 border-l-4 border-caution bg-caution-soft px-3 py-2">
          {ordinal.join(' and ')} {ordinal.length === 1 ? 'is' : 'are'} ordinal. Pearson’s r takes the steps between the values as equal.
        </p>
      )}
      {method === 'pearson' && <ShapeCautions study={study} pair={pair} />}
      <MethodChoice study={study} pair={pair} result={data} method={method} levels={settings.levels} />
      <VariableFigures pair={pair} result={data} />
    </>
  );
}

/** x swaps the axes and Escape closes, unless a field or a popover has the focus. */
function useCardKeys(onSwap: () => void, onClose: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.defaultPrevented) return;
      if (document.querySelector('[role="dialog"], [role="menu"]')) return;
      if (event.key === 'Escape') onClose();
      const inPanel = event.target instanceof HTMLElement && event.target.closest('aside[aria-label="Variables"]');
      if (event.key === 'x' && !inPanel && singleKeysAreOn()) onSwap();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [onSwap, onClose]);
}
