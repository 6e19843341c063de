import { studyNameSchema } from '@ivlen/contract';
import { Dialog } from 'radix-ui';
import { type FormEvent, useState } from 'react';
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
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/20" />
        <Dialog.Content aria-describedby={undefined} className="popover fixed top-1/3 left-1/2 w-96 -translate-x-1/2 p-5">
          <Dialog.Title className="mb-3 text-base">Rename the study</Dialog.Title>
          <form onSubmit={submit}>
            <input className="field w-full" aria-label="Name" value={name} onChange={(event) => setName(event.target.value)} />
            {problem && (
              <p role="alert" className="mt-2 text-caution">
                {problem}
              </p>
            )}
            <div className="mt-4 flex justify-end gap-2">
              <Dialog.Close className="button">Cancel</Dialog.Close>
              <button type="submit" className="button-primary" disabled={rename.isPending}>
                Rename
              </button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
