import { type Change, type Study, studySchema, trailSchema } from '@ivlen/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { request } from '../api/client';
import { studyQuery, trailQuery } from '../api/queries';

/** Changing a study by decisions, and going back and forth among them. */
export function useStudyChanges(study: Study) {
  const client = useQueryClient();
  const key = studyQuery(study.id).queryKey;
  const onSuccess = (changed: Study) => {
    client.setQueryData(key, changed);
    void client.invalidateQueries({ queryKey: ['trail', study.id] });
    void client.invalidateQueries({ queryKey: ['studies'] });
  };
  const onError = (error: Error) => {
    toast.error(error.message);
    // Another window may have moved the study on: what is shown next is its newest state.
    void client.invalidateQueries({ queryKey: key });
  };
  // The head is that of the study on screen when it is asked, not of the rendering that set the handler up.
  const post = (path: string, json: object) => {
    const expectedHead = client.getQueryData(key)?.head ?? study.head;
    return request(`/studies/${study.id}/${path}`, studySchema, { method: 'POST', json: { expectedHead, ...json } });
  };

  const change = useMutation({
    mutationFn: ({ change, reason }: { change: Change; reason?: string }) => post('changes', { change, ...(reason ? { reason } : {}) }),
    onSuccess,
    onError,
  });
  const undo = useMutation({ mutationFn: () => post('undo', {}), onSuccess, onError });
  const redo = useMutation({ mutationFn: () => post('redo', {}), onSuccess, onError });
  const setReason = useMutation({
    mutationFn: ({ number, reason }: { number: number; reason: string }) =>
      request(`/studies/${study.id}/revisions/${number}`, trailSchema, { method: 'PATCH', json: { reason } }),
    onSuccess: (trail) => client.setQueryData(trailQuery(study.id, client.getQueryData(key)?.head ?? study.head).queryKey, trail),
    onError: (error) => void toast.error(error.message),
  });
  return { change, undo, redo, setReason };
}
