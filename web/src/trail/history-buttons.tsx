import type { Study } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { Redo2, Undo2 } from 'lucide-react';
import { useEffect } from 'react';
import { trailQuery } from '../api/queries';
import { FIELDS } from '../controls/keyboard';
import { Hint } from '../controls/tooltip';
import { useLatest } from '../controls/use-latest';
import { useStudyChanges } from '../study/use-study-changes';
import { TrailDrawer } from './trail-drawer';

/** Undo and redo, which name what they would do, and the trail. */
export function HistoryButtons({ study }: { study: Study }) {
  const { data: trail } = useQuery(trailQuery(study.id, study.head));
  const { undo, redo } = useStudyChanges(study);
  const busy = undo.isPending || redo.isPending;
  const goBack = useLatest(() => {
    if (trail?.undo && !busy) undo.mutate();
  });
  const goForward = useLatest(() => {
    if (trail?.redo && !busy) redo.mutate();
  });
  useHistoryKeys(goBack, goForward);
  return (
    <>
      <HistoryButton label={trail?.undo ? `Undo: ${trail.undo}` : 'Nothing to undo'} off={!trail?.undo || busy} onPress={goBack}>
        <Undo2 size={17} />
      </HistoryButton>
      <HistoryButton label={trail?.redo ? `Redo: ${trail.redo}` : 'Nothing to redo'} off={!trail?.redo || busy} onPress={goForward}>
        <Redo2 size={17} />
      </HistoryButton>
      <TrailDrawer study={study} trail={trail} />
    </>
  );
}

interface HistoryButtonProps {
  readonly label: string;
  readonly off: boolean;
  readonly onPress: () => void;
  readonly children: React.ReactNode;
}

function HistoryButton({ label, off, onPress, children }: HistoryButtonProps) {
  return (
    <Hint text={label}>
      <button type="button" className="icon-button aria-disabled:opacity-40" aria-label={label} aria-disabled={off} onClick={onPress}>
        {children}
      </button>
    </Hint>
  );
}

/** Ctrl Z and Ctrl Shift Z, unless a field undoes its own typing. */
function useHistoryKeys(goBack: () => void, goForward: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || event.key.toLowerCase() !== 'z') return;
      if (event.target instanceof HTMLElement && event.target.matches(FIELDS)) return;
      event.preventDefault();
      if (event.shiftKey) goForward();
      else goBack();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [goBack, goForward]);
}
