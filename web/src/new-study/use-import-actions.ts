import { type ImportPreview, type ImportSettingsPatch, importPreviewSchema, studySchema } from '@ivlen/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { z } from 'zod';
import { request, requestJob } from '../api/client';
import { importQuery } from '../api/queries';
import { useJob, wasStopped } from '../api/use-job';

/** Correcting how a waiting file is read, making a study of it, or giving it up. */
export function useImportActions({ id }: ImportPreview) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const job = useJob();
  const correct = useMutation({
    scope: { id: `import-${id}` },
    mutationFn: (patch: ImportSettingsPatch) =>
      job.run((options) => requestJob(`/imports/${id}`, importPreviewSchema, { method: 'PATCH', json: patch, ...options })),
    onSuccess: (preview) => client.setQueryData(importQuery(id).queryKey, preview),
    onError: (error) => {
      if (!wasStopped(error)) toast.error(error.message);
    },
  });
  const create = useMutation({
    // A correction that is under way is read first, so that a click right after typing is not lost.
    scope: { id: `import-${id}` },
    mutationFn: (name: string) =>
      job.run((options) => requestJob('/studies', studySchema, { method: 'POST', json: { importId: id, name }, ...options })),
    onSuccess: async (study) => {
      await client.invalidateQueries({ queryKey: ['studies'] });
      await navigate(`/studies/${study.id}/correlations`, { replace: true });
    },
  });
  const giveUp = useMutation({
    mutationFn: () => request(`/imports/${id}`, z.object({ done: z.literal(true) }), { method: 'DELETE' }),
    onSettled: () => navigate('/'),
  });
  return { correct, create, giveUp, job };
}
