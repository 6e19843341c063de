import type { CorrelationSettings, Variable } from '@ivlen/contract';
import type { Pinned } from '../../../pins/pin-button';

/** A question or one of its hypotheses as it is pinned. @param variables those that are correlated */
export function pinnedQuestion(
  title: string,
  settings: CorrelationSettings,
  variables: readonly Variable[],
  of: { readonly question: string; readonly hypothesis?: string },
): Pinned {
  return {
    stage: 'correlations',
    thing: 'text',
    title: title.slice(0, 300),
    request: null,
    settings: { ...settings, view: 'questions', ...of, variables: variables.map(({ id }) => id) },
  };
}
