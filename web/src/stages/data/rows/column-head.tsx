import type { Study, Variable, VariableSummary } from '@ivlen/contract';
import { ArrowDown, ArrowUp, ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { memo } from 'react';
import { Sparkline } from '../../../figures/sparkline';
import { useReadOnly } from '../../../study/read-only';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';

interface ColumnHeadProps {
  readonly study: Study;
  readonly variable: Variable;
  readonly summary: VariableSummary | undefined;
  readonly sorted: 'up' | 'down' | null;
  readonly onSort: (variable: string | null, descending?: boolean) => void;
  readonly onDescribe: (variable: string) => void;
  readonly onOpenEntry: (variable: string) => void;
  readonly onDefine: (from: Variable, redefine: boolean) => void;
}

/** A column's name, unit and outline, with the menu of what can be done with it. Scrolling draws it only once. */
export const ColumnHead = memo(function ColumnHead(props: ColumnHeadProps) {
  const { study, variable, summary, sorted, onSort, onDescribe, onOpenEntry, onDefine } = props;
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const name = displayName(variable);
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className="group flex h-full w-full flex-col px-2 pt-1 text-left hover:bg-rule/40"
        aria-label={`${name}${variable.unit ? `, ${variable.unit}` : ''}, ${variable.kind}; menu`}
        title={variable.label ?? undefined}
      >
        <span className="flex w-full items-center gap-1">
          <span className={`truncate font-semibold ${variable.derivation ? 'italic' : ''}`}>{name}</span>
          {sorted === 'up' && <ArrowUp size={13} className="shrink-0 text-accent" aria-label="sorted, smallest first" />}
          {sorted === 'down' && <ArrowDown size={13} className="shrink-0 text-accent" aria-label="sorted, largest first" />}
          <ChevronDown
            size={13}
            className="ml-auto shrink-0 text-muted opacity-0 group-hover:opacity-100 group-focus-visible:opacity-100"
            aria-hidden="true"
          />
        </span>
        <span className="flex w-full items-end justify-between gap-1 text-[12px] text-muted">
          <span className="truncate">{variable.unit ?? variable.kind}</span>
          {summary && summary.bins.length > 0 && <Sparkline bins={summary.bins} />}
        </span>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" align="start" sideOffset={2}>
          <DropdownMenu.Item className="menu-item" onSelect={() => onSort(variable.id)}>
            Look at the smallest first
          </DropdownMenu.Item>
          <DropdownMenu.Item className="menu-item" onSelect={() => onSort(variable.id, true)}>
            Look at the largest first
          </DropdownMenu.Item>
          {sorted && (
            <DropdownMenu.Item className="menu-item" onSelect={() => onSort(null)}>
              Back to row order
            </DropdownMenu.Item>
          )}
          <DropdownMenu.Separator className="my-1 border-t border-rule" />
          {variable.storage === 'number' && (
            <DropdownMenu.Item className="menu-item" onSelect={() => onDescribe(variable.id)}>
              Describe {name}
            </DropdownMenu.Item>
          )}
          <DropdownMenu.Item className="menu-item" onSelect={() => onOpenEntry(variable.id)}>
            Codebook entry
          </DropdownMenu.Item>
          {!readOnly && (
            <>
              <DropdownMenu.Item className="menu-item" onSelect={() => onDefine(variable, false)}>
                Derive a variable from it …
              </DropdownMenu.Item>
              {variable.derivation && (
                <DropdownMenu.Item className="menu-item" onSelect={() => onDefine(variable, true)}>
                  Compute it otherwise …
                </DropdownMenu.Item>
              )}
              <DropdownMenu.Item
                className="menu-item"
                onSelect={() => change.mutate({ change: { type: 'remove-variable', variable: variable.id } })}
              >
                Remove from the study
              </DropdownMenu.Item>
            </>
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
});
