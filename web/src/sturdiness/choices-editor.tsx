import { MOST_WAYS } from '@ivlen/core';
import type { TickedChoice } from './ticked';
import { combinationsOfTicks } from './ticked';

interface ChoicesEditorProps {
  readonly choices: readonly TickedChoice[];
  readonly onTick: (choice: TickedChoice, place: number, on: boolean) => void;
  readonly untouched: boolean;
  readonly onReset: () => void;
  readonly readOnly: boolean;
}

/** Which options of each choice are defensible, each with the reason why it is ticked before anybody touched it. */
export function ChoicesEditor({ choices, onTick, untouched, onReset, readOnly }: ChoicesEditorProps) {
  const combinations = combinationsOfTicks(choices);
  return (
    <section aria-label="Choices" className="text-[13px]">
      <p className="text-muted">
        Tick what could be defended. Ticked at first: what is in force, what a caution advises, rows set aside or named in a caution, in and
        out.
      </p>
      <div className="mt-2 space-y-2">
        {choices.map((choice) => (
          <fieldset key={choice.key} className="border-t border-rule pt-1.5">
            <legend className="float-left w-44 pr-3">{choice.title}</legend>
            <div className="flex flex-wrap gap-x-4 gap-y-1">
              {choice.options.map((option, place) => {
                const isOwn = place === choice.own;
                return (
                  <label key={option.key} className="flex items-center gap-1.5" title={option.because ?? ''}>
                    <input
                      type="checkbox"
                      className="size-4 accent-accent"
                      checked={choice.places.includes(place)}
                      disabled={isOwn || readOnly}
                      onChange={(event) => onTick(choice, place, event.target.checked)}
                    />
                    {option.label} {option.because && <span className="text-[12px] text-muted">({option.because})</span>}
                  </label>
                );
              })}
            </div>
          </fieldset>
        ))}
      </div>
      <p className="numerals mt-2 flex flex-wrap items-baseline gap-x-4 border-t border-rule pt-1.5 text-muted">
        {combinations.toLocaleString('en-GB')} {combinations === 1 ? 'combination' : 'combinations'}
        {combinations > MOST_WAYS && `; ${MOST_WAYS.toLocaleString('en-GB')} of them are drawn`}
        {!untouched && !readOnly && (
          <button type="button" className="button-quiet" onClick={onReset}>
            As offered
          </button>
        )}
      </p>
    </section>
  );
}
