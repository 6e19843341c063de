import { type FormEvent, useState } from 'react';
import { useReadOnly } from '../../../study/read-only';

interface BlockHeadingProps {
  readonly heading: string;
  /** Whether it was written by the researcher. */
  readonly isOwn: boolean;
  readonly onChange: (heading: string | null) => void;
}

/** A heading that is renamed in place; left empty, the one that follows from the content stands again. */
export function BlockHeading({ heading, isOwn, onChange }: BlockHeadingProps) {
  const readOnly = useReadOnly();
  const [editing, setEditing] = useState(false);
  const save = (text: string) => {
    setEditing(false);
    const trimmed = text.trim();
    if (trimmed === '' ? isOwn : trimmed !== heading) onChange(trimmed === '' ? null : trimmed);
  };
  if (editing) {
    const submit = (event: FormEvent<HTMLFormElement>) => {
      event.preventDefault();
      save(String(new FormData(event.currentTarget).get('heading') ?? ''));
    };
    return (
      <form onSubmit={submit} className="mt-6 mb-2">
        <input
          name="heading"
          aria-label="Heading"
          // biome-ignore lint/a11y/noAutofocus: it takes the place of what was pressed.
          autoFocus
          className="field w-full text-[20px] font-semibold"
          maxLength={300}
          defaultValue={heading}
          onBlur={(event) => save(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && setEditing(false)}
        />
        {isOwn && <p className="font-sans text-[13px] text-muted">Left empty, the usual heading stands again.</p>}
      </form>
    );
  }
  return (
    <h2 className="mt-6 mb-2 break-after-avoid text-[20px] leading-snug">
      {readOnly ? (
        heading
      ) : (
        <button type="button" className="cursor-text text-left hover:underline" title="Rename the heading" onClick={() => setEditing(true)}>
          {heading}
        </button>
      )}
    </h2>
  );
}
