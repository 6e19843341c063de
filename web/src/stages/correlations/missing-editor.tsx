import type { CorrelationSettings, Study } from '@ivlen/contract';
import { DELETIONS, type SettingsChange } from '../../coefficients/coefficient-editors';
import { OptionList } from '../../methods-line/option-list';
import { REMEDY_LINES } from '../../remedies/remedy-words';
import { useReadOnly } from '../../study/read-only';
import { useStudyChanges } from '../../study/use-study-changes';
import { isLikelihood } from './sentence';

interface MissingEditorProps {
  readonly study: Study;
  readonly settings: CorrelationSettings;
  readonly change: SettingsChange;
  readonly close: () => void;
}

const LIKELIHOOD = 'maximum-likelihood';

/** Rows with missing values: two ways to leave them out are settings; to use them is a decision, since it changes what r is. */
export function MissingEditor({ study, settings, change, close }: MissingEditorProps) {
  const changes = useStudyChanges(study);
  const readOnly = useReadOnly();
  const inForce = isLikelihood(study, settings);
  const choose = (chosen: (typeof DELETIONS)[number]['value'] | typeof LIKELIHOOD) => {
    if (chosen !== LIKELIHOOD) change({ missing: chosen });
    const decided = chosen === LIKELIHOOD ? ({ kind: LIKELIHOOD, among: [] as string[] } as const) : null;
    if (!readOnly && (chosen === LIKELIHOOD) !== inForce)
      changes.change.mutate({ change: { type: 'take-remedy', remedy: decided, pairs: 'every' } });
    close();
  };
  return (
    <OptionList
      label="Rows with missing values"
      value={inForce ? LIKELIHOOD : settings.missing}
      onChoose={choose}
      options={[...DELETIONS, { value: LIKELIHOOD, name: 'Maximum likelihood', words: REMEDY_LINES[LIKELIHOOD] ?? '' }]}
      remark="Maximum likelihood is a decision, with its line in the trail; ρ and τ stay with what is complete."
    />
  );
}
