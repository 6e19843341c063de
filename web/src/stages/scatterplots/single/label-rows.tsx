import { type FormEvent, useState } from 'react';

interface LabelRowsProps {
  /** How many rows the table has. */
  readonly rows: number;
  readonly labels: readonly number[];
  readonly onChange: (labels: number[]) => void;
}

/** Names rows beside their points by their numbers; or takes all names away. */
export function LabelRows({ rows, labels, onChange }: LabelRowsProps) {
  const [text, setText] = useState('');
  const row = Number(text);
  const usable = Number.isInteger(row) && row >= 1 && row <= rows;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!usable) return;
    if (!labels.includes(row)) onChange([...labels, row]);
    setText('');
  };
  return (
    <form onSubmit={submit} className="flex items-center gap-2">
      <label className="flex items-center gap-1.5 text-muted">
        Name row
        <input
          className="field w-16 py-0.5"
          inputMode="numeric"
          aria-invalid={text !== '' && !usable}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <button type="submit" className="button py-0.5" disabled={!usable}>
        Name
      </button>
      {labels.length > 0 && (
        <button type="button" className="button-quiet" onClick={() => onChange([])}>
          {labels.length === 1 ? 'Without the name' : `Without the ${labels.length} names`}
        </button>
      )}
    </form>
  );
}
