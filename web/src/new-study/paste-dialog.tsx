import { useState } from 'react';
import { CloseButton, Modal } from '../controls/modal';

export function PasteDialog({ onClose, onPaste }: { onClose: () => void; onPaste: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <Modal
      title="Paste cells"
      description="Copy the cells in the spreadsheet, names included, and paste them here."
      className="w-[640px]"
      onClose={onClose}
    >
      <textarea
        className="field h-64 w-full font-sans text-[13px] whitespace-pre"
        aria-label="Cells"
        value={text}
        spellCheck={false}
        onChange={(event) => setText(event.target.value)}
      />
      <div className="mt-4 flex justify-end gap-2">
        <CloseButton>Cancel</CloseButton>
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
    </Modal>
  );
}
