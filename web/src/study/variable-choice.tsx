import type { Variable } from '@ivlen/contract';
import { displayName } from './variable-name';

interface VariableChoiceProps {
  readonly label: string;
  readonly value: Variable;
  readonly options: readonly Variable[];
  readonly onChoose: (variable: Variable) => void;
}

/** A variable as a word of a sentence that can be changed. */
export function VariableChoice({ label, value, options, onChoose }: VariableChoiceProps) {
  return (
    <select
      aria-label={label}
      className="rounded border border-edge bg-surface px-1.5 py-0.5 font-sans text-[15px] text-accent"
      value={value.id}
      onChange={(event) => {
        const chosen = options.find(({ id }) => id === event.target.value);
        if (chosen) onChoose(chosen);
      }}
    >
      {options.map((variable) => (
        <option key={variable.id} value={variable.id} className="bg-surface text-ink">
          {displayName(variable)}
        </option>
      ))}
    </select>
  );
}
