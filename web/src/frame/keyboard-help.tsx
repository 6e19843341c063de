import { Keyboard } from 'lucide-react';
import { useEffect, useState } from 'react';
import { isTyping, singleKeysAreOn, switchSingleKeys } from '../controls/keyboard';
import { CloseButton, Modal } from '../controls/modal';
import { Hint } from '../controls/tooltip';

const KEYS: readonly (readonly [string, string])[] = [
  ['1 – 7', 'open a stage'],
  ['Ctrl K', 'search variables, pairs, stages, questions, help'],
  ['/', 'find a variable in the panel'],
  ['← ↑ → ↓', 'move in the matrix'],
  ['Home, End', 'first and last cell of a row'],
  ['Enter', 'open the pair card of a cell'],
  ['Ctrl Enter', 'compare a cell with the open pair, if they share a variable'],
  ['[   ]', 'previous and next pair'],
  ['x', 'swap the axes of the pair card'],
  ['a', 'set the selected rows aside, or the row under the pointer'],
  ['Shift drag', 'add to the selected rows'],
  ['Alt drag', 'keep selected only what is selected already'],
  ['Esc', 'end the selection; close the card'],
  ['Ctrl Z', 'undo the last decision'],
  ['Ctrl Shift Z', 'redo it'],
  ['?', 'show this list'],
];

/** The list of keys, on a button and on ?. */
export function KeyboardHelp() {
  const [open, setOpen] = useState(false);
  const [on, setOn] = useState(singleKeysAreOn);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === '?' && !isTyping(event) && singleKeysAreOn()) setOpen(true);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <Hint text="Keyboard">
        <button type="button" className="icon-button" aria-label="Keyboard" aria-haspopup="dialog" onClick={() => setOpen(true)}>
          <Keyboard size={17} />
        </button>
      </Hint>
      {open && (
        <Modal title="Keyboard" onClose={() => setOpen(false)}>
          <dl className="grid grid-cols-[7rem_1fr] gap-y-1.5">
            {KEYS.map(([keys, what]) => (
              <div key={keys} className="contents">
                <dt>
                  <kbd className="rounded border border-rule bg-sunken px-1.5 py-0.5 font-sans">{keys}</kbd>
                </dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <label className="mt-4 flex items-center gap-2 border-t border-rule pt-3">
            <input
              type="checkbox"
              checked={on}
              className="accent-accent"
              onChange={(event) => {
                switchSingleKeys(event.target.checked);
                setOn(event.target.checked);
              }}
            />
            Single keys act while focus is in the main area
          </label>
          <p className="mt-4">
            <CloseButton>Close</CloseButton>
          </p>
        </Modal>
      )}
    </>
  );
}
