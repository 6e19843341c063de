import type { RowRanges, Study } from '@ivlen/contract';
import { type FormEvent, useState } from 'react';
import { CloseButton, Modal } from '../../../controls/modal';
import { useStudyChanges } from '../../../study/use-study-changes';

interface KeepDialogProps {
  readonly study: Study;
  readonly rows: RowRanges;
  readonly count: number;
  /** Whether the rows become the subset as well. */
  readonly useOnly: boolean;
  readonly onDone: () => void;
  readonly onClose: () => void;
}

/** Asks what the rows are called as the groups of a nominal variable. */
export function KeepDialog({ study, rows, count, useOnly, onDone, onClose }: KeepDialogProps) {
  const { change } = useStudyChanges(study);
  const [name, setName] = useState(() => freeName(study));
  const [chosen, setChosen] = useState('selected');
  const [others, setOthers] = useState('other');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change.mutate(
      { change: { type: 'keep-selection', name, choice: { rows }, chosen, others, useOnly } },
      {
        onSuccess: () => {
          onClose();
          onDone();
        },
      },
    );
  };
  const fields = [
    { label: 'Name of the variable', value: name, set: setName },
    { label: `The ${count.toLocaleString('en-GB')} selected rows are called`, value: chosen, set: setChosen },
    { label: 'All others are called', value: others, set: setOthers },
  ];
  return (
    <Modal
      title={useOnly ? 'Use only these rows' : 'Keep these rows as a variable'}
      description={
        useOnly
          ? 'They are too scattered for a rule by row numbers: a nominal variable of two groups tells them apart, and the subset rests on it.'
          : 'A nominal variable of two groups, to colour by, to compare, or to make a subset of.'
      }
      onClose={onClose}
    >
      <form onSubmit={submit} className="flex flex-col gap-3">
        {fields.map(({ label, value, set }) => (
          <label key={label} className="block">
            <span className="block text-[13px] text-muted">{label}</span>
            <input className="field w-full" value={value} required maxLength={200} onChange={(event) => set(event.target.value)} />
          </label>
        ))}
        <div className="mt-1 flex justify-end gap-2">
          <CloseButton>Cancel</CloseButton>
          <button type="submit" className="button-primary" disabled={change.isPending || !name.trim() || chosen.trim() === others.trim()}>
            {useOnly ? 'Keep and use only these' : 'Keep'}
          </button>
        </div>
      </form>
    </Modal>
  );
}

function freeName({ state: { variables } }: Study): string {
  const taken = new Set(variables.map(({ name }) => name.toLowerCase()));
  for (let k = 1; ; k++) if (!taken.has(`selection_${k}`)) return `selection_${k}`;
}
