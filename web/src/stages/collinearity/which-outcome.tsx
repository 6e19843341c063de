import { canBeCorrelated } from '@ivlen/contract';
import type { Chosen } from '../../predictors/chosen-predictors';
import { displayName } from '../../study/variable-name';

interface WhichOutcomeProps {
  readonly chosen: Chosen;
  /** @param outcome null for none */
  readonly onSay: (outcome: string | null) => void;
}

/** Asked before any share is shown: an outcome among the predictors would make the others look more collinear than they are. */
export function WhichOutcome({ chosen, onSay }: WhichOutcomeProps) {
  const able = chosen.predictors.filter(({ of }) => canBeCorrelated(of) && of.kind !== 'two-valued').map(({ of }) => of);
  return (
    <section aria-labelledby="which-outcome" className="mx-auto max-w-xl py-12">
      <h2 id="which-outcome" className="mb-1 text-center font-serif text-lg">
        Is one of these the outcome?
      </h2>
      <p className="mb-4 text-center text-muted">
        Collinearity is about predictors. An outcome counted among them would raise every VIF; none is named yet.
      </p>
      <div className="flex flex-wrap justify-center gap-2">
        {able.map((variable) => (
          <button key={variable.id} type="button" className="button" onClick={() => onSay(variable.id)}>
            {displayName(variable)}
          </button>
        ))}
        <button type="button" className="button-primary" onClick={() => onSay(null)}>
          None: all are predictors
        </button>
      </div>
    </section>
  );
}
