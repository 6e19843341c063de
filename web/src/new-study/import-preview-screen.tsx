import type { ImportPreview, ImportSettingsPatch } from '@ivlen/contract';
import { studyNameSchema } from '@ivlen/contract';
import { type FormEvent, useState } from 'react';
import { wasStopped } from '../api/use-job';
import { ProgressLine } from '../controls/progress-line';
import { MergePanel } from './merge-panel';
import { PASTED_FILE } from './pasted-file';
import { ProblemList } from './problem-list';
import { ReadingSettings } from './reading-settings';
import { TablePreview } from './table-preview';
import type { Destination } from './use-destination';
import { useImportActions } from './use-import-actions';

interface ImportPreviewScreenProps {
  readonly preview: ImportPreview;
  /** The study that the file goes into; null if it becomes one. */
  readonly destination: Destination | null;
}

/** One screen for bringing a table in: how it is read on the left; name, problems and a preview on the right. */
export function ImportPreviewScreen({ preview, destination }: ImportPreviewScreenProps) {
  const { correct, create, giveUp, job } = useImportActions(preview);
  const [name, setName] = useState(() => proposedName(preview));
  const [problem, setProblem] = useState<string | null>(null);
  const stops = preview.problems.some(({ severity }) => severity === 'stops');
  const kept = preview.columns.filter(({ leftOut }) => !leftOut).length;
  const busy = create.isPending || correct.isPending;
  const onCorrect = (patch: ImportSettingsPatch) => correct.mutate(patch);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const checked = studyNameSchema.safeParse(name);
    if (!checked.success) return setProblem(checked.error.issues[0]?.message ?? 'This name cannot be used.');
    setProblem(null);
    create.mutate(checked.data, { onError: (error) => setProblem(wasStopped(error) ? null : error.message) });
  };

  return (
    <main className="flex min-h-0 flex-1" aria-busy={correct.isPending}>
      <aside aria-label="How the file is read" className="w-[264px] shrink-0 overflow-y-auto border-r border-rule bg-sunken px-4 py-4">
        <h2 className="mb-0.5">How the file is read</h2>
        <p className="mb-3 text-[13px] break-words text-muted">
          {preview.fileName}, {sizeInWords(preview.bytes)}
        </p>
        <ReadingSettings settings={preview.settings} sheets={preview.sheets} busy={busy} onCorrect={onCorrect} />
      </aside>
      <div className="flex min-w-0 flex-1 flex-col">
        {destination ? (
          <MergePanel preview={preview} destination={destination} busy={busy} onGiveUp={() => giveUp.mutate()} />
        ) : (
          <form onSubmit={submit} className="flex flex-wrap items-end gap-3 border-b border-rule px-6 py-4">
            <label className="min-w-64 flex-1">
              <span className="block text-[13px] text-muted">Name of the study</span>
              <input className="field w-full max-w-md text-[16px]" value={name} onChange={(event) => setName(event.target.value)} />
            </label>
            {busy && job.progress ? (
              <ProgressLine label={create.isPending ? 'Storing' : 'Reading again'} progress={job.progress} onStop={job.stop} />
            ) : (
              <p className="numerals pb-1.5 text-muted" role="status">
                {correct.isPending
                  ? 'Reading again …'
                  : `${preview.rows.toLocaleString('en-GB')} rows × ${kept.toLocaleString('en-GB')} variables`}
              </p>
            )}
            {!(busy && job.progress) && (
              <>
                <button type="button" className="button" onClick={() => giveUp.mutate()}>
                  Give up
                </button>
                <button type="submit" className="button-primary" disabled={stops || create.isPending}>
                  {create.isPending ? 'Creating …' : 'Create study'}
                </button>
              </>
            )}
            {problem && (
              <p role="alert" className="w-full text-caution">
                {problem}
              </p>
            )}
          </form>
        )}
        <div className="min-h-0 flex-1 overflow-auto px-6 py-4">
          <ProblemList problems={preview.problems} busy={correct.isPending} onMend={onCorrect} />
          <TablePreview preview={preview} onCorrect={onCorrect} />
        </div>
      </div>
    </main>
  );
}

/** After its file; of pasted cells, which have none, after the first columns. */
function proposedName({ fileName, columns }: ImportPreview): string {
  if (fileName !== PASTED_FILE) return nameFromFile(fileName);
  const names = columns.filter(({ leftOut, kind }) => !leftOut && kind !== 'identifier').map(({ name }) => name);
  const others = names.length - NAMED;
  const listed = names.slice(0, NAMED).join(others > 0 ? ', ' : ' and ');
  return `${listed}${others > 0 ? ` and ${others} more` : ''}`.slice(0, 120);
}

const NAMED = 2;

function nameFromFile(fileName: string): string {
  return fileName
    .replace(/\.[a-z]{2,7}$/i, '')
    .replace(/[_-]+/g, ' ')
    .trim()
    .slice(0, 120);
}

function sizeInWords(bytes: number): string {
  if (bytes < 1024) return `${bytes} bytes`;
  return bytes < 1024 * 1024 ? `${Math.round(bytes / 1024)} kB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`;
}
