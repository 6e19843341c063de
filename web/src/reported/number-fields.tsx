import { type ReactNode, useId } from 'react';

interface NumberFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly placeholder?: string;
}

/** A number as people write it. */
export function NumberField({ label, value, onChange, placeholder }: NumberFieldProps) {
  const id = useId();
  return (
    <label htmlFor={id} className="text-[13px] text-muted">
      {label}
      <input
        id={id}
        inputMode="decimal"
        className="field mt-0.5 block w-24"
        value={value}
        placeholder={placeholder}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}

/** A calculator: fields above, what follows from them below. */
export function Calculator({ title, fields, children }: { title: string; fields: ReactNode; children: ReactNode }) {
  return (
    <section aria-label={title} className="border-t border-edge pt-3">
      <h2 className="mb-2 text-[17px]">{title}</h2>
      <div className="mb-3 flex flex-wrap items-end gap-3">{fields}</div>
      {children}
    </section>
  );
}

/** What is wrong with the fields, in a sentence. */
export function Problem({ children }: { children: ReactNode }) {
  return (
    <p role="alert" className="text-caution">
      {children}
    </p>
  );
}
