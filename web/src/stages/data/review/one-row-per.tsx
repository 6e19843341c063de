import { type JoinRowsBy, joinRowsBySchema, type Study, studySchema } from '@ivlen/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { request } from '../../../api/client';
import { useReadOnly } from '../../../study/read-only';
import { displayName } from '../../../study/variable-name';

const BY: Readonly<Record<JoinRowsBy, string>> = {
  mean: 'the mean of its rows',
  max: 'the largest of its rows',
  min: 'the smallest of its rows',
  first: 'its first row',
  last: 'its last row',
};

/** Offers a new study with one row for each value of an identifier. */
export function OneRowPer({ study, identifier }: { study: Study; identifier: string }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const readOnly = useReadOnly();
  const [by, setBy] = useState<JoinRowsBy>('mean');
  const make = useMutation({
    mutationFn: () => {
      const json = { revision: study.head, variable: identifier, by };
      return request(`/studies/${study.id}/one-row-per`, studySchema, { method: 'POST', json });
    },
    onSuccess: async ({ id, name }) => {
      await client.invalidateQueries({ queryKey: ['studies'] });
      await navigate(`/studies/${id}/data`);
      toast(`This is the new study “${name}”; the one before stays as it was.`);
    },
    onError: (error) => void toast.error(error.message),
  });
  const name = displayName(study.state.variables.find(({ id }) => id === identifier) ?? { name: identifier });
  if (readOnly) return null;
  return (
    <span className="flex shrink-0 items-baseline gap-2">
      <select
        className="field py-0.5"
        aria-label={`What stands for a ${name} with several rows`}
        value={by}
        onChange={(event) => setBy(joinRowsBySchema.parse(event.target.value))}
      >
        {joinRowsBySchema.options.map((option) => (
          <option key={option} value={option}>
            {BY[option]}
          </option>
        ))}
      </select>
      <button type="button" className="button py-0.5" disabled={make.isPending} onClick={() => make.mutate()}>
        New study with one row per {name}
      </button>
    </span>
  );
}
