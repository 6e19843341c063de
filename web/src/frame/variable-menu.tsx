import { type Kind, kindsFor, type Study, type Variable } from '@ivlen/contract';
import { Check, EllipsisVertical } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useReadOnly } from '../study/read-only';
import { useStudyChanges } from '../study/use-study-changes';
import { displayName } from '../study/variable-name';

const WORDS: Readonly<Record<Kind, string>> = {
  continuous: 'continuous: measured amounts',
  discrete: 'discrete: counts',
  ordinal: 'ordinal: an order of steps',
  'two-valued': 'two-valued: yes or no, one or two',
  nominal: 'nominal: categories',
  identifier: 'identifier: names the rows',
  date: 'date',
};

const ROLES = [
  { role: 'outcome', words: 'outcome' },
  { role: 'predictor', words: 'predictor' },
  { role: 'grouping', words: 'grouping variable' },
  { role: null, words: 'none of these' },
] as const;

/** The menu of one variable: what kind it is, and what it is for. */
export function VariableMenu({ study, variable }: { study: Study; variable: Variable }) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const setKind = (kind: Kind) => change.mutate({ change: { type: 'edit-variable', variable: variable.id, patch: { kind } } });
  const setRole = (role: Variable['role']) => change.mutate({ change: { type: 'edit-variable', variable: variable.id, patch: { role } } });
  const kinds = kindsFor(variable.storage);
  if (readOnly) return null;
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`Menu of ${displayName(variable)}`}
        className="absolute right-1.5 flex size-6 items-center justify-center rounded bg-sunken text-muted opacity-0 group-hover:opacity-100 hover:text-ink focus-visible:opacity-100 data-[state=open]:opacity-100"
      >
        <EllipsisVertical size={14} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" align="end" sideOffset={2}>
          <DropdownMenu.Label className="px-3 py-1 text-[13px] text-muted">Kind of {displayName(variable)}</DropdownMenu.Label>
          <DropdownMenu.RadioGroup
            value={variable.kind}
            onValueChange={(value) => setKind(kinds.find((kind) => kind === value) ?? variable.kind)}
          >
            {kinds.map((kind) => (
              <DropdownMenu.RadioItem key={kind} value={kind} className="menu-item">
                <span className="w-4">
                  <DropdownMenu.ItemIndicator>
                    <Check size={14} />
                  </DropdownMenu.ItemIndicator>
                </span>
                {WORDS[kind]}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
          <DropdownMenu.Separator className="my-1 border-t border-rule" />
          <DropdownMenu.Label className="px-3 py-1 text-[13px] text-muted">Role of {displayName(variable)}</DropdownMenu.Label>
          <DropdownMenu.RadioGroup
            value={variable.role ?? ''}
            onValueChange={(value) => setRole(ROLES.find(({ role }) => (role ?? '') === value)?.role ?? null)}
          >
            {ROLES.map(({ role, words }) => (
              <DropdownMenu.RadioItem key={words} value={role ?? ''} className="menu-item">
                <span className="w-4">
                  <DropdownMenu.ItemIndicator>
                    <Check size={14} />
                  </DropdownMenu.ItemIndicator>
                </span>
                {words}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
