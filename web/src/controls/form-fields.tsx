import { type ComponentPropsWithRef, type ReactNode, useId } from 'react';

interface TextFieldProps extends ComponentPropsWithRef<'input'> {
  readonly label: string;
  readonly hint?: string;
  readonly problem?: string | undefined;
}

/** A field with its name above it and, below, what is wrong with it or what it is for. */
export function TextField({ label, hint, problem, ...field }: TextFieldProps) {
  const id = useId();
  const said = problem ?? hint;
  return (
    <div>
      <label htmlFor={id} className="mb-0.5 block text-[13px] text-muted">
        {label}
      </label>
      <input
        id={id}
        className="field w-full"
        aria-invalid={problem ? true : undefined}
        aria-describedby={said ? `${id}-said` : undefined}
        {...field}
      />
      {said && (
        <p
          id={`${id}-said`}
          role={problem ? 'alert' : undefined}
          className={`mt-0.5 text-[13px] ${problem ? 'text-caution' : 'text-muted'}`}
        >
          {said}
        </p>
      )}
    </div>
  );
}

export function SelectField({ label, children, ...field }: { label: string; children: ReactNode } & ComponentPropsWithRef<'select'>) {
  return (
    <label className="block">
      <span className="mb-0.5 block text-[13px] text-muted">{label}</span>
      <select className="field w-full" {...field}>
        {children}
      </select>
    </label>
  );
}

export function FormButtons({ busy, onCancel }: { busy: boolean; onCancel: () => void }) {
  return (
    <div className="col-span-full flex gap-2 pt-1">
      <button type="submit" className="button-primary" disabled={busy}>
        {busy ? 'Saving …' : 'Save'}
      </button>
      <button type="button" className="button" onClick={onCancel}>
        Cancel
      </button>
    </div>
  );
}
