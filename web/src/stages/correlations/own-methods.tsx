import type { Study } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES, type Method } from '@ivlen/core';
import { joined } from '../../coefficients/coefficient-names';
import type { MethodsPart } from '../../methods-line/methods-parts';
import { useReadOnly } from '../../study/read-only';
import { useStudyChanges } from '../../study/use-study-changes';
import { displayName } from '../../study/variable-name';

/** ", Spearman’s ρ for pairs with conductivity": nothing where no variable has a method of its own. */
export function ownMethodsPart(study: Study, common: Method): MethodsPart[] {
  const own = variablesWithOwnMethod(study, common);
  if (own.length === 0) return [];
  const words = METHOD_NAMES.flatMap((method) => {
    const names = own.filter((item) => item.method === method).map(({ variable }) => displayName(variable));
    if (names.length === 0) return [];
    return [`${COEFFICIENTS[method].name} for pairs with ${joined(names, 'or')}`];
  });
  return [
    { type: 'text', text: ', ' },
    {
      type: 'choice',
      text: words.join(', '),
      label: 'methods of single variables',
      content: () => <OwnMethods study={study} common={common} />,
    },
  ];
}

function variablesWithOwnMethod({ state }: Study, common: Method) {
  return state.variables.flatMap((variable) => {
    const method = state.pairMethods[variable.id];
    return method && method !== common ? [{ variable, method }] : [];
  });
}

function OwnMethods({ study, common }: { study: Study; common: Method }) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  return (
    <>
      <ul>
        {variablesWithOwnMethod(study, common).map(({ variable, method }) => (
          <li key={variable.id} className="flex items-center gap-3 px-2 py-1">
            <span>
              {displayName(variable)}: {COEFFICIENTS[method].name}
            </span>
            {!readOnly && (
              <button
                type="button"
                className="button ml-auto py-0.5"
                disabled={change.isPending}
                aria-label={`${displayName(variable)} as all others`}
                onClick={() => change.mutate({ change: { type: 'set-pair-method', variable: variable.id, method: null } })}
              >
                As all others
              </button>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-2 border-t border-rule px-2 pt-2 text-[13px] text-muted">
        Decided for these variables, with the reason in the trail. Where two such variables meet, τ goes before ρ, and ρ before r.
      </p>
    </>
  );
}
