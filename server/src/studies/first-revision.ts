import type { StudyState } from '@ivlen/contract';

export const FIRST_REVISION = 1;

/** A state whose columns were all written anew with a study's first revision. */
export function atFirstRevision(state: StudyState): StudyState {
  return {
    ...state,
    variables: state.variables.map((variable) => ({ ...variable, version: FIRST_REVISION })),
    setAside: state.setAside && { ...state.setAside, version: FIRST_REVISION },
    inUse: state.inUse && { ...state.inUse, version: FIRST_REVISION },
  };
}
