import { studyNameSchema } from '@ivlen/contract';
import { type FormEvent, useState } from 'react';
import { CloseButton, Modal } from '../controls/modal';
import { useStudyActions } from './use-study-actions';

export function RenameDialog({ study, onClose }: { study: { id: string; name: string }; onClose: () => void }) {
  const { rename } = useStudyActions();
  const [name, setName] = useState(study.name);
  const [problem, setProblem] = useState<string | null>(null);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const checked = studyNameSchema.safeParse(name);
    if (!checked.success) return setProblem(checked.error.issues[0]?.message ?? 'This name cannot be used.');
    rename.mutate({ id: study.id, name: checked.data }, { onSuccess: onClose, onError: (error) => setProblem(error.message) });
  };
  return (
    <Modal title="Rename the study" onClose={onClose}>
      <form onSubmit={submit}>
        <input className="field w-full" aria-label="Name" value={name} onChange={(event) => setName(event.target.value)} />
        {problem && (
          <p role="alert" className="mt-2 text-caution">
            {problem}
          </p>
        )}
        <div className="mt-4 flex justify-end gap-2">
          <CloseButton>Cancel</CloseButton>
          <button type="submit" className="button-primary" disabled={rename.isPending}>
            Rename
          </button>
        </div>
      </form>
    </Modal>
  );
}
