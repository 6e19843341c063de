import { useId } from 'react';

interface CheckListProps<T extends string> {
  readonly label: string;
  readonly options: readonly { readonly value: T; readonly name: string; readonly words?: string }[];
  readonly chosen: readonly T[];
  readonly onChange: (chosen: T[]) => void;
  /** So many have to stay chosen. */
  readonly fewest?: number;
  readonly remark?: string;
}

/** Several of a few, in the order in which they are listed; each with a line on what it means. */
export function CheckList<T extends string>({ label, options, chosen, onChange, fewest = 0, remark }: CheckListProps<T>) {
  const id = useId();
  const change = (value: T, on: boolean) => {
    const next = options.map((option) => option.value).filter((item) => (item === value ? on : chosen.includes(item)));
    if (next.length >= fewest) onChange(next);
  };
  return (
    <>
      <fieldset aria-label={label} className="flex max-h-72 flex-col gap-0.5 overflow-y-auto">
        {options.map(({ value, name, words }) => {
          const isChosen = chosen.includes(value);
          return (
            <label key={value} htmlFor={`${id}-${value}`} className="flex gap-2 rounded px-2 py-1.5 hover:bg-accent-soft">
              <input
                id={`${id}-${value}`}
                type="checkbox"
                className="mt-0.5 size-4 shrink-0 accent-accent"
                checked={isChosen}
                disabled={isChosen && chosen.length <= fewest}
                onChange={(event) => change(value, event.target.checked)}
              />
              <span>
                <span className="block">{name}</span>
                {words && <span className="block text-[13px] text-muted">{words}</span>}
              </span>
            </label>
          );
        })}
      </fieldset>
      {remark && <p className="mt-2 border-t border-rule px-2 pt-2 text-[13px] text-muted">{remark}</p>}
    </>
  );
}
