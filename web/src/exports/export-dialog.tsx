import { exportFormatSchema, rowsInUse, type Study } from '@ivlen/contract';
import { type FormEvent, useState } from 'react';
import { CloseButton, Modal } from '../controls/modal';
import { ProgressLine } from '../controls/progress-line';
import { useExport } from './use-export';

const FORMATS = {
  archive: [
    'Study archive',
    'A zip that can be brought back with everything as it is: values, codebook, subset, rows set aside, settings, trail, and the report with a record that computes it again.',
  ],
  csv: ['CSV', 'The table as text, for any other program.'],
  parquet: ['Parquet', 'The table with its types, for programs that work with data frames.'],
} as const;

/** Takes a study out as a file. */
export function ExportDialog({ study, onClose }: { study: Study; onClose: () => void }) {
  const { write, job } = useExport(study);
  const [format, setFormat] = useState<keyof typeof FORMATS>('archive');
  const used = rowsInUse(study);
  const hasLabels = study.state.variables.some(({ valueLabels }) => Object.keys(valueLabels).length > 0);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const rows = form.get('rows') === 'in-use' ? 'in-use' : 'all';
    write.mutate({ format, rows, labels: form.get('labels') === 'on', faithful: form.get('faithful') === 'on' }, { onSuccess: onClose });
  };
  return (
    <Modal title={`Export “${study.name}”`} className="w-[560px]" onClose={onClose}>
      <form onSubmit={submit}>
        <fieldset className="space-y-2">
          <legend className="sr-only">As what</legend>
          {exportFormatSchema.options.toReversed().map((option) => (
            <label key={option} className="flex items-start gap-2.5">
              <input
                type="radio"
                name="format"
                className="mt-1 accent-accent"
                checked={format === option}
                onChange={() => setFormat(option)}
              />
              <span>
                <span className="font-semibold">{FORMATS[option][0]}</span>
                <span className="block text-[13px] text-muted">{FORMATS[option][1]}</span>
              </span>
            </label>
          ))}
        </fieldset>
        {format !== 'archive' && (
          <div className="mt-3 space-y-1.5 border-t border-rule pt-3">
            {used < study.rows && (
              <p className="flex gap-4">
                <label className="flex items-center gap-1.5">
                  <input type="radio" name="rows" value="all" className="accent-accent" defaultChecked /> all{' '}
                  {study.rows.toLocaleString('en-GB')} rows
                </label>
                <label className="flex items-center gap-1.5">
                  <input type="radio" name="rows" value="in-use" className="accent-accent" /> the {used.toLocaleString('en-GB')} in use
                </label>
              </p>
            )}
            {format === 'csv' && (
              <label className="flex items-start gap-1.5">
                <input type="checkbox" name="faithful" className="mt-1 accent-accent" />
                <span>
                  texts exactly as they are
                  <span className="block text-[13px] text-muted">
                    Else those that a spreadsheet would run as a formula (beginning with = + − @) get an apostrophe before them. Numbers are
                    untouched either way.
                  </span>
                </span>
              </label>
            )}
            {hasLabels && (
              <label className="flex items-center gap-1.5">
                <input type="checkbox" name="labels" className="accent-accent" /> labels instead of codes
              </label>
            )}
          </div>
        )}
        <div className="mt-4 flex items-center gap-2">
          {write.isPending && job.progress ? (
            <ProgressLine label="Writing" progress={job.progress} onStop={job.stop} />
          ) : (
            <>
              <button type="submit" className="button-primary" disabled={write.isPending}>
                {write.isPending ? 'Writing …' : 'Export'}
              </button>
              <CloseButton>Cancel</CloseButton>
            </>
          )}
        </div>
      </form>
    </Modal>
  );
}
