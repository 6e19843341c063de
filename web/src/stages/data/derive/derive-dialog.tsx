import type { Definition, Study, Variable } from '@ivlen/contract';
import { Tabs } from 'radix-ui';
import { type FormEvent, useState } from 'react';
import { TextField } from '../../../controls/form-fields';
import { CloseButton, Modal } from '../../../controls/modal';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';
import { DerivationPreviewTable } from './derivation-preview';
import { type Draft, definitionOf, draftOf, newDraft, suggestedName, suggestedUnit, WAYS, type Way } from './draft';
import { keptDrafts } from './kept-drafts';
import { WayFields } from './way-fields';

const WAY_NAMES: Readonly<Record<Way, string>> = {
  formula: 'Formula',
  ratio: 'Ratio of two',
  repeats: 'Of several repeats',
  scale: 'Another scale',
  groups: 'Groups',
  categories: 'Other categories',
};

interface DeriveDialogProps {
  readonly study: Study;
  /** The variable to start from, or the one to be computed otherwise. */
  readonly from: Variable | null;
  readonly redefine: boolean;
  readonly onClose: () => void;
}

/** Makes a variable from others, with what it will be shown while it is defined. */
export function DeriveDialog({ study, from, redefine, onClose }: DeriveDialogProps) {
  const { variables } = study.state;
  const { change } = useStudyChanges(study);
  const keep = keptDrafts(study.id, redefine || from !== null);
  const [draft, setDraft] = useState<Draft>(() => keep.last() ?? (redefine && from ? draftOf(from, variables) : newDraft(variables, from)));
  const patch = (part: Partial<Draft>) => {
    const next = { ...draft, ...part };
    setDraft(next);
    keep.put(next);
  };
  const definition = definitionOf(draft, variables);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!definition) return;
    const to = redefine && from ? { type: 'redefine' as const, variable: from.id, definition } : { type: 'derive' as const, definition };
    change.mutate(
      { change: to },
      {
        onSuccess: () => {
          keep.forget();
          onClose();
        },
      },
    );
  };
  const ways = redefine ? WAYS.filter((way) => way === draft.way || (way !== 'ratio' && way !== 'repeats')) : WAYS;
  return (
    <Modal title={redefine && from ? `How ${displayName(from)} is computed` : 'Derive a variable'} className="w-[760px]" onClose={onClose}>
      <form onSubmit={submit} className="mt-2 flex min-h-0 flex-1 flex-col">
        <Tabs.Root
          value={draft.way}
          onValueChange={(way) => patch(waySwitch(WAYS.find((item) => item === way) ?? 'formula', draft, variables))}
        >
          <Tabs.List className="flex gap-4 border-b border-rule" aria-label="Ways to derive a variable">
            {ways.map((way) => (
              <Tabs.Trigger
                key={way}
                value={way}
                className="-mb-px border-b-2 border-transparent pb-1 text-muted data-[state=active]:border-accent data-[state=active]:font-semibold data-[state=active]:text-ink"
              >
                {WAY_NAMES[way]}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <Tabs.Content value={draft.way} className="pt-3" tabIndex={-1}>
            <WayFields study={study} draft={draft} patch={patch} />
          </Tabs.Content>
        </Tabs.Root>
        <div className="mt-3 flex gap-3">
          <div className="flex-1">
            <TextField
              label="Its name"
              value={draft.name}
              placeholder={suggestedName(draft, variables)}
              onChange={(event) => patch({ name: event.target.value })}
            />
          </div>
          {draft.way !== 'groups' && draft.way !== 'categories' && (
            <div className="w-32">
              <TextField
                label="Unit"
                value={draft.unit}
                placeholder={suggestedUnit(draft, variables)}
                onChange={(event) => patch({ unit: event.target.value })}
              />
            </div>
          )}
        </div>
        <div className="mt-3 min-h-40 flex-1 overflow-y-auto border-t border-rule pt-3">
          <DerivationPreviewTable study={study} definition={previewable(draft, definition, variables)} />
        </div>
        <div className="mt-3 flex gap-2">
          <button type="submit" className="button-primary" disabled={!definition || change.isPending}>
            {redefine ? 'Compute it so' : 'Make the variable'}
          </button>
          <CloseButton>Cancel</CloseButton>
          {!definition && (
            <span className="self-center text-[13px] text-muted">
              {draft.name.trim() === '' && suggestedName(draft, variables) === '' ? 'Give it a name.' : 'Fill in how it is computed.'}
            </span>
          )}
        </div>
      </form>
    </Modal>
  );
}

/** Another way may need another sort of source. */
function waySwitch(way: Way, draft: Draft, variables: readonly Variable[]): Partial<Draft> {
  const storage = way === 'categories' ? 'code' : 'number';
  const fits = variables.find(({ id }) => id === draft.source)?.storage === storage;
  const source = fits
    ? draft.source
    : (variables.find((variable) => variable.storage === storage && variable.kind !== 'identifier')?.id ?? '');
  return { way, source };
}

/** A preview needs no name. */
function previewable(draft: Draft, definition: Definition | null, variables: readonly Variable[]): Definition | null {
  return definition ?? definitionOf({ ...draft, name: 'result' }, variables);
}
