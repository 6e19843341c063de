import { type CorrelationSettings, type Half, halfSchema } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { percent } from '../../coefficients/cell-data';
import { levelInWords } from '../../coefficients/levels';
import { PopoverEditor } from '../../controls/popover-editor';
import { UsualOrOwn } from '../../controls/usual-or-own';

interface GridOptionsProps {
  readonly settings: CorrelationSettings;
  readonly patch: (part: Partial<CorrelationSettings>) => void;
}

const ORDERS = { listed: 'as listed', cluster: 'by cluster', name: 'by name' } as const;
const SIZES = { comfortable: 'comfortable', compact: 'compact', colour: 'colour only' } as const;
const UNDER = { nothing: 'nothing', interval: 'its interval', n: 'number of rows' } as const;
const CAUTIONS = { decisive: 'that could change the conclusion', all: 'all', none: 'none' } as const;

/** What the two halves show, the order, the size, and the mark of strength. */
export function GridOptions({ settings, patch }: GridOptionsProps) {
  const { below, above, order, size, cautions, descriptives, under } = settings;
  const halves = halfWords(settings);
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-muted">
      {size !== 'colour' && (
        <>
          <Choice label="Below the diagonal" value={below} options={halves} onChoose={(half) => patch({ below: half })} />
          <Choice label="Above the diagonal" value={above} options={halves} onChoose={(half) => patch({ above: half })} />
        </>
      )}
      <Choice label="Order" value={order} options={ORDERS} onChoose={(next) => patch({ order: next })} />
      <Choice label="Size" value={size} options={SIZES} onChoose={(next) => patch({ size: next })} />
      <Strength settings={settings} patch={patch} />
      <PopoverEditor label="More of the matrix" trigger="More" triggerClass="button-quiet" width="w-72" align="end">
        {() => (
          <>
            {size === 'comfortable' && (
              <Choice label="Under the coefficient" value={under} options={UNDER} onChoose={(next) => patch({ under: next })} />
            )}
            <Choice label="Underline cautions" value={cautions} options={CAUTIONS} onChoose={(next) => patch({ cautions: next })} />
            <label className="mt-2 flex items-center gap-2">
              <input
                type="checkbox"
                className="size-4 accent-accent"
                checked={descriptives}
                onChange={(event) => patch({ descriptives: event.target.checked })}
              />
              Means and standard deviations beside the matrix
            </label>
          </>
        )}
      </PopoverEditor>
    </div>
  );
}

/** What a half can show; a second coefficient and adjusted p only where there are any. */
function halfWords({ methods, adjust, level, below, above }: CorrelationSettings): Partial<Record<Half, string>> {
  const second = methods[1];
  const words: Record<Half, string> = {
    coefficient: COEFFICIENTS[methods[0] ?? 'pearson'].name,
    second: second ? COEFFICIENTS[second].name : 'a second coefficient',
    p: 'p-value',
    'adjusted-p': 'adjusted p',
    n: 'number of rows',
    interval: `${percent(level)} interval`,
    plot: 'scatterplots',
    nothing: 'nothing',
  };
  const there = (half: Half) =>
    half === below || half === above || ((half !== 'second' || second !== undefined) && (half !== 'adjusted-p' || adjust !== 'none'));
  return Object.fromEntries(halfSchema.options.filter(there).map((half) => [half, words[half]]));
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: Readonly<Partial<Record<T, string>>>;
  readonly onChoose: (value: T) => void;
}

function Choice<T extends string>({ label, value, options, onChoose }: ChoiceProps<T>) {
  const entries = Object.entries(options) as [T, string][];
  return (
    <label className="inline-flex items-center gap-1">
      {label}
      <select
        className="rounded border border-transparent bg-transparent py-0.5 text-accent hover:border-edge"
        value={value}
        onChange={(event) => {
          const chosen = entries.find(([option]) => option === event.target.value)?.[0];
          if (chosen) onChoose(chosen);
        }}
      >
        {entries.map(([option, words]) => (
          <option key={option} value={option} className="bg-surface text-ink">
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

const USUAL = [...[0.3, 0.5, 0.7, 0.9].map((value) => ({ value, name: levelInWords(value) })), { value: null, name: 'none' }];

function Strength({ settings: { strength, dim }, patch }: GridOptionsProps) {
  return (
    <PopoverEditor
      label="Strength mark"
      trigger={strength === null ? 'Outline strong ones' : `Outlined from ${levelInWords(strength)}${dim ? ', others dimmed' : ''}`}
      triggerClass="button-quiet"
      width="w-72"
    >
      {() => (
        <>
          <p className="px-2 text-[13px] text-muted">
            An outline around coefficients of at least this size, of either sign; judged before rounding.
          </p>
          <UsualOrOwn
            usual={USUAL}
            chosen={strength}
            label="another size"
            placeholder=".4"
            read={Number}
            fits={(value) => value > 0 && value <= 1}
            problem="A size lies above 0 and up to 1, such as .5."
            onChoose={(size) => patch({ strength: size })}
          />
          <label className="mt-2 flex items-center gap-2 px-2">
            <input
              type="checkbox"
              className="size-4 accent-accent"
              checked={dim}
              disabled={strength === null}
              onChange={(event) => patch({ dim: event.target.checked })}
            />
            Dim the others
          </label>
        </>
      )}
    </PopoverEditor>
  );
}
