import { type FormEvent, useId, useState } from 'react';

export interface OwnValueField {
  /** Where one line over all of them does not tell them apart. */
  readonly label?: string;
  readonly placeholder?: string;
}

interface OwnValueFormProps<T> {
  readonly label: string;
  readonly fields?: readonly OwnValueField[];
  /** What the fields say, or the sentence that says why it cannot be used. */
  readonly read: (texts: readonly string[]) => { readonly value: T } | { readonly problem: string };
  readonly onUse: (value: T) => void;
}

const ONE_FIELD: readonly OwnValueField[] = [{}];

/** Beside the usual values: a form for one's own. */
export function OwnValueForm<T>({ label, fields = ONE_FIELD, read, onUse }: OwnValueFormProps<T>) {
  const [texts, setTexts] = useState<readonly string[]>(() => fields.map(() => ''));
  const [problem, setProblem] = useState<string | null>(null);
  const labelId = useId();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const found = read(texts);
    setProblem('problem' in found ? found.problem : null);
    if ('value' in found) onUse(found.value);
  };
  return (
    <form onSubmit={submit} className="mt-2 border-t border-rule px-2 pt-2">
      <p id={labelId} className="mb-1 text-[13px] text-muted">
        {label}
      </p>
      <div className="flex gap-2">
        {fields.map((field, i) => (
          <input
            key={field.label ?? label}
            className="field min-w-0 flex-1"
            inputMode="decimal"
            value={texts[i]}
            {...(field.label ? { 'aria-label': field.label } : { 'aria-labelledby': labelId })}
            placeholder={field.placeholder}
            onChange={(event) => setTexts(texts.map((text, k) => (k === i ? event.target.value : text)))}
          />
        ))}
        <button type="submit" className="button">
          Use
        </button>
      </div>
      {problem && (
        <p role="alert" className="mt-1.5 text-[13px] text-caution">
          {problem}
        </p>
      )}
    </form>
  );
}
