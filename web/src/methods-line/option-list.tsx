import { RadioGroup } from 'radix-ui';

interface Option<T extends string> {
  readonly value: T;
  readonly name: string;
  readonly words?: string;
}

interface OptionListProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly Option<T>[];
  readonly onChoose: (value: T) => void;
  /** Words under the list. */
  readonly remark?: string;
}

/** A few alternatives of which one holds, each with a line on what it means. */
export function OptionList<T extends string>({ label, value, options, onChoose, remark }: OptionListProps<T>) {
  const choose = (chosen: string) => {
    const option = options.find((item) => item.value === chosen);
    if (option) onChoose(option.value);
  };
  return (
    <>
      <RadioGroup.Root aria-label={label} value={value} onValueChange={choose} className="flex flex-col gap-0.5">
        {options.map((option) => (
          <RadioGroup.Item
            key={option.value}
            value={option.value}
            className="flex gap-2 rounded px-2 py-1.5 text-left hover:bg-accent-soft data-[state=checked]:bg-accent-soft"
          >
            <span className="mt-1 flex size-3 shrink-0 items-center justify-center rounded-full border border-edge">
              <RadioGroup.Indicator className="size-1.5 rounded-full bg-accent" />
            </span>
            <span>
              <span className="block">{option.name}</span>
              {option.words && <span className="block text-[13px] text-muted">{option.words}</span>}
            </span>
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      {remark && <p className="mt-2 border-t border-rule px-2 pt-2 text-[13px] text-muted">{remark}</p>}
    </>
  );
}
