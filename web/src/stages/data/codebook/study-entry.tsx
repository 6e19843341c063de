import { ROWS_CHOSEN_WORDS, rowsChosenSchema, type Study, type StudyEntryPatch } from '@ivlen/contract';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { FormButtons, SelectField, TextField } from '../../../controls/form-fields';
import { useReadOnly } from '../../../study/read-only';
import { useStudyChanges } from '../../../study/use-study-changes';
import { studySentences } from './entry-sentence';

interface Fields {
  rowMeaning: string;
  rowsChosen: string;
  source: string;
  citation: string;
  exclusions: string;
}

/** What one row is, how the rows were chosen, where the table comes from, how it is cited, and what is missing from it. */
export function StudyEntry({ study }: { study: Study }) {
  const readOnly = useReadOnly();
  const [editing, setEditing] = useState(false);
  return (
    <section aria-labelledby="study-entry" className="mb-6 rounded border border-rule bg-surface px-5 py-4">
      <div className="flex items-baseline gap-4">
        <h2 id="study-entry">The study</h2>
        {!editing && !readOnly && (
          <button type="button" className="button-quiet text-[13px]" onClick={() => setEditing(true)}>
            Edit the study’s entry
          </button>
        )}
      </div>
      {editing ? (
        <StudyForm study={study} onDone={() => setEditing(false)} />
      ) : (
        <p className="mt-1.5 max-w-3xl font-serif text-[16px] leading-normal">{studySentences(study.state).join(' ')}</p>
      )}
    </section>
  );
}

function StudyForm({ study, onDone }: { study: Study; onDone: () => void }) {
  const { change } = useStudyChanges(study);
  const { rowMeaning, rowsChosen, source, citation, exclusions } = study.state;
  const { register, handleSubmit, formState } = useForm<Fields>({
    defaultValues: {
      rowMeaning: rowMeaning ?? '',
      rowsChosen: rowsChosen ?? '',
      source: source ?? '',
      citation: citation ?? '',
      exclusions: exclusions ?? '',
    },
  });
  // Read while rendering: the form tells only those parts of its state that were asked for.
  const { isDirty } = formState;
  const save = handleSubmit((fields) => {
    if (!isDirty) return onDone();
    const { rowsChosen: chosen, ...texts } = fields;
    const patch: StudyEntryPatch = {
      ...Object.fromEntries(Object.entries(texts).map(([field, text]) => [field, text.trim() || null])),
      rowsChosen: rowsChosenSchema.safeParse(chosen).data ?? null,
    };
    change.mutate({ change: { type: 'edit-study', patch } }, { onSuccess: onDone });
  });
  return (
    <form onSubmit={(event) => void save(event)} className="mt-3 grid max-w-3xl grid-cols-2 gap-x-6 gap-y-3">
      <TextField label="One row is" placeholder="one case, one visit to it" {...register('rowMeaning')} />
      <SelectField label="The rows" {...register('rowsChosen')}>
        <option value="">not said yet</option>
        {rowsChosenSchema.options.map((option) => (
          <option key={option} value={option}>
            {ROWS_CHOSEN_WORDS[option]}
          </option>
        ))}
      </SelectField>
      <TextField label="Source" {...register('source')} />
      <TextField label="Citation" {...register('citation')} />
      <TextField label="Known to be missing" placeholder="which cases, and why" {...register('exclusions')} />
      <FormButtons busy={change.isPending} onCancel={onDone} />
    </form>
  );
}
