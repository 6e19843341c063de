import type { FormEvent } from 'react';
import { CloseButton, Modal } from '../../../controls/modal';

/** A caption of one's own; left empty, the usual one stands again. */
export function RenameCaption({ caption, onSave, onClose }: { caption: string; onSave: (caption: string) => void; onClose: () => void }) {
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    onSave(String(new FormData(event.currentTarget).get('caption') ?? '').trim());
    onClose();
  };
  return (
    <Modal title="Caption" description="Left empty, the usual one stands again." className="w-[520px]" onClose={onClose}>
      <form onSubmit={submit}>
        <textarea name="caption" aria-label="Caption" className="field w-full" rows={3} maxLength={300} defaultValue={caption} />
        <p className="mt-3 flex justify-end gap-2">
          <CloseButton>Cancel</CloseButton>
          <button type="submit" className="button-primary">
            Save
          </button>
        </p>
      </form>
    </Modal>
  );
}
