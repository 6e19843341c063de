import { useRef } from 'react';

interface CellEditorProps {
  readonly initial: string;
  readonly label: string;
  readonly numeric: boolean;
  /** Undefined leaves the cell as it was; `step` says where the cursor goes. */
  readonly onDone: (text: string | undefined, step: { down: number; right: number } | null) => void;
}

/** A field in place of a cell: Enter and Tab keep what was typed and go on, Escape gives it up. */
export function CellEditor({ initial, label, numeric, onDone }: CellEditorProps) {
  const done = useRef(false);
  const finish = (text: string | undefined, step: { down: number; right: number } | null) => {
    if (done.current) return;
    done.current = true;
    onDone(text, step);
  };
  return (
    <input
      // biome-ignore lint/a11y/noAutofocus: the person has just asked for this field.
      autoFocus
      className={`absolute inset-0 bg-surface px-2 outline-2 -outline-offset-2 outline-accent ${numeric ? 'text-right' : ''}`}
      aria-label={label}
      defaultValue={initial}
      onFocus={(event) => event.currentTarget.setSelectionRange(initial.length, initial.length)}
      onMouseDown={(event) => event.stopPropagation()}
      onBlur={(event) => finish(event.currentTarget.value, null)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape') finish(undefined, { down: 0, right: 0 });
        else if (event.key === 'Enter') finish(event.currentTarget.value, { down: event.shiftKey ? -1 : 1, right: 0 });
        else if (event.key === 'Tab') {
          event.preventDefault();
          finish(event.currentTarget.value, { down: 0, right: event.shiftKey ? -1 : 1 });
        }
      }}
    />
  );
}
