import { studySchema } from '@ivlen/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { z } from 'zod';
import { request } from '../api/client';

type Named = { readonly id: string; readonly name: string };

/** Renaming, duplicating and deleting studies; deleting can be undone from its message. */
export function useStudyActions() {
  const client = useQueryClient();
  const refresh = () => client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] === 'studies' || queryKey[0] === 'study' });
  const onError = (error: Error) => void toast.error(error.message);

  const rename = useMutation({
    mutationFn: ({ id, name }: Named) => request(`/studies/${id}`, studySchema, { method: 'PATCH', json: { name } }),
    onSuccess: refresh,
  });
  const duplicate = useMutation({
    mutationFn: (id: string) => request(`/studies/${id}/duplicate`, studySchema, { method: 'POST' }),
    onSuccess: async ({ name }) => {
      await refresh();
      toast(`“${name}” was made.`);
    },
    onError,
  });
  const restore = useMutation({
    mutationFn: (id: string) => request(`/studies/${id}/restore`, studySchema, { method: 'POST' }),
    onSuccess: refresh,
    onError,
  });
  const remove = useMutation({
    mutationFn: ({ id }: Named) => request(`/studies/${id}`, z.object({ done: z.literal(true) }), { method: 'DELETE' }),
    onSuccess: async (_, { id, name }) => {
      await client.invalidateQueries({ queryKey: ['studies'] });
      toast(`“${name}” was deleted.`, { duration: 10_000, action: { label: 'Undo', onClick: () => restore.mutate(id) } });
    },
    onError,
  });
  return { rename, duplicate, remove };
}
