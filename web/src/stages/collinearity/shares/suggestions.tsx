import { joined } from '../../../coefficients/coefficient-names';
import { FailureNotice } from '../../../controls/failure-notice';
import { ProgressLine } from '../../../controls/progress-line';
import { StoppedNotice } from '../../../controls/stopped-notice';
import type { Shares } from '../../../predictors/find-shares';
import { vifText } from '../../../predictors/numbers';
import { useLargestSets } from '../../../predictors/use-largest-sets';
import { computedSentences, noSuggestion, suggestionSentence, suggestionsOf } from '../../../predictors/words';
import { useAddress } from '../address';
import type { PredictorsViewProps } from '../stage-props';

/** Which one to look without, in order of effect; nothing is left out by itself. */
export function Suggestions(props: PredictorsViewProps & { readonly shares: Shares }) {
  const { shares, terms, settings, onSwitch } = props;
  const suggestions = suggestionsOf(shares, settings.limit);
  return (
    <div className="mt-3" data-testid="suggestions">
      {suggestions.length === 0 ? (
        <p className="font-serif text-[16px]">{noSuggestion(shares, settings.limit)}</p>
      ) : (
        <ul>
          {suggestions.map((suggestion) => (
            <li key={suggestion.places.join(' ')} className="flex flex-wrap items-baseline gap-x-3 py-0.5">
              <span className="font-serif text-[16px]">{suggestionSentence(suggestion, terms, settings.limit)}</span>
              {suggestion.places.slice(0, 4).map((place) => {
                const term = terms[place];
                return (
                  term && (
                    <button key={place} type="button" className="button-quiet text-[13px]" onClick={() => onSwitch(term.of.id, false)}>
                      Without {term.name}
                    </button>
                  )
                );
              })}
            </li>
          ))}
        </ul>
      )}
      {shares.largest > settings.limit && <LargestSets {...props} />}
      {shares.largest > 5 &&
        computedSentences(terms).map((words) => (
          <p key={words} className="mt-1 max-w-4xl text-[13px] text-muted" data-testid="computed-from">
            {words}
          </p>
        ))}
    </div>
  );
}

/** All largest sets of predictors that stay within the limit, on request. */
function LargestSets({ model, terms, of, settings, patch }: PredictorsViewProps) {
  const [shown, show] = useAddress('sets');
  const asked = shown !== null;
  const { data, error, progress, stopped, stop, resume } = useLargestSets(of, model, terms, settings.limit, asked);
  if (!asked) {
    return (
      <button type="button" className="button-quiet mt-1 text-[13px]" onClick={() => show('largest')}>
        Which largest sets stay within VIF {settings.limit}?
      </button>
    );
  }
  if (error) return <FailureNotice error={error} />;
  if (stopped) {
    return <StoppedNotice words="The search was stopped." again="Search" className="mt-2 text-[13px]" onResume={resume} />;
  }
  if (!data) {
    return (
      <div className="mt-2 text-[13px]">
        <ProgressLine label="Looking through sets of predictors" progress={progress} onStop={stop} />
      </div>
    );
  }
  const { terms: facts, found } = data;
  const nameOf = (places: readonly number[]) => joined(places.map((place) => facts[place]?.name ?? ''));
  const left = (places: readonly number[]) => [...facts.keys()].filter((place) => !places.includes(place));
  return (
    <div className="mt-2" data-testid="largest-sets">
      <p className="text-[13px] text-muted">
        {found.complete
          ? `At most ${found.size} of ${facts.length} predictors stay within VIF ${settings.limit}; ${found.sets.length === 1 ? 'one set does' : `these ${found.sets.length} sets do`}:`
          : `There are too many sets to look through all of them. Leaving out one at a time ended at ${found.size} predictors:`}
      </p>
      <ul className="mt-1">
        {found.sets.slice(0, 12).map((set) => (
          <li key={set.terms.join(' ')} className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-1">
            <span>without {nameOf(left(set.terms))}</span>
            <span className="numerals text-[13px] text-muted">largest VIF {vifText(set.largest)}</span>
            <button
              type="button"
              className="button-quiet text-[13px]"
              onClick={() =>
                patch({
                  off: [...settings.off, ...left(set.terms).flatMap((place) => facts[place]?.of.id ?? [])],
                  before: settings.released ? null : (settings.before ?? settings.off),
                })
              }
            >
              Look at it
            </button>
          </li>
        ))}
      </ul>
      {found.sets.length > 12 && <p className="mt-1 text-[13px] text-muted">and {found.sets.length - 12} more.</p>}
    </div>
  );
}
