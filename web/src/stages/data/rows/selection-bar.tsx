import type { Study } from '@ivlen/contract';
import { type RowSelection, toRanges } from '../../../study/row-selection';
import { SetAsideMenu } from '../../../study/set-aside-menu';
import { useStudyChanges } from '../../../study/use-study-changes';

interface SelectionBarProps {
  readonly study: Study;
  readonly selection: RowSelection;
  readonly onClear: () => void;
}

/** What can be done with the selected rows. */
export function SelectionBar({ study, selection, onClear }: SelectionBarProps) {
  const { change } = useStudyChanges(study);
  const rows = toRanges(selection);
  const subset = { join: 'any' as const, rules: rows.map(([from, to]) => ({ type: 'rows' as const, from, to, not: false })) };
  return (
    <div className="flex items-center gap-3 border-t border-edge bg-accent-soft px-5 py-1.5" role="region" aria-label="Selected rows">
      <span className="numerals font-semibold">
        {selection.size.toLocaleString('en-GB')} {selection.size === 1 ? 'row' : 'rows'} selected
      </span>
      <SetAsideMenu
        label="Set aside …"
        onChoose={(because, words) =>
          change.mutate(
            { change: { type: 'set-aside', choice: { rows }, because }, ...(words ? { reason: words } : {}) },
            { onSuccess: onClear },
          )
        }
      />
      <button
        type="button"
        className="button-quiet"
        disabled={!study.state.setAside?.count}
        onClick={() => change.mutate({ change: { type: 'bring-back', choice: { rows } } }, { onSuccess: onClear })}
      >
        Bring back
      </button>
      <button
        type="button"
        className="button-quiet"
        disabled={subset.rules.length > 30}
        title={subset.rules.length > 30 ? 'A subset holds up to 30 ranges of rows' : undefined}
        onClick={() => change.mutate({ change: { type: 'set-subset', subset } }, { onSuccess: onClear })}
      >
        Use only these
      </button>
      <button type="button" className="button-quiet ml-auto" onClick={onClear}>
        Clear the selection
      </button>
    </div>
  );
}
