import type { PartProps } from '../stage-props';

/** Why there is no regression: no outcome, or one that cannot be. */
export function NoOutcome({ chosen, model }: PartProps) {
  const refused = chosen.refused !== null || model.result.outcomeValues === 2;
  return (
    <p className="mx-auto max-w-md py-16 text-center font-serif text-lg text-muted">
      {refused
        ? 'A linear regression needs a quantity as its outcome. Choose another outcome in the sentence above.'
        : 'No outcome is chosen. Collinearity needs none; for the regression choose one in the sentence above.'}
    </p>
  );
}
