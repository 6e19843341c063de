import type { Study, TakenRemedy } from '@ivlen/contract';
import { OptionList } from '../methods-line/option-list';
import { useGrouping } from '../settings/use-grouping';
import { useReadOnly } from '../study/read-only';
import { useStudyChanges } from '../study/use-study-changes';
import { displayName } from '../study/variable-name';
import { keyOfRemedy, NO_REMEDY, REMEDY_LINES, remediesForAll, remedyPhrase } from './remedy-words';

/** How all coefficients are got, and the pairs that were decided on by themselves. */
export function RemediesEditor({
  study,
  low = false,
}: {
  readonly study: Study /** Whether little room is left for it. */;
  readonly low?: boolean;
}) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const grouping = useGrouping(study);
  const { every, pairs } = study.state.remedies;
  const offered = remediesForAll(study, grouping?.by ?? null);
  const known = every && !offered.some((remedy) => keyOfRemedy(remedy) === keyOfRemedy(every)) ? [every, ...offered] : offered;
  const choose = (key: string) => {
    const remedy = known.find((item) => keyOfRemedy(item) === key) ?? null;
    if (!readOnly && keyOfRemedy(remedy) !== keyOfRemedy(every)) change.mutate({ change: { type: 'take-remedy', remedy, pairs: 'every' } });
  };
  return (
    <>
      <div className={`overflow-y-auto ${low ? 'max-h-56' : 'max-h-[60vh]'}`}>
        <OptionList
          label="How coefficients are got"
          value={keyOfRemedy(every)}
          onChoose={choose}
          options={[
            { value: 'none', name: capital(NO_REMEDY), words: 'Every row is a case, and every value what was measured.' },
            ...known.map((remedy) => ({
              value: keyOfRemedy(remedy),
              name: capital(remedyPhrase(remedy, study)),
              ...(REMEDY_LINES[remedy.kind] ? { words: REMEDY_LINES[remedy.kind] } : {}),
            })),
          ]}
          remark="A decision for all pairs, with its line in the trail. A coefficient that it does not fit stays as it is: ρ and τ know of no likelihood."
        />
      </div>
      {Object.keys(pairs).length > 0 && (
        <ul className="mt-2 border-t border-rule pt-2" aria-label="Pairs decided on by themselves">
          {Object.entries(pairs).map(([key, remedy]) => (
            <PairLine key={key} study={study} pair={key} remedy={remedy} />
          ))}
        </ul>
      )}
    </>
  );
}

function PairLine({ study, pair, remedy }: { readonly study: Study; readonly pair: string; readonly remedy: TakenRemedy }) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const both = pair.split('~').flatMap((id) => study.state.variables.filter((variable) => variable.id === id));
  const [x, y] = both;
  if (!x || !y) return null;
  const name = `${displayName(x)} × ${displayName(y)}`;
  return (
    <li className="flex items-center gap-3 px-2 py-1">
      <span>
        {name}: {remedyPhrase(remedy, study)}
      </span>
      {!readOnly && (
        <button
          type="button"
          className="button ml-auto py-0.5"
          disabled={change.isPending}
          aria-label={`${name} as all others`}
          onClick={() => change.mutate({ change: { type: 'take-remedy', remedy: null, pairs: [[x.id, y.id]] } })}
        >
          As all others
        </button>
      )}
    </li>
  );
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
