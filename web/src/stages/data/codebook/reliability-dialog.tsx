import { isQuantity, type Study, type Variable, type VariableReliability } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { analysisQuery } from '../../../api/queries';
import { FailureNotice } from '../../../controls/failure-notice';
import { CloseButton, Modal } from '../../../controls/modal';
import { CheckList } from '../../../methods-line/check-list';
import { fineCoefficientText, fineIntervalText } from '../../../numbers/number-text';
import { RELIABILITY_FORMS } from '../../../pair-card/attenuation-words';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';

const LEVEL = 0.95;
type Form = Extract<VariableReliability, { kind: 'repeated' }>['form'];
const FORMS = Object.keys(RELIABILITY_FORMS) as Form[];

/** How reliable a variable is, from columns in which the same thing was measured again. */
export function ReliabilityDialog({ study, variable, onClose }: { study: Study; variable: Variable; onClose: () => void }) {
  const { reliability } = variable;
  const [columns, setColumns] = useState<readonly string[]>(reliability?.kind === 'repeated' ? reliability.columns : [variable.id]);
  const { change } = useStudyChanges(study);
  const offered = study.state.variables.filter(isQuantity);
  const request = { kind: 'reliability' as const, columns: [...columns], level: LEVEL };
  const { data, error } = useQuery({ ...analysisQuery(study.id, study.head, request), enabled: columns.length > 1 });
  const take = (taken: VariableReliability | null) =>
    change.mutate({ change: { type: 'edit-variable', variable: variable.id, patch: { reliability: taken } } }, { onSuccess: onClose });
  return (
    <Modal
      title={`How reliable ${displayName(variable)} is`}
      description="Columns in which the same thing was measured again; estimated anew whenever the rows change."
      className="w-[560px]"
      onClose={onClose}
    >
      <div className="max-h-48 overflow-y-auto">
        <CheckList
          label="Repeated columns"
          options={offered.map((item) => ({ value: item.id, name: displayName(item) }))}
          chosen={columns}
          onChange={setColumns}
        />
      </div>
      {error && <FailureNotice error={error} />}
      {columns.length < 2 && <p className="mt-2 text-muted">Tick two columns or more.</p>}
      {columns.length > 1 && data && (
        <ul className="mt-3 space-y-2" aria-label="Reliabilities">
          {FORMS.map((form) => {
            const { value, low, high } = data.forms[form];
            return (
              <li key={form} className="flex items-baseline gap-3">
                <span className="numerals">
                  {RELIABILITY_FORMS[form].name} = {value === null ? '–' : fineCoefficientText(value)}
                  {low !== null && high !== null && ` ${fineIntervalText(low, high)}`}
                  <span className="block text-[13px] text-muted">where {RELIABILITY_FORMS[form].when}</span>
                </span>
                <button
                  type="button"
                  className="button ml-auto py-0.5"
                  disabled={change.isPending || value === null || value <= 0}
                  aria-label={`Use ${RELIABILITY_FORMS[form].name}`}
                  onClick={() => take({ kind: 'repeated', columns: [...columns], form })}
                >
                  Use
                </button>
              </li>
            );
          })}
        </ul>
      )}
      <p className="mt-4 flex gap-4">
        {reliability && (
          <button type="button" className="button" disabled={change.isPending} onClick={() => take(null)}>
            Take it away
          </button>
        )}
        <CloseButton>Close</CloseButton>
      </p>
    </Modal>
  );
}
