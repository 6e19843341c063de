import type { CollinearitySettings, Study, Variable } from '@ivlen/contract';
import { CheckList } from '../../methods-line/check-list';
import { OptionList } from '../../methods-line/option-list';
import { type Chosen, canEnter } from '../../predictors/chosen-predictors';
import { displayName } from '../../study/variable-name';

interface PredictorsEditorProps {
  readonly study: Study;
  readonly chosen: Chosen;
  readonly ticked: readonly Variable[];
  readonly onChange: (patch: Partial<CollinearitySettings>) => void;
}

/** Where the predictors come from: their role or the ticks on the left, or a choice made here. */
export function PredictorsEditor({ study, chosen, ticked, onChange }: PredictorsEditorProps) {
  const { variables, leftOut } = study.state;
  const outcome = chosen.outcome ?? chosen.refused;
  const able = variables.filter((variable) => canEnter(variable) && variable.id !== outcome?.id && !leftOut.includes(variable.id));
  const byRole = able.filter(({ role }) => role === 'predictor');
  const among = chosen.predictors.map(({ variable }) => variable);
  const fresh = { off: [], before: null, released: false };
  return (
    <div className="grid grid-cols-2 gap-x-6">
      <div>
        <OptionList
          label="Where the predictors come from"
          value={chosen.how}
          options={[
            {
              value: 'ticked',
              name: 'Those ticked on the left',
              words: `${ticked.length} are ticked; the outcome is not among the predictors.`,
            },
            {
              value: 'role',
              name: 'Those whose role is predictor',
              words:
                byRole.length > 0
                  ? `${byRole.length === 1 ? 'One has' : `${byRole.length} have`} it: roles are set in a variable’s menu on the left, or in the codebook.`
                  : 'None has it yet: roles are set in a variable’s menu on the left, or in the codebook.',
            },
            { value: 'own', name: 'A choice made here', words: 'Nominal ones too; for this stage alone.' },
          ]}
          onChoose={(from) => onChange({ from, ...(from === 'own' ? { predictors: among } : {}), ...fresh })}
        />
      </div>
      <CheckList
        label="Predictors"
        options={able.map((variable) => ({ value: variable.id, name: displayName(variable), words: variable.kind }))}
        chosen={among}
        onChange={(predictors) => onChange({ from: 'own', predictors, ...fresh })}
      />
    </div>
  );
}
