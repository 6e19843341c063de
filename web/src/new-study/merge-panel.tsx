import { type ImportPreview, type MergeSummary, studySchema } from '@ivlen/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { requestJob } from '../api/client';
import { mergePreviewQuery, studyQuery } from '../api/queries';
import { useJob, wasStopped } from '../api/use-job';
import { ProgressLine } from '../controls/progress-line';
import { displayName } from '../study/variable-name';
import type { Destination } from './use-destination';

interface MergePanelProps {
  readonly preview: ImportPreview;
  readonly destination: Destination;
  readonly busy: boolean;
  readonly onGiveUp: () => void;
}

/** What the file would do to the study it goes into, and the button that does it. */
export function MergePanel({ preview, destination: { study, mode }, busy, onGiveUp }: MergePanelProps) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const job = useJob();
  const [problem, setProblem] = useState<string | null>(null);
  const { data, error } = useQuery(mergePreviewQuery(study.id, study.head, preview.id, preview.settings, mode));
  const merge = useMutation({
    mutationFn: () => {
      const json = { importId: preview.id, mode, expectedHead: study.head };
      return job.run((options) => requestJob(`/studies/${study.id}/merges`, studySchema, { method: 'POST', json, ...options }));
    },
    onSuccess: async (changed) => {
      client.setQueryData(studyQuery(study.id).queryKey, changed);
      await client.invalidateQueries({ queryKey: ['trail', study.id] });
      await navigate(`/studies/${study.id}/data`, { replace: true });
    },
    onError: (failure) => {
      setProblem(wasStopped(failure) ? null : failure.message);
      void client.invalidateQueries({ queryKey: studyQuery(study.id).queryKey });
    },
  });
  const stops = preview.problems.some(({ severity }) => severity === 'stops');
  const changesNothing = data !== undefined && data.cellsChanged + data.rowsAdded + data.rowsGone === 0;
  const does = mode === 'add' ? 'Add the rows' : 'Replace the data';
  return (
    <section aria-label={`Into ${study.name}`} className="border-b border-rule px-6 py-4">
      <div className="flex items-start gap-3">
        <h1 className="min-w-0 flex-1 font-serif text-xl">
          {mode === 'add' ? 'More rows for' : 'Corrected data for'} “{study.name}”
        </h1>
        {merge.isPending && job.progress ? (
          <ProgressLine label="Storing" progress={job.progress} onStop={job.stop} />
        ) : (
          <>
            <button type="button" className="button" onClick={onGiveUp}>
              Give up
            </button>
            <button
              type="button"
              className="button-primary"
              disabled={stops || busy || !data || changesNothing || merge.isPending}
              onClick={() => merge.mutate()}
            >
              {merge.isPending ? 'Storing …' : does}
            </button>
          </>
        )}
      </div>
      {error && <p className="mt-2 text-caution">{error.message}</p>}
      {data && <Summary summary={data} study={study} />}
      {problem && (
        <p role="alert" className="mt-2 text-caution">
          {problem}
        </p>
      )}
    </section>
  );
}

const count = (number: number, noun: string) => `${number.toLocaleString('en-GB')} ${number === 1 ? noun : `${noun}s`}`;

function Summary({ summary, study }: { summary: MergeSummary; study: Destination['study'] }) {
  const nameOf = (id: string) => displayName(study.state.variables.find((variable) => variable.id === id) ?? { name: id });
  return (
    <>
      <p className="numerals mt-2" role="status">
        {mergeSentences(summary).join(' ')}
      </p>
      {summary.variables.length > 0 && (
        <table className="mt-2 text-[13px]">
          <thead>
            <tr className="border-b border-rule text-left text-muted">
              <th scope="col" className="py-0.5 pr-6 font-normal">
                variable
              </th>
              <th scope="col" className="py-0.5 pr-6 text-right font-normal">
                cells changed
              </th>
              <th scope="col" className="py-0.5 font-normal">
                such as
              </th>
            </tr>
          </thead>
          <tbody>
            {summary.variables.map(({ id, changed, unreadable, examples }) => (
              <tr key={id} className="border-b border-rule/60">
                <th scope="row" className="py-0.5 pr-6 text-left font-semibold">
                  {nameOf(id)}
                </th>
                <td className="numerals py-0.5 pr-6 text-right">{changed.toLocaleString('en-GB')}</td>
                <td className="numerals py-0.5">
                  {examples.map(({ row, before, after }) => `row ${row}: ${before ?? 'missing'} becomes ${after ?? 'missing'}`).join('; ')}
                  {unreadable > 0 && (
                    <span className="text-caution">
                      {' '}
                      {count(unreadable, 'cell')} cannot be read as this variable, and would be missing.
                    </span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

/** What a merge would do, in sentences. */
export function mergeSentences(summary: MergeSummary): string[] {
  const { mode, matchedBy, notInFile, notInStudy, rowsBefore, rowsAdded, rowsGone, repeated, cellsChanged } = summary;
  const sentences: string[] = [];
  if (mode === 'add') {
    sentences.push(`${count(rowsAdded, 'row')} would follow the ${rowsBefore.toLocaleString('en-GB')} that are there.`);
    if (repeated > 0)
      sentences.push(
        `${count(repeated, 'identifier')} of them ${repeated === 1 ? 'is' : 'are'} in the study already: such rows are not independent.`,
      );
  } else if (cellsChanged + rowsAdded + rowsGone === 0) {
    sentences.push('The file holds what the study holds; nothing would change.');
  } else {
    sentences.push(`Rows are matched by ${matchedBy ?? 'their place, since nothing identifies them'}.`);
    sentences.push(`${count(cellsChanged, 'cell')} would change.`);
    if (rowsAdded > 0) sentences.push(`${count(rowsAdded, 'row')} would be added at the end.`);
    if (rowsGone > 0)
      sentences.push(`${count(rowsGone, 'row')} of the study ${rowsGone === 1 ? 'is' : 'are'} not in the file, and would be set aside.`);
  }
  if (notInFile.length > 0)
    sentences.push(
      `The file has no ${notInFile.join(', ')}${mode === 'add' ? '; it would be missing in the new rows' : ', which stays as it is'}.`,
    );
  if (notInStudy.length > 0) sentences.push(`Not in the study, and left out: ${notInStudy.join(', ')}.`);
  return sentences;
}
