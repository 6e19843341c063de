import { Link } from 'react-router';
import { Skeleton } from '../../../controls/skeleton';
import { useHelpAddress } from '../../../help-texts/from';
import { formerTerms } from '../../../predictors/predictor-model';
import { useShares } from '../../../predictors/use-shares';
import type { PredictorsViewProps } from '../stage-props';
import { HarmSection } from './harm-section';
import { NearSection } from './near-section';
import { PairsSection } from './pairs-section';
import { SharesSection } from './shares-section';

/** Four things in the order in which one looks: close pairs, shares told, near-dependences, and what harm that does. */
export function PredictorsView(props: PredictorsViewProps) {
  const { model, terms, of, settings } = props;
  const address = useHelpAddress();
  // With no more rows than columns every predictor follows from the others, which says nothing of them.
  const enough = terms.length > 0 && model.triangle.n > terms.flatMap((term) => term.columns).length;
  const shares = useShares(of, model, enough ? terms : null);
  const former = useFormer(props);
  if (!enough) return <SharesSection {...props} terms={terms} shares={null} former={null} />;
  if (shares.error) return <p role="alert">These predictors could not be computed: {shares.error.message}</p>;
  if (!shares.data) return <Skeleton label="Computing how much the predictors tell of each other" className="h-96" />;
  const { facts, found } = shares.data;
  const shown = { ...props, model: facts.model, terms: facts.terms };
  return (
    <div className="flex flex-col gap-7 pt-2 pb-10">
      {facts.terms.length > 1 && <PairsSection {...shown} shares={found} />}
      <SharesSection {...shown} shares={found} former={former} />
      {facts.terms.length > 1 && (
        <>
          <NearSection {...shown} />
          {props.chosen.outcome && model.result.outcomeValues === 3 && <HarmSection {...shown} />}
        </>
      )}
      <p className="text-[13px] text-muted">
        Thresholds such as {settings.threshold.toFixed(2).slice(1)} and {settings.limit} are common practice, no law.{' '}
        <Link to={address('collinearity')} className="text-accent underline">
          What collinearity does and does not do
        </Link>
      </p>
    </div>
  );
}

/** The values that stay as ghosts, by variable; null without any. */
function useFormer({ model, settings, chosen, of }: PredictorsViewProps): ReadonlyMap<string, number> | null {
  const { data } = useShares(of, model, formerTerms(model, chosen.predictors, settings.before));
  if (!settings.before || !data) return null;
  return new Map(data.facts.terms.map((term, k) => [term.of.id, data.found.inflation[k]?.inflation ?? Number.NaN]));
}
