import { emptiedSchema } from '@ivlen/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { requestJob } from '../api/client';
import { spaceQuery } from '../api/queries';
import { useJob, wasStopped } from '../api/use-job';
import { CloseButton, Modal } from '../controls/modal';
import { ProgressLine } from '../controls/progress-line';
import { bytesInWords, deletedInWords, spaceInWords } from './space-words';

/** How much all studies take, and the way to be rid of the deleted ones for good. */
export function SpaceLine() {
  const { data: space } = useQuery(spaceQuery());
  const [asking, setAsking] = useState(false);
  const { mutate, isPending, progress, stop } = useEmptying();
  if (!space || (space.studies === 0 && !space.deleted)) return null;
  return (
    <div className="numerals mt-5 flex min-h-8 flex-wrap items-center gap-x-3 text-muted">
      {spaceInWords(space)}
      {space.deleted && (
        <>
          <span aria-hidden="true">·</span>
          {deletedInWords(space.deleted)}
          {isPending ? (
            <ProgressLine label="Removing" progress={progress} onStop={stop} />
          ) : (
            <button type="button" className="button-quiet" onClick={() => setAsking(true)}>
              Empty now …
            </button>
          )}
        </>
      )}
      {asking && space.deleted && (
        <Modal
          title="Remove the deleted studies for good?"
          description={`${deletedInWords(space.deleted)}. Afterwards nobody can bring them back.`}
          onClose={() => setAsking(false)}
        >
          <div className="mt-2 flex justify-end gap-2">
            <CloseButton>Keep them</CloseButton>
            <button
              type="button"
              className="button-primary"
              onClick={() => {
                setAsking(false);
                mutate();
              }}
            >
              Remove for good
            </button>
          </div>
        </Modal>
      )}
    </div>
  );
}

function useEmptying() {
  const client = useQueryClient();
  const { run, progress, stop } = useJob();
  const { mutate, isPending } = useMutation({
    mutationFn: () => run((options) => requestJob('/deleted-studies', emptiedSchema, { method: 'DELETE', ...options })),
    onSuccess: ({ studies, bytes }) => {
      toast(
        `${studies.toLocaleString('en-GB')} ${studies === 1 ? 'study was' : 'studies were'} removed; ${bytesInWords(bytes)} are free again.`,
      );
    },
    onError: (error) => void (wasStopped(error) || toast.error(error.message)),
    onSettled: () => client.invalidateQueries({ queryKey: ['studies'] }),
  });
  return { mutate, isPending, progress, stop };
}
