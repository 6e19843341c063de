import { type ExportRequestInput, exportReadySchema, type Study } from '@ivlen/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { requestJob } from '../api/client';
import { useJob, wasStopped } from '../api/use-job';
import { useTellingStages } from '../telling/telling-stages';
import { recordOfStudy } from './record-of-study';

const NOTHING_RECORDED = { record: undefined, leftOut: [] };

/** Has a file written, an archive with the record of the report, and hands it to the browser to be saved. */
export function useExport(study: Study) {
  const { id, head } = study;
  const client = useQueryClient();
  const stages = useTellingStages();
  const job = useJob();
  const write = useMutation({
    mutationFn: async (request: Omit<ExportRequestInput, 'revision' | 'record'>) => {
      const { record, leftOut } = request.format === 'archive' ? await recordOfStudy(client, stages, study) : NOTHING_RECORDED;
      if (leftOut.length > 0) toast.warning(`Not in the record: ${leftOut.join('; ')}.`);
      return job.run((options) =>
        requestJob(`/studies/${id}/exports`, exportReadySchema, {
          method: 'POST',
          json: { revision: head, record, ...request },
          ...options,
        }),
      );
    },
    onSuccess: (file) => {
      const link = document.createElement('a');
      link.href = `/api/exports/${file.id}`;
      link.download = file.fileName;
      link.click();
    },
    onError: (error) => {
      if (!wasStopped(error)) toast.error(error.message);
    },
  });
  return { write, job };
}
