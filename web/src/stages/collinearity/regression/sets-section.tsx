import { MOST_SETS } from '@ivlen/contract';
import { useState } from 'react';
import { joined } from '../../../coefficients/coefficient-names';
import { CopyButton } from '../../../controls/copy-button';
import { stepSentence } from '../../../predictors/model-words';
import type { ModelTerm } from '../../../predictors/predictor-model';
import { setsTable } from '../../../predictors/tables';
import { useComputing } from '../../../predictors/use-computing';
import { ValueTableView } from '../../../tables/value-table-view';
import type { PartProps } from '../stage-props';

/** The terms of each ordered set that has any. */
function orderedSets(terms: readonly ModelTerm[], sets: PartProps['settings']['sets']): ModelTerm[][] {
  return Array.from({ length: MOST_SETS }, (_, k) => terms.filter(({ of }) => (sets[of.id] ?? 1) === k + 1)).filter(
    (set) => set.length > 0,
  );
}

/** Does a set of predictors add anything beyond those entered before it? */
export function SetsSection({ model, terms, settings, patch, of, levels }: PartProps) {
  const sets = orderedSets(terms, settings.sets);
  const chosen = sets.length > 1;
  const [asked, setAsked] = useState(false);
  const open = chosen || asked;
  const { data } = useComputing(
    'blocks',
    of,
    chosen ? [model.triangle, sets.map((set) => set.flatMap((term) => term.columns))] : null,
    sets.map((set) => set.map(({ name }) => name)),
  );
  const names = data?.facts ?? [];
  const said = chosen && data ? data.found.map((step, k) => stepSentence(step, names[k] ?? [], k, levels)) : [];
  const choose = (id: string, set: number) => {
    const { [id]: _, ...others } = settings.sets;
    patch({ sets: set === 1 ? others : { ...others, [id]: set } });
  };
  return (
    <section aria-label="Predictors in ordered sets">
      <div className="flex items-baseline gap-4">
        <h2 className="text-[15px]">Beyond the first set</h2>
        {!open && (
          <button type="button" className="button-quiet text-[13px]" onClick={() => setAsked(true)}>
            Enter the predictors in two or three sets
          </button>
        )}
        {said.length > 0 && <CopyButton className="text-[13px]" label="Copy the sentences" text={said.join('\n')} />}
      </div>
      {open && (
        <div className="mt-2 grid grid-cols-[minmax(220px,320px)_1fr] gap-8">
          <fieldset aria-label="Which set each predictor is entered in" className="max-h-72 overflow-y-auto">
            {terms.map(({ of: variable, name }) => (
              <label key={variable.id} className="flex items-center gap-2 border-b border-rule py-1">
                <span className="min-w-0 flex-1 truncate" title={name}>
                  {name}
                </span>
                <select
                  className="field py-0"
                  aria-label={`Set of ${name}`}
                  value={settings.sets[variable.id] ?? 1}
                  onChange={(event) => choose(variable.id, Number(event.target.value))}
                >
                  {Array.from({ length: MOST_SETS }, (_, k) => (
                    <option key={k} value={k + 1}>
                      {['first', 'second', 'third'][k]} set
                    </option>
                  ))}
                </select>
              </label>
            ))}
          </fieldset>
          <div>
            {said.length === 0 && (
              <p className="text-muted">Put those into the second set of which you ask whether they add anything beyond the first.</p>
            )}
            {said.map((words) => (
              <p key={words} className="font-serif text-[16px] leading-snug" data-testid="set-sentence">
                {words}
              </p>
            ))}
            {chosen && data && (
              <ValueTableView
                table={setsTable(
                  data.found,
                  names.map((set) => joined(set)),
                  levels,
                )}
                className="mt-3 w-full text-[13px]"
                testId="sets-table"
              />
            )}
          </div>
        </div>
      )}
    </section>
  );
}
