import type { ImportColumn, ImportSettingsPatch } from '@ivlen/contract';
import { useState } from 'react';

const LEAVE_OUT = 'leave out';
/** Names up to this many letters widen their column. */
const LONGEST_SHOWN = 24;

interface ColumnHeaderProps {
  readonly column: ImportColumn;
  /** Column number from 0. */
  readonly index: number;
  readonly onCorrect: (patch: ImportSettingsPatch) => void;
}

/** A column's name and kind, both to be corrected in place. */
export function ColumnHeader({ column, index, onCorrect }: ColumnHeaderProps) {
  const [name, setName] = useState(column.name);
  const [known, setKnown] = useState(column.name);
  // Another reading of the file may have named the column anew.
  if (known !== column.name) {
    setKnown(column.name);
    setName(column.name);
  }
  const correct = (correction: { name?: string; kind?: ImportColumn['kind']; leaveOut?: boolean }) =>
    onCorrect({ columns: { [index]: correction } });
  const commit = () => {
    if (name.trim() === '') setName(column.name);
    else if (name.trim() !== column.name) correct({ name: name.trim() });
  };
  const choose = (value: string) => {
    const kind = column.kinds.find((item) => item === value);
    if (value === LEAVE_OUT) correct({ leaveOut: true });
    else if (kind) correct({ kind, leaveOut: false });
  };
  return (
    <th scope="col" className={`min-w-28 px-1.5 py-1.5 text-left font-normal ${column.leftOut ? 'opacity-60' : ''}`}>
      <select
        className="w-full rounded border border-transparent bg-transparent px-1 py-0.5 text-[12px] text-accent hover:border-edge"
        aria-label={`Kind of ${column.name}`}
        value={column.leftOut ? LEAVE_OUT : column.kind}
        onChange={(event) => choose(event.target.value)}
      >
        {column.kinds.map((kind) => (
          <option key={kind} value={kind} className="bg-surface text-ink">
            {kind}
          </option>
        ))}
        <option value={LEAVE_OUT} className="bg-surface text-ink">
          {LEAVE_OUT}
        </option>
      </select>
      <input
        className="w-full rounded border border-transparent bg-transparent px-1.5 py-0.5 font-semibold hover:border-edge focus:border-edge"
        aria-label={`Name of column ${index + 1}`}
        style={{ minWidth: `${Math.min(LONGEST_SHOWN, name.length + 2)}ch` }}
        value={name}
        onChange={(event) => setName(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
      <span className="block px-1.5 text-[12px] text-muted">
        {column.unit && `${column.unit} · `}
        {column.missing === 0 ? 'none missing' : `${column.missing.toLocaleString('en-GB')} missing`}
      </span>
    </th>
  );
}
