import { canBeCorrelated, isQuantity, type Study, type Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { PanelLeftClose, PanelLeftOpen } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { analysisQuery } from '../api/queries';
import { oncePointerHasLeft } from '../controls/hold-still';
import { ResizeHandle } from '../controls/resize-handle';
import { Hint } from '../controls/tooltip';
import { useLatest } from '../controls/use-latest';
import { useRemembered } from '../controls/use-remembered';
import { useShapeMarks } from '../settings/use-shape-marks';
import { useWorkingSet } from '../settings/use-working-set';
import { RowsInUse } from '../study/rows-in-use';
import { displayName } from '../study/variable-name';
import { RefusedVariableRow } from './refused-variable-row';
import { VariableRow } from './variable-row';

const NOTHING: readonly Variable[] = [];
const WIDTH = { initial: 248, min: 200, max: 420 };
/** With the card open and more variables than this in the grid, the panel makes room by folding. */
const FOLDS_BEYOND = 9;

/** The variables of the study, ticked into the working set; the same on all stages. */
export function VariablesPanel({ study }: { study: Study }) {
  const workingSet = useWorkingSet(study);
  const { data: summary } = useQuery(analysisQuery(study.id, study.head, { kind: 'summary' }));
  const marks = useShapeMarks(study, workingSet?.variables ?? NOTHING);
  const [search, setSearch] = useState('');
  const [width, setWidth] = useRemembered('panel.width', WIDTH.initial);
  const [cardOpen, ticked] = [useCardIsOpen(), workingSet?.variables.length ?? 0];
  const crowded = useHeldStill(cardOpen && ticked > FOLDS_BEYOND);
  const [folded, setFolded] = useFolding(crowded);
  const lastTouched = useRef<string | null>(null);

  const { correlated, refused } = useMemo(() => split(study.state.variables, search), [study, search]);
  const summaries = useMemo(() => new Map(summary?.variables.map((item) => [item.id, item])), [summary]);
  const quantities = study.state.variables.filter(isQuantity).map(({ id }) => id);
  const all = study.state.variables.filter(canBeCorrelated).map(({ id }) => id);

  const tick = useLatest((variable: Variable, on: boolean, range: boolean) => {
    const order = correlated.map(({ id }) => id);
    const [from, to] = [order.indexOf(lastTouched.current ?? ''), order.indexOf(variable.id)];
    const ids = range && from >= 0 ? order.slice(Math.min(from, to), Math.max(from, to) + 1) : [variable.id];
    lastTouched.current = variable.id;
    workingSet?.set(ids, on);
  });

  if (folded) {
    return (
      <aside aria-label="Variables" className="flex w-11 shrink-0 flex-col items-center gap-3 border-r border-rule bg-sunken py-3">
        <Hint text="Unfold the variables">
          <button type="button" className="icon-button" aria-label="Unfold the variables" onClick={() => setFolded(false)}>
            <PanelLeftOpen size={17} />
          </button>
        </Hint>
        <span className="[writing-mode:vertical-rl] text-muted">
          Variables · {ticked} of {all.length}
        </span>
      </aside>
    );
  }
  return (
    <aside aria-label="Variables" className="relative flex shrink-0 flex-col border-r border-rule bg-sunken" style={{ width }}>
      <div className="flex items-center gap-2 px-3.5 pt-3 pb-2">
        <h2>Variables</h2>
        <span className="numerals ml-auto text-muted" data-testid="ticked-count">
          {ticked} of {all.length}
        </span>
        <Hint text="Fold the variables away">
          <button type="button" className="icon-button -mr-1.5" aria-label="Fold the variables away" onClick={() => setFolded(true)}>
            <PanelLeftClose size={17} />
          </button>
        </Hint>
      </div>
      <div className="px-3">
        <input
          type="search"
          data-search="variables"
          className="field w-full"
          placeholder="Find a variable  /"
          aria-label="Find a variable"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && setSearch('')}
        />
        <div className="mt-1.5 mb-1 flex gap-3 px-0.5 text-[13px]">
          <button type="button" className="button-quiet" disabled={!workingSet} onClick={() => workingSet?.replace(quantities)}>
            All quantities
          </button>
          <button type="button" className="button-quiet" disabled={!workingSet} onClick={() => workingSet?.replace([])}>
            None
          </button>
        </div>
      </div>
      <ul className="min-h-0 flex-1 overflow-y-auto pb-2" aria-label="Variables that can be correlated">
        {correlated.map((variable) => (
          <VariableRow
            key={variable.id}
            study={study}
            variable={variable}
            summary={summaries.get(variable.id)}
            ticked={workingSet?.has(variable.id)}
            marked={marks.marked.get(variable.id)}
            onTick={tick}
          />
        ))}
        {refused.length > 0 && (
          <li className="mx-3 mt-2 border-t border-rule pt-2">
            <h3 className="px-0.5 pb-1 text-[13px] font-normal text-muted">Not correlated</h3>
            <ul aria-label="Variables that are not correlated">
              {refused.map((variable) => (
                <RefusedVariableRow key={variable.id} study={study} variable={variable} summary={summaries.get(variable.id)} />
              ))}
            </ul>
          </li>
        )}
        {correlated.length + refused.length === 0 && <li className="px-4 py-3 text-muted">No variable is called “{search}”.</li>}
      </ul>
      <RowsInUse study={study} />
      <ResizeHandle label="Width of the variables panel" side="right" width={width} onChange={setWidth} {...WIDTH} />
    </aside>
  );
}

function split(variables: readonly Variable[], search: string) {
  const wanted = search.trim().toLowerCase();
  const found = variables.filter(
    (variable) =>
      displayName(variable).toLowerCase().includes(wanted) ||
      variable.name.toLowerCase().includes(wanted) ||
      variable.label?.toLowerCase().includes(wanted),
  );
  return { correlated: found.filter(canBeCorrelated), refused: found.filter((variable) => !canBeCorrelated(variable)) };
}

function useCardIsOpen(): boolean {
  const [params] = useSearchParams();
  return params.has('pair');
}

/** A value that follows once the pointer is not over what the stage shows. */
function useHeldStill(value: boolean): boolean {
  const [held, setHeld] = useState(value);
  useEffect(() => oncePointerHasLeft(() => setHeld(value)), [value]);
  return held;
}

/** Folded by the person, or by itself while it is crowded; unfolding by hand holds until the crowd has gone. */
function useFolding(crowded: boolean): [boolean, (folded: boolean) => void] {
  const [chosen, setChosen] = useRemembered<boolean>('panel.folded', false);
  const [overruled, setOverruled] = useState(false);
  const [wasCrowded, setWasCrowded] = useState(crowded);
  if (wasCrowded !== crowded) {
    setWasCrowded(crowded);
    setOverruled(false);
  }
  const folded = chosen || (crowded && !overruled);
  return [
    folded,
    (next) => {
      setChosen(next);
      setOverruled(!next);
    },
  ];
}
