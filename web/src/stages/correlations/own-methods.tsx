import type { Study } from '@ivlen/contract';
import { COEFFICIENTS, type Method } from '@ivlen/core';
import { useReadOnly } from '../../study/read-only';
import { useStudyChanges } from '../../study/use-study-changes';
import { displayName } from '../../study/variable-name';
import { variablesWithOwnMethod } from './sentence';

/** The variables that have a method of their own, each to be treated as all others again. */
export function OwnMethods({ study, common }: { study: Study; common: Method }) {
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
