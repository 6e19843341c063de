import { type ImportPreview, type ImportSettingsPatch, importPreviewSchema, studySchema } from '@ivlen/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { z } from 'zod';
import { request } from '../api/client';
import { importQuery } from '../api/queries';

/** Correcting how a waiting file is read, making a study of it, or giving it up. */
export function useImportActions({ id }: ImportPreview) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const correct = useMutation({
    scope: { id: `import-${id}` },
    mutationFn: (patch: ImportSettingsPatch) => request(`/imports/${id}`, importPreviewSchema, { method: 'PATCH', json: patch }),
    onSuccess: (preview) => client.setQueryData(importQuery(id).queryKey, preview),
    onError: (error) => void toast.error(error.message),
  });
  const create = useMutation({
    mutationFn: (name: string) => request('/studies', studySchema, { method: 'POST', json: { importId: id, name } }),
    onSuccess: async (study) => {
      await client.invalidateQueries({ queryKey: ['studies'] });
      await navigate(`/studies/${study.id}/correlations`, { replace: true });
    },
  });
  const giveUp = useMutation({
    mutationFn: () => request(`/imports/${id}`, z.object({ done: z.literal(true) }), { method: 'DELETE' }),
    onSettled: () => navigate('/'),
  });
  return { correct, create, giveUp };
}
