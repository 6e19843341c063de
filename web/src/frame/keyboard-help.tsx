import { Keyboard } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { isTyping, singleKeysAreOn, switchSingleKeys } from '../controls/keyboard';
import { Hint } from '../controls/tooltip';

const KEYS: readonly (readonly [string, string])[] = [
  ['1 – 7', 'open a stage'],
  ['/', 'find a variable'],
  ['← ↑ → ↓', 'move in the matrix'],
  ['Home, End', 'first and last cell of a row'],
  ['Enter', 'open the pair card of a cell'],
  ['Ctrl Enter', 'compare a cell with the open pair, if they share a variable'],
  ['[   ]', 'previous and next pair'],
  ['x', 'swap the axes of the pair card'],
  ['a', 'set the lit rows aside, or the row under the pointer'],
  ['Shift drag', 'add to the lit rows'],
  ['Alt drag', 'keep lit only what is lit already'],
  ['Esc', 'put the lit rows out; close the card'],
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
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Hint text="Keyboard">
        <Dialog.Trigger className="icon-button" aria-label="Keyboard">
          <Keyboard size={17} />
        </Dialog.Trigger>
      </Hint>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/20" />
        <Dialog.Content aria-describedby={undefined} className="popover fixed top-1/2 left-1/2 w-96 -translate-x-1/2 -translate-y-1/2 p-5">
          <Dialog.Title className="mb-3 text-base">Keyboard</Dialog.Title>
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
          <Dialog.Close className="button mt-4">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
