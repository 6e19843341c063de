import { ArrowLeftRight, ChevronLeft, ChevronRight, Maximize2, X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { FailureNotice } from '../controls/failure-notice';
import { usePointerHasLeft } from '../controls/hold-still';
import { isTyping, singleKeysAreOn } from '../controls/keyboard';
import { CloseButton, Modal } from '../controls/modal';
import { ResizeHandle } from '../controls/resize-handle';
import { Skeleton } from '../controls/skeleton';
import { Hint } from '../controls/tooltip';
import { useRemembered } from '../controls/use-remembered';
import { PinButton } from '../pins/pin-button';
import { displayName } from '../study/variable-name';
import type { ArrangementProps } from './arrangement';
import { PairSections, PairSummary } from './pair-content';
import { PairPlot } from './pair-plot';
import { type PairContext, pairContext, pinnedPair } from './pair-request';
import { usePairResult } from './use-pair-result';
import type { Pair } from './use-pair-selection';

const WIDTH = { initial: 344, min: 300, max: 620 };

type PairCardProps = Pick<ArrangementProps, 'study' | 'settings' | 'variables' | 'selection' | 'state'> & {
  readonly pair: Pair;
  /** p adjusted for the pairs on screen; null where nothing is adjusted. */
  readonly adjustedP: number | null;
  readonly onSwap: () => void;
  readonly onClose: () => void;
};

/** Everything about one pair of variables. */
export function PairCard({ study, pair, settings, variables, selection, state, adjustedP, onSwap, onClose }: PairCardProps) {
  const { x, y } = pair;
  const [width, setWidth] = useRemembered('card.width', WIDTH.initial);
  // Over the page at first: what was clicked must not move from under the pointer.
  const settled = usePointerHasLeft();
  const context = pairContext(study, pair, settings, variables, adjustedP);
  const { result, error } = usePairResult(context);
  const go = (step: 1 | -1) => {
    const next = neighbour(state.matrix?.variables ?? variables, pair, step);
    if (next) selection.open(next.x, next.y);
  };
  useCardKeys({ x: onSwap, '[': () => go(-1), ']': () => go(1) }, onClose);

  return (
    <aside
      aria-label={`Pair ${displayName(x)} and ${displayName(y)}`}
      className={`flex shrink-0 flex-col border-l border-rule bg-paper ${settled ? 'relative' : 'absolute inset-y-0 right-0 z-30 shadow-popover'}`}
      style={{ width }}
    >
      <ResizeHandle label="Width of the card" side="left" width={width} onChange={setWidth} {...WIDTH} />
      <header className="flex items-center gap-1 px-4 pt-3 pb-1">
        <h2 className="min-w-0 text-[16px] leading-snug">
          {displayName(x)} × {displayName(y)}
        </h2>
        <span className="ml-auto flex shrink-0">
          <Hint text="Previous pair ( [ )">
            <button type="button" className="icon-button" aria-label="Previous pair" onClick={() => go(-1)}>
              <ChevronLeft size={17} />
            </button>
          </Hint>
          <Hint text="Next pair ( ] )">
            <button type="button" className="icon-button" aria-label="Next pair" onClick={() => go(1)}>
              <ChevronRight size={17} />
            </button>
          </Hint>
          <Hint text="Close (Esc)">
            <button type="button" className="icon-button -mr-1" aria-label="Close the card" onClick={onClose}>
              <X size={17} />
            </button>
          </Hint>
        </span>
      </header>
      <div className="min-h-0 flex-1 overflow-y-auto px-4 pb-6">
        <PairPlot context={context} result={result} width={width - 32} />
        <p className="mt-2.5 flex gap-4 text-[13px]">
          <Hint text="x on the vertical axis, y on the horizontal one (x)">
            <button type="button" className="button-quiet" onClick={onSwap}>
              <ArrowLeftRight size={14} aria-hidden="true" /> Swap axes
            </button>
          </Hint>
          <LargeView context={context} result={result} />
          <PinButton study={study} pinned={pinnedPair(context)} className="ml-auto" />
        </p>
        {error && <FailureNotice error={error} />}
        {result && (
          <>
            <PairSummary context={context} result={result} />
            <PairSections context={context} variables={variables} result={result} second={selection.second} />
          </>
        )}
        {!result && !error && <Skeleton label="Computing the pair" className="mt-4 h-40" />}
      </div>
    </aside>
  );
}

/** The scatterplot as large as the window allows. */
function LargeView({ context, result }: { context: PairContext; result: ReturnType<typeof usePairResult>['result'] }) {
  const [open, setOpen] = useState(false);
  const { x, y } = context.pair;
  const width = Math.min(1100, window.innerWidth - 120, (0.88 * window.innerHeight - 190) / 0.72);
  return (
    <>
      <button type="button" className="button-quiet" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        <Maximize2 size={14} aria-hidden="true" /> Large
      </button>
      {open && (
        <Modal title={`${displayName(x)} × ${displayName(y)}`} className="w-auto" onClose={() => setOpen(false)}>
          <PairPlot context={context} result={result} width={width} />
          <p className="mt-3 text-right">
            <CloseButton>Close</CloseButton>
          </p>
        </Modal>
      )}
    </>
  );
}

/** The pair before or after one, going through the cells below the diagonal row by row; from the last to the first. */
function neighbour(variables: ArrangementProps['variables'], { x, y }: Pair, step: 1 | -1): Pair | null {
  const pairs = variables.flatMap((row, i) => variables.slice(0, i).map((column) => ({ x: column, y: row })));
  const at = pairs.findIndex((pair) => [pair.x.id, pair.y.id].every((id) => id === x.id || id === y.id));
  return pairs[(at + step + pairs.length) % pairs.length] ?? null;
}

/** Single keys and Escape, unless a field, a menu or a dialog has the focus. */
function useCardKeys(keys: Readonly<Record<string, () => void>>, onClose: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.defaultPrevented) return;
      if (document.querySelector('[role="dialog"], [role="menu"]')) return;
      if (event.key === 'Escape') onClose();
      const inPanel = event.target instanceof HTMLElement && event.target.closest('aside[aria-label="Variables"]');
      if (!inPanel && singleKeysAreOn()) keys[event.key]?.();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [keys, onClose]);
}
