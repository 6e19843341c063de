import { type ExportRequestInput, exportReadySchema, type Study } from '@ivlen/contract';
import { useMutation } from '@tanstack/react-query';
import { toast } from 'sonner';
import { requestJob } from '../api/client';
import { useJob, wasStopped } from '../api/use-job';

/** Has a file written, and hands it to the browser to be saved. */
export function useExport({ id, head }: Study) {
  const job = useJob();
  const write = useMutation({
    mutationFn: (request: Omit<ExportRequestInput, 'revision'>) =>
      job.run((options) =>
        requestJob(`/studies/${id}/exports`, exportReadySchema, { method: 'POST', json: { revision: head, ...request }, ...options }),
      ),
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
