import { type ChangeBlock, changedBlockSchema, type NewBlockInput, type ReportBlock, reportSchema, type Study } from '@ivlen/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { request } from '../../api/client';
import { reportQuery } from '../../pins/report-query';

interface Added {
  readonly blocks: readonly NewBlockInput[];
  readonly after?: string | null;
  readonly first?: boolean;
}

/** The blocks of a report, and what changes them. Changes go one after the other, each naming the version it was made from. */
export function useReport(study: Study) {
  const client = useQueryClient();
  const query = reportQuery(study.id);
  const { data, error } = useQuery(query);
  const path = `/studies/${study.id}/report`;
  const onSuccess = async ({ blocks }: { blocks: ReportBlock[] }) => {
    // What was asked before the change and answers after it, as where the report is read ahead, would bring the former blocks back.
    await client.cancelQueries({ queryKey: query.queryKey });
    client.setQueryData(query.queryKey, { blocks });
  };
  const failed = (what: string) => (failure: Error) => {
    toast.error(`${what} ${failure.message}`);
    void client.invalidateQueries({ queryKey: query.queryKey });
  };
  const scope = { id: `report-${study.id}` };

  const add = useMutation({
    scope,
    mutationFn: ({ blocks, after = null, first = false }: Added) =>
      request(`${path}/blocks`, reportSchema, { method: 'POST', json: { blocks, after, first } }),
    onSuccess,
    onError: failed('This was not added.'),
  });
  const change = useMutation({
    scope,
    mutationFn: ({ id, version, ...part }: Partial<ChangeBlock> & { id: string }) => {
      const current = client.getQueryData(query.queryKey)?.blocks.find((block) => block.id === id)?.version ?? 0;
      return request(`${path}/blocks/${id}`, changedBlockSchema, { method: 'PATCH', json: { version: version ?? current, ...part } });
    },
    onSuccess: async (changed) => {
      await onSuccess(changed);
      if (changed.both)
        toast.warning('This text was changed in another window too. Both stand now, one under the other.', {
          duration: Number.POSITIVE_INFINITY,
          closeButton: true,
        });
    },
    onError: failed('This was not changed.'),
  });
  const order = useMutation({
    scope,
    mutationFn: (ids: readonly string[]) => request(`${path}/order`, reportSchema, { method: 'PUT', json: { ids } }),
    onMutate: (ids) => {
      const before = client.getQueryData(query.queryKey)?.blocks ?? [];
      client.setQueryData(query.queryKey, { blocks: ids.flatMap((id) => before.filter((block) => block.id === id)) });
    },
    onSuccess,
    onError: failed('The order was not changed.'),
  });
  const remove = useMutation({
    scope,
    mutationFn: (block: ReportBlock) => request(`${path}/blocks/${block.id}`, reportSchema, { method: 'DELETE' }),
    onSuccess: async (report, block) => {
      const before = data?.blocks ?? [];
      const place = before.findIndex(({ id }) => id === block.id);
      await onSuccess(report);
      const { content, title, text, shows } = block;
      const after = before[place - 1]?.id ?? null;
      toast('Removed from the report.', {
        action: { label: 'Undo', onClick: () => add.mutate({ blocks: [{ content, title, text, shows }], after, first: after === null }) },
      });
    },
    onError: failed('This was not removed.'),
  });
  return { blocks: data?.blocks, error, add, change, order, remove };
}

export type ReportActions = ReturnType<typeof useReport>;
