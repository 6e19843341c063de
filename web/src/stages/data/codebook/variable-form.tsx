import { kindsFor, type Study, type Variable } from '@ivlen/contract';
import { useEffect, useRef, useState } from 'react';
import { useForm } from 'react-hook-form';
import { FormButtons, SelectField, TextField } from '../../../controls/form-fields';
import { reliabilityInWords } from '../../../pair-card/attenuation-words';
import { useStudyChanges } from '../../../study/use-study-changes';
import { ReadAgainDialog } from './read-again-dialog';
import { ReliabilityDialog } from './reliability-dialog';
import { consequence, toFields, toPatch, type VariableFields } from './variable-fields';

const NUMBER = { pattern: { value: /^\s*-?\d*[.,]?\d*\s*$/, message: 'Write a number, such as 7 or 7.5.' } };
const RELIABILITY = { pattern: { value: /^\s*(0?[.,]\d*[1-9]\d*|1([.,]0*)?)?\s*$/, message: 'A number above 0 and at most 1.' } };
const DECIMALS = { pattern: { value: /^\s*(\d|10)?\s*$/, message: 'A whole number from 0 to 10, or nothing.' } };
const NAME = { required: 'A variable needs a name.', maxLength: { value: 200, message: 'A name may have up to 200 characters.' } };

/** A codebook entry, open for editing: what it is, how it is shown, what it is for. */
export function VariableForm({ study, variable, onDone }: { study: Study; variable: Variable; onDone: () => void }) {
  const { change } = useStudyChanges(study);
  // What the form was opened on: only fields that differ from it are sent, whatever happens to the study meanwhile.
  const [opened] = useState(variable);
  const { register, handleSubmit, watch, formState } = useForm<VariableFields>({ defaultValues: toFields(opened) });
  const [reading, setReading] = useState(false);
  const [repeated, setRepeated] = useState(false);
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    form.current?.scrollIntoView?.({ block: 'nearest' });
    form.current?.querySelector('input')?.focus({ preventScroll: true });
  }, []);
  const follows = consequence(variable.kind, watch('kind'));
  const problem = (field: keyof VariableFields) => formState.errors[field]?.message;
  const save = handleSubmit((fields) => {
    const patch = toPatch(opened, fields);
    if (Object.keys(patch).length === 0) return onDone();
    const reason = fields.reason.trim();
    change.mutate(
      { change: { type: 'edit-variable', variable: variable.id, patch }, ...(reason ? { reason } : {}) },
      { onSuccess: onDone },
    );
  });
  return (
    <>
      <form
        ref={form}
        onSubmit={(event) => void save(event)}
        className="mt-2 mb-3 grid grid-cols-3 gap-x-6 gap-y-3"
        aria-label={`Entry of ${variable.name}`}
      >
        <fieldset className="space-y-2.5">
          <legend className="mb-1.5 font-semibold">What it is</legend>
          <TextField label="Name" problem={problem('name')} {...register('name', NAME)} />
          <TextField label="Label" {...register('label')} />
          <SelectField label="Kind" {...register('kind')}>
            {kindsFor(variable.storage).map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </SelectField>
          {follows && <p className="text-[13px] text-caution">{follows}</p>}
          {variable.storage === 'code' && variable.derivation === null && (
            <button type="button" className="button-quiet text-[13px]" onClick={() => setReading(true)}>
              Read again as numbers …
            </button>
          )}
          <TextField label="High values mean" placeholder="more of what it stands for" {...register('highMeans')} />
        </fieldset>
        <fieldset className="space-y-2.5">
          <legend className="mb-1.5 font-semibold">How it is shown</legend>
          <TextField label="Unit" {...register('unit')} />
          <TextField label="Decimals" inputMode="numeric" problem={problem('decimals')} {...register('decimals', DECIMALS)} />
          <label className="block">
            <span className="mb-0.5 block text-[13px] text-muted">Labels of values, one a line: 1 = eroded</span>
            <textarea className="field h-24 w-full" {...register('valueLabels')} />
          </label>
        </fieldset>
        <fieldset className="space-y-2.5">
          <legend className="mb-1.5 font-semibold">What it is for, and its limits</legend>
          <SelectField label="Role" {...register('role')}>
            <option value="">none</option>
            <option value="outcome">outcome</option>
            <option value="predictor">predictor</option>
            <option value="grouping">grouping variable</option>
          </SelectField>
          <div className="flex gap-3">
            <TextField label="Smallest possible" problem={problem('low')} {...register('low', NUMBER)} />
            <TextField label="Largest possible" problem={problem('high')} {...register('high', NUMBER)} />
          </div>
          {variable.storage === 'number' && (
            <TextField
              label="Detection limit"
              hint="Values up to it were not measured, and stand at it or below."
              problem={problem('detectionLimit')}
              {...register('detectionLimit', NUMBER)}
            />
          )}
          {variable.storage === 'number' && (
            <TextField
              label="Reliability, if known"
              {...(variable.reliability?.kind === 'repeated' ? { hint: `Now ${reliabilityInWords(variable.reliability)}.` } : {})}
              problem={problem('reliability')}
              {...register('reliability', RELIABILITY)}
            />
          )}
          {variable.storage === 'number' && (
            <button type="button" className="button-quiet text-[13px]" onClick={() => setRepeated(true)}>
              Reliability from repeated columns …
            </button>
          )}
          {variable.derivation === null && <TextField label="Codes for missing" placeholder="-99; n/a" {...register('missingCodes')} />}
          <TextField label="Note" {...register('note')} />
          <TextField label="Reason for the change" hint="Goes into the trail; can be written later." {...register('reason')} />
        </fieldset>
        <FormButtons busy={change.isPending} onCancel={onDone} />
      </form>
      {repeated && (
        <ReliabilityDialog
          study={study}
          variable={variable}
          onClose={() => {
            setRepeated(false);
          }}
        />
      )}
      {reading && (
        <ReadAgainDialog
          study={study}
          variable={variable}
          onClose={() => {
            setReading(false);
          }}
        />
      )}
    </>
  );
}
