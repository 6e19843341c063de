import { canBeCorrelated, type Study, type Variable } from '@ivlen/contract';
import { DropdownMenu } from 'radix-ui';
import { type DragEvent, memo, useRef, useState } from 'react';
import type { WorkingSet } from '../../settings/use-working-set';
import { useReadOnly } from '../../study/read-only';
import { useStudyChanges } from '../../study/use-study-changes';
import { displayName } from '../../study/variable-name';

interface HeaderMenuProps {
  readonly study: Study;
  readonly variable: Variable;
  readonly workingSet: WorkingSet;
  /** The order on screen, which moving starts from. */
  readonly shown: readonly Variable[];
  /** Called when an own order is made. */
  readonly onOrder: () => void;
  readonly className: string;
  /** What the grid knows it by, and whether it is in the tab order. */
  readonly cell: string;
  readonly active: boolean;
  /** Whether the name stands upright, else it runs up the column. */
  readonly upright: boolean;
}

/** The name of a row or column: its menu replaces, moves or takes out the variable in place; it can be dragged to another. */
export const HeaderMenu = memo(function HeaderMenu(props: HeaderMenuProps) {
  const { variable, shown, className, cell, active, upright } = props;
  const name = displayName(variable);
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const reorder = useReorder(props);
  const ids = shown.map(({ id }) => id);
  const at = ids.indexOf(variable.id);
  const onDrop = (event: DragEvent) => {
    const dragged = event.dataTransfer.getData(DRAGGED);
    if (!ids.includes(dragged) || dragged === variable.id) return;
    event.preventDefault();
    const rest = ids.filter((id) => id !== dragged);
    const place = rest.indexOf(variable.id) + (ids.indexOf(dragged) < at ? 1 : 0);
    reorder([...rest.slice(0, place), dragged, ...rest.slice(place)]);
  };
  return (
    <span className={`relative ${className}`}>
      <DropdownMenu.Root open={open} onOpenChange={setOpen}>
        {/* Only where the menu hangs: a trigger that opens on pressing could not be dragged. */}
        <DropdownMenu.Trigger asChild>
          <span aria-hidden="true" className="pointer-events-none absolute inset-0" />
        </DropdownMenu.Trigger>
        <button
          ref={button}
          type="button"
          title={`${name}: move, replace or take out`}
          aria-haspopup="menu"
          aria-expanded={open}
          className={`max-w-full rounded hover:bg-accent-soft aria-expanded:bg-accent-soft ${className}`}
          data-cell={cell}
          tabIndex={active ? 0 : -1}
          draggable
          onClick={() => setOpen(true)}
          onDragStart={(event) => event.dataTransfer.setData(DRAGGED, variable.id)}
          onDragOver={(event) => event.dataTransfer.types.includes(DRAGGED) && event.preventDefault()}
          onDrop={onDrop}
        >
          <span className={upright ? '' : 'block max-h-32 rotate-180 [writing-mode:vertical-rl]'}>{name}</span>
        </button>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            className="menu"
            align="start"
            sideOffset={2}
            onCloseAutoFocus={(event) => {
              event.preventDefault();
              button.current?.focus();
            }}
          >
            <Items {...props} />
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </span>
  );
});

/** Takes an own order on, from the order on screen. */
function useReorder({ workingSet, onOrder }: Pick<HeaderMenuProps, 'workingSet' | 'onOrder'>) {
  return (next: string[]) => {
    workingSet.replace(next);
    onOrder();
  };
}

/** What the menu offers; there only while it is open. */
function Items(props: HeaderMenuProps) {
  const { study, variable, workingSet, shown } = props;
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const reorder = useReorder(props);
  const ids = shown.map(({ id }) => id);
  const at = ids.indexOf(variable.id);
  const others = study.state.variables.filter((item) => canBeCorrelated(item) && !workingSet.has(item.id));
  const moveTo = (place: number) => {
    const rest = ids.filter((id) => id !== variable.id);
    reorder([...rest.slice(0, place), variable.id, ...rest.slice(place)]);
  };
  const setRole = (role: Variable['role']) => change.mutate({ change: { type: 'edit-variable', variable: variable.id, patch: { role } } });
  return (
    <>
      <DropdownMenu.Label className="px-3 py-1 text-[13px] text-muted">{displayName(variable)}</DropdownMenu.Label>
      {others.length > 0 && (
        <DropdownMenu.Sub>
          <DropdownMenu.SubTrigger className="menu-item">Replace by …</DropdownMenu.SubTrigger>
          <DropdownMenu.Portal>
            <DropdownMenu.SubContent className="menu max-h-80 overflow-y-auto" sideOffset={4}>
              {others.map((other) => (
                <DropdownMenu.Item
                  key={other.id}
                  className="menu-item"
                  onSelect={() => workingSet.replace(workingSet.variables.map(({ id }) => (id === variable.id ? other.id : id)))}
                >
                  {displayName(other)}
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.SubContent>
          </DropdownMenu.Portal>
        </DropdownMenu.Sub>
      )}
      <DropdownMenu.Item className="menu-item" disabled={at === 0} onSelect={() => moveTo(at - 1)}>
        Move one earlier
      </DropdownMenu.Item>
      <DropdownMenu.Item className="menu-item" disabled={at === ids.length - 1} onSelect={() => moveTo(at + 1)}>
        Move one later
      </DropdownMenu.Item>
      <DropdownMenu.Item className="menu-item" disabled={at === 0} onSelect={() => moveTo(0)}>
        Move to the front
      </DropdownMenu.Item>
      {!readOnly && (
        <>
          <DropdownMenu.Separator className="my-1 border-t border-rule" />
          {variable.role !== 'outcome' && (
            <DropdownMenu.Item className="menu-item" onSelect={() => setRole('outcome')}>
              Make it an outcome
            </DropdownMenu.Item>
          )}
          {variable.role !== 'predictor' && (
            <DropdownMenu.Item className="menu-item" onSelect={() => setRole('predictor')}>
              Make it a predictor
            </DropdownMenu.Item>
          )}
          {(variable.role === 'outcome' || variable.role === 'predictor') && (
            <DropdownMenu.Item className="menu-item" onSelect={() => setRole(null)}>
              Neither outcome nor predictor
            </DropdownMenu.Item>
          )}
        </>
      )}
      <DropdownMenu.Separator className="my-1 border-t border-rule" />
      <DropdownMenu.Item className="menu-item" onSelect={() => workingSet.set([variable.id], false)}>
        Take out
      </DropdownMenu.Item>
    </>
  );
}

const DRAGGED = 'application/x-ivlen-variable';
