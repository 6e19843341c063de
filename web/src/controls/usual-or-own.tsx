import { OwnValueForm } from './own-value-form';

interface UsualOrOwnProps<T extends number | null> {
  readonly usual: readonly { readonly value: T; readonly name: string }[];
  readonly chosen: T;
  /** Of the field for another one. */
  readonly label: string;
  readonly placeholder?: string;
  /** The number that a text says; NaN where it says none. */
  readonly read: (text: string) => number;
  readonly fits: (value: number) => boolean;
  readonly problem: string;
  readonly onChoose: (value: T | number) => void;
}

/** A number: one of the usual, or one's own. */
export function UsualOrOwn<T extends number | null>({
  usual,
  chosen,
  label,
  placeholder,
  read,
  fits,
  problem,
  onChoose,
}: UsualOrOwnProps<T>) {
  return (
    <>
      <div className="mt-2 flex flex-wrap items-center gap-1.5 px-2">
        {usual.map(({ value, name }) => (
          <button
            key={name}
            type="button"
            aria-pressed={chosen === value}
            className={`button px-2 py-0.5 ${chosen === value ? 'bg-accent-soft' : ''}`}
            onClick={() => onChoose(value)}
          >
            {name}
          </button>
        ))}
      </div>
      <OwnValueForm<number>
        label={label}
        fields={[placeholder ? { placeholder } : {}]}
        read={([text = '']) => {
          const value = text.trim() === '' ? Number.NaN : read(text.replace(',', '.'));
          return fits(value) ? { value } : { problem };
        }}
        onUse={onChoose}
      />
    </>
  );
}
