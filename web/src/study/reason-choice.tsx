import { type FormEvent, useState } from 'react';

interface ReasonChoiceProps {
  /** The usual reasons, each chosen by one press. */
  readonly usual: readonly string[];
  /** What the button beside a reason in the user's own words does. */
  readonly action: string;
  readonly disabled?: boolean;
  readonly onChoose: (because: string) => void;
}

/** Asks for the reason of a decision: one of the usual, or another in the user's own words. */
export function ReasonChoice({ usual, action, disabled = false, onChoose }: ReasonChoiceProps) {
  const [other, setOther] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (other.trim()) onChoose(other.trim());
  };
  return (
    <>
      <div className="flex flex-wrap gap-2">
        {usual.map((reason) => (
          <button key={reason} type="button" className="button py-0.5" disabled={disabled} onClick={() => onChoose(reason)}>
            {reason}
          </button>
        ))}
      </div>
      <form onSubmit={submit} className="mt-2.5 flex gap-2">
        <input
          className="field min-w-0 flex-1 py-0.5"
          placeholder="another reason"
          aria-label="Another reason"
          value={other}
          maxLength={300}
          onChange={(event) => setOther(event.target.value)}
        />
        <button type="submit" className="button py-0.5" disabled={!other.trim() || disabled}>
          {action}
        </button>
      </form>
    </>
  );
}
