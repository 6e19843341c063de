import { Dialog } from 'radix-ui';
import { useState } from 'react';

export function PasteDialog({ onClose, onPaste }: { onClose: () => void; onPaste: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/20" />
        <Dialog.Content className="popover fixed top-[12%] left-1/2 w-[640px] max-w-[92vw] -translate-x-1/2 p-5">
          <Dialog.Title className="text-base">Paste cells</Dialog.Title>
          <Dialog.Description className="mt-1 mb-3 text-muted">
            Copy the cells in the spreadsheet, names included, and paste them here.
          </Dialog.Description>
          <textarea
            className="field h-64 w-full font-sans text-[13px] whitespace-pre"
            aria-label="Cells"
            value={text}
            spellCheck={false}
            onChange={(event) => setText(event.target.value)}
          />
          <div className="mt-4 flex justify-end gap-2">
            <Dialog.Close className="button">Cancel</Dialog.Close>
            <button
              type="button"
              className="button-primary"
              disabled={text.trim() === ''}
              onClick={() => {
                onPaste(text);
                onClose();
              }}
            >
              Read the cells
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
